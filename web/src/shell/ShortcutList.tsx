import { Dialog } from '../ui/Dialog';
import { say } from '../words/say';

/** Which keys do what. */
export function ShortcutList({ single, onDone }: { single: boolean; onDone: () => void }) {
    const keys: [string, string][] = [
        [say('shell.key_palette'), say('shell.go_to')],
        ['?', say('shell.shortcuts')],
        ['G C', say('shell.choose')],
        ['G T', say('shell.test')],
        ['G J', say('shell.judge')],
        ['G K', say('shell.keep')],
        ['G W', say('shell.care')],
        ['G F', say('shell.fix')],
        ['G S', say('shell.shelf')],
    ];
    return (
        <Dialog title={say('shell.shortcuts')} open onOpen={(open) => !open && onDone()}>
            <dl className="grid grid-cols-[7rem_minmax(0,1fr)] gap-x-4">
                {keys.map(([key, words]) => (
                    <div key={key} className="col-span-2 grid grid-cols-subgrid border-b border-line py-1.5">
                        <dt className="font-[650]">{key}</dt>
                        <dd>{words}</dd>
                    </div>
                ))}
            </dl>
            <p className="mt-3 text-soft">{single ? say('shell.single_keys_can_be_switched_off') : say('shell.single_keys_are_off')}</p>
        </Dialog>
    );
}
