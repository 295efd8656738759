import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { useLocation } from '@tanstack/react-router';
import { useRef, useState, type ReactNode } from 'react';

import { benchQuery, runQuery, useSession } from '../api/queries';
import { useQuantity } from '../ui/quantity';
import { part } from '../ui/part';
import { say } from '../words/say';

// What the bench is changed with comes when somebody wants to.
const BenchPanel = part(async () => (await import('./BenchPanel')).BenchPanel);

/** What lies on the bench: chosen once, it prefills everything. */
export function BenchBar() {
    const run = useLocation({ select: (location) => /^\/runs\/([0-9a-f-]{36})$/.exec(location.pathname)?.[1] });
    return run ? <RunBar id={run} /> : <OwnBar />;
}

/** On a run: where it is made, whatever else lies on the bench of whoever looks. */
function RunBar({ id }: { id: string }) {
    const { data } = useQuery(runQuery(id));
    const temperature = useQuantity('temperature');
    if (!data) return null;
    const { comparison, setup, run } = data;
    return (
        <section aria-label={say('shell.the_bench_of_this_run')} className="no-print border-t-4 border-[#b98a3c] bg-bench text-bench-ink">
            <Items
                items={[
                    { what: say('shell.printer'), is: comparison.printerName },
                    { what: say('shell.plate'), is: setup.sideLabel },
                    { what: say('shell.coat'), is: setup.agentName ?? say('shell.bare') },
                    { what: say('shell.material'), is: comparison.lotLabel },
                    { what: say('shell.room'), is: temperature.text(run.roomC) },
                ]}
            />
        </section>
    );
}

type Item = { what: string; is: string | null | undefined };

function Items({ items, children }: { items: Item[]; children?: ReactNode }) {
    return (
        <span className={`mx-auto flex min-h-14 max-w-[86rem] items-center gap-x-8 px-4 py-2 text-left sm:px-8 ${children ? 'w-max min-w-full' : 'flex-wrap'}`}>
            {items.map((item) => (
                <span key={item.what} className="shrink-0 leading-tight">
                    <span className="block text-xs text-bench-soft">{item.what}</span>
                    <span className={item.is ? 'font-[650]' : 'text-bench-soft'}>{item.is ?? say('shell.not_chosen')}</span>
                </span>
            ))}
            {children}
        </span>
    );
}

function OwnBar() {
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
                className="block w-full overflow-x-auto"
                aria-label={say('shell.the_bench_change_what_lies_on')}
                aria-haspopup="dialog"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
            >
                <Items items={items}>
                    <span className="ml-auto shrink-0 text-sm underline underline-offset-4">{say('shell.change')}</span>
                </Items>
            </button>
            {open ? (
                <BenchPanel strip={strip} onDone={() => setOpen(false)} />
            ) : null}
        </div>
    );
}
