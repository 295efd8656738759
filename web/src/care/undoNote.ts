import { api, ask } from '../api/client';
import { offerUndo } from '../ui/undo';
import { say } from '../words/say';

/** Lets what was just noted for a side be taken back. */
export function offerNoteBack(side: string, id: string): void {
    offerUndo({ words: say('care.noted_for', { side }), undo: () => ask(api.DELETE('/api/care-notes/{id}', { params: { path: { id } } })) });
}
