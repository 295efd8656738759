import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { scaleLinear } from 'd3-scale';
import { useId } from 'react';

import type { Schemas } from '../api/client';
import { benchesQuery } from '../api/queries';
import { duration, useFigures } from '../ui/quantity';
import { useWidth } from '../ui/useWidth';
import { say } from '../words/say';
import { Block, Patterns, ROW } from './Timetable';

type Bench = Schemas['Benches']['benches'][number];

const GAP = 8;

/** What waits at each printer: all benches at once, as nobody can put one plate on two of them. */
export function Benches() {
    const { data } = useQuery(benchesQuery);
    if (!data || data.benches.length === 0) return null;
    const waits = data.benches.flatMap((bench) => bench.runs.flatMap((run) => (run.waits === null ? [] : [`${bench.printerName}: ${run.waits}`])));
    return (
        <section aria-label={say('test.at_the_benches')} className="mb-8">
            <h2 className="text-xl">{say('test.at_the_benches')}</h2>
            <p className="mb-3 text-soft">{say('test.benches_in_words', { benches: data.benches.length, days: data.days, hands: duration(data.handsMinutes) })}</p>
            {data.benches.map((bench) => (
                <OneBench key={bench.printerId} bench={bench} dayMinutes={data.dayMinutes} />
            ))}
            {waits.length > 0 ? (
                <ul className="border-l-4 border-brass bg-brass-wash px-4 py-2">
                    {waits.map((words) => (
                        <li key={words}>{words}</li>
                    ))}
                </ul>
            ) : null}
        </section>
    );
}

function OneBench({ bench, dayMinutes }: { bench: Bench; dayMinutes: number }) {
    const [ref, width] = useWidth(820);
    const pattern = useId();
    const figure = useFigures();
    const next = bench.runs[0];
    const days = Math.min(2, bench.runs.at(-1)?.day ?? 1);
    const shown = bench.runs.filter((run) => run.day <= days);
    const ends = shown.map((run) => run.atMinutes + run.phases.reduce((sum, each) => sum + each.minutes, 0));
    const x = scaleLinear([0, Math.max(dayMinutes, ...ends)], [0, width - 2]);
    return (
        <div className="mb-4">
            <p className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span>
                    <strong>{bench.printerName}</strong>{' '}
                    <span className="text-soft">{say('test.bench_holds', { runs: bench.runs.length + bench.moreRuns, time: duration(bench.minutes), material: figure('volume').text(bench.materialMm3) })}</span>
                </span>
                {next ? (
                    <Link to="/runs/$id" params={{ id: next.runId }} className="inline-flex min-h-11 items-center font-[650]">
                        {next.status === 'running' ? say('test.go_on_with', { position: next.position, side: next.sideLabel }) : say('test.next_is', { position: next.position, side: next.sideLabel })}
                    </Link>
                ) : null}
            </p>
            <figure ref={ref} className="min-w-0">
                <svg role="img" aria-label={say('test.bench_in_words', { printer: bench.printerName, runs: shown.map((run) => run.position).join(', ') })} width={width} height={days * (ROW + GAP)} className="block overflow-visible text-xs">
                    <Patterns id={pattern} />
                    {Array.from({ length: days }, (_, day) => (
                        <rect key={day} x={0} y={day * (ROW + GAP)} width={x(dayMinutes)} height={ROW} fill="none" stroke="var(--line)" strokeDasharray="3 3" />
                    ))}
                    {shown.map((run) => (
                        <Block key={run.runId} run={run} top={(run.day - 1) * (ROW + GAP)} index={run.setup} x={x} pattern={pattern} pulls={run.pull !== null} />
                    ))}
                </svg>
            </figure>
        </div>
    );
}
