import { X } from 'lucide-react';

import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { dropUndo, useOfferedUndo, type Undoable } from '../ui/undo';
import { say } from '../words/say';

/** What was just done, above the bench, with the way back. */
export function UndoStrip() {
    const offered = useOfferedUndo();
    return (
        <div role="status" className="pointer-events-none fixed inset-x-0 bottom-20 z-30 mx-auto w-full max-w-xl px-4 *:pointer-events-auto">
            {offered ? <Strip key={offered.number} offered={offered} /> : null}
        </div>
    );
}

function Strip({ offered }: { offered: Undoable }) {
    const back = useChange(() => offered.undo(), ['care', 'runs', 'comparisons', 'plates', 'lots', 'agents', 'printers', 'gauges', 'thermometers', 'profiles', 'assess'], dropUndo);
    return (
        <div className="flex flex-wrap items-center gap-3 rounded border border-strong bg-sheet py-2 pr-2 pl-4 text-ink shadow-xl">
            <span className="grow">{offered.words}</span>
            <Button disabled={back.isPending} onClick={() => back.mutate(undefined)}>
                {say('ui.undo')}
            </Button>
            <Button tone="quiet" aria-label={say('ui.let_it_be')} onClick={dropUndo}>
                <X aria-hidden className="size-5" />
            </Button>
            <Fault error={back.error} />
        </div>
    );
}
