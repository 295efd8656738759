import { offerUndo } from '../ui/undo';
import { say } from '../words/say';

/** Sends a change, and where it retires what was in use, lets that be taken back. */
export function retiring<Body extends { retired: boolean }, Answer extends { version: number }>(row: { retired: boolean } | null | undefined, name: string, send: (body: Body, version: number) => Promise<Answer>): (body: Body, version: number) => Promise<Answer> {
    return async (body, version) => {
        const answer = await send(body, version);
        if (row && !row.retired && body.retired) offerUndo({ words: say('shelf.is_retired', { name }), undo: () => send({ ...body, retired: false }, answer.version) });
        return answer;
    };
}
