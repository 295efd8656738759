import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { ChevronRight } from 'lucide-react';

import type { Schemas } from '../api/client';
import { overviewQuery, useMay, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { part } from '../ui/part';
import { moment } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { useTerms } from '../ui/terms';
import { say, tell } from '../words/say';

// Asked for once, of a shop that has nothing yet.
const FirstShop = part(async () => (await import('./FirstShop')).FirstShop);

type Next = Schemas['Overview']['next'][number];

export function Start() {
    const { data } = useSuspenseQuery(overviewQuery);
    const { user } = useSession();
    const may = useMay();
    const [first, ...others] = data.next;
    return (
        <Sheet
            title={say('shell.good_day', { displayName: user?.displayName ?? '' })}
            lead={data.benches.length === 0 && may.test ? say('first.set_up_in_a_minute') : data.next.length === 0 ? say('shell.nothing_waits') : say('shell.things_wait', { next: data.next.length })}
            actions={
                <Button asChild tone="plain">
                    <Link to="/choose">{say('shell.choose_a_setup')}</Link>
                </Button>
            }
            margin={<Benches benches={data.benches} />}
        >
            {data.benches.length === 0 && may.test ? (
                <>
                    <p className="mb-4">{say('first.lead')}</p>
                    <FirstShop meanwhile={<p>{say('shell.one_moment')}</p>} />
                </>
            ) : first ? (
                <ol className="flex flex-col">
                    <li className="mb-4 border-l-4 border-accent bg-accent-wash">
                        <NextLink next={first} className="flex items-center justify-between gap-4 px-5 py-5 text-ink no-underline hover:underline">
                            <span>
                                <span className="block text-2xl font-[650] tracking-tight">{first.title}</span>
                                <span className="text-soft">{first.sentence}</span>
                            </span>
                            <ChevronRight className="size-7 shrink-0 text-accent" aria-hidden />
                        </NextLink>
                    </li>
                    {others.map((next) => (
                        <li key={next.kind + next.id + next.sentence} className="border-b border-line">
                            <NextLink next={next} className="flex min-h-14 items-center justify-between gap-4 px-5 py-2.5 text-ink no-underline hover:bg-well">
                                <span>
                                    <span className="block font-[650]">{next.title}</span>
                                    <span className="text-soft">{next.sentence}</span>
                                </span>
                                <ChevronRight className="size-5 shrink-0 text-strong" aria-hidden />
                            </NextLink>
                        </li>
                    ))}
                </ol>
            ) : (
                <Empty>
                    <p className="mb-2 text-ink">{say('shell.begin_with_a_question_which_setup')}</p>
                    <p>{tell('shell.put_your_printers_plates_agents_and', { link: (words) => <Link to="/shelf">{words}</Link>, link2: (words) => <Link to="/choose">{words}</Link> })}
                        {may.test ? ` ${say('shell.two_or_three_candidates_and_compare')}` : '.'}
                    </p>
                </Empty>
            )}
        </Sheet>
    );
}

function NextLink({ next, className, children }: { next: Next; className: string; children: React.ReactNode }) {
    switch (next.kind) {
        case 'run':
            return (
                <Link to="/runs/$id" params={{ id: next.id }} className={className}>
                    {children}
                </Link>
            );
        case 'comparison':
            return (
                <Link to="/test/$id" params={{ id: next.id }} className={className}>
                    {children}
                </Link>
            );
        case 'judgement':
            return (
                <Link to="/judge/$id" params={{ id: next.id }} className={className}>
                    {children}
                </Link>
            );
        case 'profile':
            return (
                <Link to="/keep/$id" params={{ id: next.id }} className={className}>
                    {children}
                </Link>
            );
        case 'print':
            return (
                <Link to="/prints" className={className}>
                    {children}
                </Link>
            );
        case 'care':
            return (
                <Link to="/care" className={className}>
                    {children}
                </Link>
            );
        case 'backup':
            return (
                <Link to="/people" className={className}>
                    {children}
                </Link>
            );
    }
}

function Benches({ benches }: { benches: Schemas['Overview']['benches'] }) {
    const terms = useTerms();
    return (
        <MarginNote title={say('shell.on_the_benches')}>
            {benches.length === 0 ? <p>{say('shell.no_printers_on_the_shelf_yet')}</p> : null}
            <ul className="flex flex-col gap-4">
                {benches.map((bench) => (
                    <li key={bench.printerId}>
                        <p className="font-[650] text-ink">{bench.printerName}</p>
                        {bench.comparison ? (
                            <>
                                <p>
                                    <Link to="/test/$id" params={{ id: bench.comparison.id }}>
                                        {bench.comparison.title}
                                    </Link>
                                </p>
                                <Progress done={bench.comparison.done} total={bench.comparison.total} />
                                {bench.run ? (
                                    <p>{say('shell.run', { position: bench.run.position, step: terms.step(bench.run.step).toLowerCase() })}
                                        {bench.run.since ? say('shell.since', { since: moment(bench.run.since) }) : ''}
                                    </p>
                                ) : null}
                            </>
                        ) : (
                            <p>{bench.kind === 'resin' ? say('shell.resin_printer_nothing_under_way') : say('shell.free')}</p>
                        )}
                    </li>
                ))}
            </ul>
        </MarginNote>
    );
}

export function Progress({ done, total }: { done: number; total: number }) {
    return (
        <div className="my-1 flex items-center gap-2">
            <div className="h-2.5 flex-1 border border-strong bg-well" role="img" aria-label={say('shell.of_runs_done', { done, total })}>
                <div className="h-full bg-accent" style={{ width: `${total === 0 ? 0 : (100 * done) / total}%` }} />
            </div>
            <span className="text-sm text-ink">
                {say('shell.of', { done, total })}
            </span>
        </div>
    );
}
