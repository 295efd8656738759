import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { useId } from 'react';

import type { Schemas } from '../api/client';
import { useQuantity } from '../ui/quantity';
import { say } from '../words/say';

type Candidate = Schemas['Candidate'];

const TOP = 12;
const BASE = 27;
export const ROW_HEIGHT = 42;

/** One scale for all rows: from the coldest that is drawn to the hottest. */
export function scaleOf(candidates: Candidate[], width: number): ScaleLinear<number, number> {
    const drawn = candidates.flatMap(({ strip }) => [strip.low, strip.high, strip.releaseC, strip.target, strip.setPointC, strip.axis === 's' ? null : (strip.stops[0]?.atC ?? null)]).filter((at) => at !== null);
    const low = Math.min(...drawn);
    const high = Math.max(...drawn);
    const edge = Math.max(2, (high - low) * 0.05);
    return scaleLinear([low - edge, high + edge], [0, width]);
}

/** Where the figures of the scale stand, in the reader's unit. */
export function useTicks(x: ScaleLinear<number, number>, seconds: boolean): number[] {
    const temperature = useQuantity('temperature');
    const [low = 0, high = 1] = x.domain();
    const [from = 0, to = 1] = x.range();
    const count = Math.max(3, Math.floor((to - from) / 44));
    return seconds ? x.ticks(count) : temperature.ticks(low, high, count);
}

/** A row on the common scale: window, target, what to dial, where it comes off, what it must not pass, and own runs. */
export function RowStrip({ candidate, x }: { candidate: Candidate; x: ScaleLinear<number, number> }) {
    const pattern = useId();
    const temperature = useQuantity('temperature');
    const count = useQuantity('count');
    const { strip, ownRuns } = candidate;
    const seconds = strip.axis === 's';
    const text = (at: number) => (seconds ? say('unit.seconds', { figure: count.bare(at) }) : temperature.text(at));
    const bare = (at: number) => (seconds ? count.bare(at) : temperature.bare(at));
    const [, width = 0] = x.range();
    const stop = seconds ? undefined : strip.stops[0];
    const { releaseC, target, setPointC } = strip;
    const bondsTo = stop ? Math.max(strip.high, stop.atC) : (x.domain()[1] ?? strip.high);
    const runs = ownRuns.reduce((sum, each) => sum + each.held + each.failed, 0);
    const words = say('ui.strip_in_words', { label: candidate.label, low: text(strip.low), high: text(strip.high), targetIsNull: target === null, target: target === null ? '' : text(target), setIsNull: setPointC === null, set: setPointC === null ? '' : text(setPointC), releaseCIsNull: releaseC === null, releaseC: releaseC === null ? '' : text(releaseC), hasNearest: stop !== undefined, nearest: stop?.label ?? '', atC: stop ? text(stop.atC) : '', runs: ownRuns.map((run) => say('ui.own_runs_at_held_did_not', { at: text(run.at), held: run.held, failed: run.failed, stuck: run.stuck })).join(' ') });
    const dialled = setPointC ?? (seconds ? target : null);
    return (
        <svg role="img" aria-label={words} width={width} height={ROW_HEIGHT} className="block overflow-visible">
            <defs>
                <pattern id={`${pattern}-bonds`} width="6" height="6" patternUnits="userSpaceOnUse">
                    <path d="M0 0L6 6M6 0L0 6" stroke="var(--fault)" strokeWidth="1" />
                </pattern>
            </defs>
            <line x1={0} x2={width} y1={BASE} y2={BASE} stroke="var(--line-strong)" />
            <rect x={x(strip.high)} y={BASE - 7} width={Math.max(0, x(bondsTo) - x(strip.high))} height={7} fill={`url(#${pattern}-bonds)`} opacity={0.7} />
            <path d={`M${x(strip.low)} ${BASE}V${TOP + 3}q0 -3 3 -3H${x(strip.high) - 3}q3 0 3 3V${BASE}Z`} fill="var(--accent-wash)" stroke="var(--accent)" strokeWidth={1.8} strokeDasharray={candidate.estimate ? '4 2.5' : undefined} />
            {stop ? <rect x={x(stop.atC)} y={TOP - 4} width={4} height={BASE - TOP + 4} fill="var(--ink)" /> : null}
            {releaseC === null ? null : <path transform={`translate(${x(releaseC)} ${BASE})`} d="M0 -1V-13M-4 -9L0 -14L4 -9" fill="none" stroke="var(--brass)" strokeWidth={2} />}
            {target === null ? null : <path transform={`translate(${x(target)} ${TOP})`} d="M0 0L-5 -8H5Z" fill="var(--accent)" />}
            {ownRuns.map((run) => (
                <g key={run.at} transform={`translate(${x(run.at)} ${(TOP + BASE) / 2})`}>
                    {run.held === 0 ? <circle r={3.6} fill="var(--sheet)" stroke="var(--fault)" strokeWidth={1.8} /> : run.stuck > 0 ? <rect x={-3.6} y={-3.6} width={7.2} height={7.2} fill="var(--brass)" /> : <circle r={3.6} fill="var(--accent)" />}
                    {run.failed > 0 && run.held > 0 ? <circle r={3.6} cx={-7} fill="var(--sheet)" stroke="var(--fault)" strokeWidth={1.8} /> : null}
                </g>
            ))}
            {runs > 0 && ownRuns[0] ? (
                <text x={x(ownRuns[0].at) + 7} y={(TOP + BASE) / 2 + 4} className="fill-ink text-[12px]" style={{ paintOrder: 'stroke', stroke: 'var(--accent-wash)', strokeWidth: 3 }}>
                    {count.bare(runs)}
                </text>
            ) : null}
            {dialled === null ? (
                <text x={x((strip.low + strip.high) / 2)} y={ROW_HEIGHT - 2} textAnchor="middle" className="fill-ink text-[13px] font-[650]">{say('choose.bed_off')}</text>
            ) : (
                <text x={x(dialled)} y={ROW_HEIGHT - 2} textAnchor="middle" className="fill-ink text-[14px] font-[650]">
                    {bare(dialled)}
                </text>
            )}
        </svg>
    );
}
