import { X } from 'lucide-react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { say } from '../words/say';

/** What is ticked, in reach wherever somebody has scrolled to. */
export function Tray({ ticked, behind, onDrop, onPair, onCompare, onClear }: { ticked: Schemas['Candidate'][]; behind: boolean; onDrop: (key: string) => void; onPair: () => void; onCompare: () => void; onClear: () => void }) {
    if (ticked.length === 0) return null;
    // A comparison is made on one printer.
    const apart = new Set(ticked.map((each) => each.printerId)).size > 1;
    return (
        <section aria-label={say('choose.ticked')} className="no-print sticky bottom-[4.25rem] z-20 mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded border border-accent bg-sheet px-4 py-2 shadow-[0_2px_14px_rgb(0_0_0/0.18)]">
            <div className="flex min-w-0 flex-1 basis-52 flex-wrap items-center gap-x-2">
                <strong>{say('choose.ticked_count', { count: ticked.length })}</strong>
                {ticked.map((each) => (
                    <button key={each.key} type="button" className="inline-flex min-h-11 items-center gap-1 rounded px-1.5 hover:bg-well" aria-label={say('choose.take_out', { label: each.label })} onClick={() => onDrop(each.key)}>
                        {each.label} <X className="size-4 text-soft" aria-hidden />
                    </button>
                ))}
            </div>
            <div className="flex flex-wrap gap-2">
                <Button tone="quiet" onClick={onClear}>{say('choose.clear')}</Button>
                {ticked.length === 2 ? <Button disabled={behind} onClick={onPair}>{say('choose.side_by_side')}</Button> : null}
                <Button tone="main" disabled={behind || apart} onClick={onCompare}>{say('choose.compare', { chosen: ticked.length })}</Button>
            </div>
            {apart ? <p className="w-full text-[0.9375rem]">{say('choose.compared_on_one_printer')}</p> : null}
        </section>
    );
}
