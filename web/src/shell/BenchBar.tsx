import { useSuspenseQuery } from '@tanstack/react-query';
import { lazy, Suspense, useRef, useState } from 'react';

import { benchQuery, useSession } from '../api/queries';
import { useQuantity } from '../ui/quantity';
import { say } from '../words/say';

// What the bench is changed with comes when somebody wants to.
const BenchPanel = lazy(async () => ({ default: (await import('./BenchPanel')).BenchPanel }));

/** What lies on the bench: chosen once, it prefills everything. */
export function BenchBar() {
    const { bench } = useSession();
    const { data: named } = useSuspenseQuery(benchQuery);
    const [open, setOpen] = useState(false);
    const strip = useRef<HTMLButtonElement>(null);
    const temperature = useQuantity('temperature');
    const items = [
        { what: say('shell.printer'), is: named.printer },
        { what: say('shell.plate'), is: named.side && `${named.side}, ${named.surface ?? ''}` },
        { what: say('shell.coat'), is: named.agent ?? (named.side ? say('shell.bare') : null) },
        { what: say('shell.material'), is: named.lot && `${named.material ?? ''} ${named.lot}` },
        { what: say('shell.room'), is: temperature.text(bench.roomC) },
    ];
    return (
        <div className="no-print sticky bottom-0 z-30 border-t-4 border-[#b98a3c] bg-bench text-bench-ink">
            <button
                ref={strip}
                type="button"
                className="mx-auto flex min-h-14 w-full max-w-[86rem] items-center gap-x-8 gap-y-0 overflow-x-auto px-4 py-2 text-left sm:px-8"
                aria-label={say('shell.the_bench_change_what_lies_on')}
                aria-haspopup="dialog"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
            >
                {items.map((item) => (
                    <span key={item.what} className="shrink-0 leading-tight">
                        <span className="block text-xs text-bench-soft">{item.what}</span>
                        <span className={item.is ? 'font-[650]' : 'text-bench-soft'}>{item.is ?? say('shell.not_chosen')}</span>
                    </span>
                ))}
                <span className="ml-auto shrink-0 text-sm underline underline-offset-4">{say('shell.change')}</span>
            </button>
            {open ? (
                <Suspense fallback={null}>
                    <BenchPanel strip={strip} onDone={() => setOpen(false)} />
                </Suspense>
            ) : null}
        </div>
    );
}
