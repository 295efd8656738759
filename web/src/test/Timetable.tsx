import { scaleLinear } from 'd3-scale';
import { useId, useState } from 'react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { useFigures } from '../ui/quantity';
import { useWidth } from '../ui/useWidth';
import { say } from '../words/say';
import { letter } from './letter';

type Order = Pick<Schemas['PlanOrder'], 'runs' | 'days' | 'dayMinutes'>;
type Placed = Pick<Order['runs'][number], 'atMinutes' | 'phases'> & { pull: Schemas['Pull'] | null };

/** Of a run, px. */
export const ROW = 40;
const GAP = 14;
const TOP = 20;
const LEFT = 62;
const FIRST_DAYS = 3;
const FILLS = ['var(--accent-wash)', 'var(--brass-wash)', 'var(--sound-wash)', 'var(--well)'];

/** The runs along the days at the bench: each with what it heats and cools, and where the plate is changed. */
export function Timetable({ order, indexOf, pulls }: { order: Order; /** Which setup a run is of, from 0. */ indexOf: (setupId: string) => number; pulls: boolean }) {
    const [ref, width] = useWidth(820);
    const [all, setAll] = useState(false);
    const pattern = useId();
    const figure = useFigures();
    const days = all ? order.days : Math.min(order.days, FIRST_DAYS);
    const ends = order.runs.map((run) => run.atMinutes + length(run));
    const x = scaleLinear([0, Math.max(order.dayMinutes, ...ends)], [LEFT, width - 2]);
    const hours = Array.from({ length: Math.floor((x.domain()[1] ?? 0) / 60) + 1 }, (_, hour) => hour);
    const takes = (phase: string) => order.runs.some((run) => run.phases.some((each) => each.phase === phase));
    const height = TOP + days * (ROW + GAP);
    const words = Array.from({ length: order.days }, (_, day) => say('test.day_in_words', { day: day + 1, runs: order.runs.filter((run) => run.day === day + 1).map((run) => letter(indexOf(run.setupId))).join(', ') })).join(' ');
    return (
        <figure ref={ref} className="min-w-0">
            <svg role="img" aria-label={words} width={width} height={height} className="block overflow-visible text-xs">
                <Patterns id={pattern} />
                {hours.map((hour) => (
                    <g key={hour}>
                        <line x1={x(hour * 60)} x2={x(hour * 60)} y1={TOP - 4} y2={height - GAP} stroke="var(--line)" />
                        <text x={x(hour * 60)} y={11} textAnchor="middle" fill="var(--ink-soft)" fontSize={12}>
                            {say('unit.hours_only', { hours: figure('count').bare(hour) })}
                        </text>
                    </g>
                ))}
                {Array.from({ length: days }, (_, day) => (
                    <text key={day} x={0} y={TOP + day * (ROW + GAP) + ROW / 2 + 5} fill="var(--ink)" fontSize={14} fontWeight={650}>
                        {say('test.day', { day: day + 1 })}
                    </text>
                ))}
                {order.runs
                    .filter((run) => run.day <= days)
                    .map((run) => (
                        <Block key={run.position} run={run} top={TOP + (run.day - 1) * (ROW + GAP)} index={indexOf(run.setupId)} x={x} pattern={pattern} pulls={pulls} />
                    ))}
            </svg>
            <figcaption className="flex flex-wrap items-center gap-x-5 gap-y-1 text-sm text-soft">
                {takes('heat') ? <Key fill={`url(#${pattern}-heat)`} words={say('test.key_heat')} /> : null}
                {takes('cool') ? <Key fill={`url(#${pattern}-cool)`} words={say('test.key_cool')} /> : null}
                <Key fill="var(--ink)" words={say('test.key_change')} />
                {days < order.days ? (
                    <Button tone="quiet" onClick={() => setAll(true)}>
                        {say('test.more_days', { days: order.days - days })}
                    </Button>
                ) : null}
            </figcaption>
        </figure>
    );
}

/** How heat and cooling are drawn. */
export function Patterns({ id }: { id: string }) {
    return (
        <defs>
            <pattern id={`${id}-heat`} width="5" height="5" patternUnits="userSpaceOnUse">
                <path d="M0 5L5 0" stroke="var(--fault)" strokeWidth="1.6" />
            </pattern>
            <pattern id={`${id}-cool`} width="5" height="5" patternUnits="userSpaceOnUse">
                <path d="M0 2.5H5" stroke="var(--accent)" strokeWidth="1.6" />
            </pattern>
        </defs>
    );
}

function length(run: Placed): number {
    return run.phases.reduce((sum, each) => sum + each.minutes, 0);
}

function Key({ fill, words }: { fill: string; words: string }) {
    return (
        <span className="inline-flex items-center gap-2">
            <svg aria-hidden width={20} height={10}>
                <rect width={20} height={10} fill={fill} stroke="var(--line-strong)" />
            </svg>
            {words}
        </span>
    );
}

/** A run as a box: what of it changes the plate, heats and cools. */
export function Block({ run, top, index, x, pattern, pulls }: { run: Placed; top: number; index: number; x: (minutes: number) => number; pattern: string; pulls: boolean }) {
    const starts = run.phases.map((_, i) => run.atMinutes + run.phases.slice(0, i).reduce((sum, before) => sum + before.minutes, 0));
    const change = run.phases.find((each) => each.phase === 'change')?.minutes ?? 0;
    const from = x(run.atMinutes + change);
    const to = x(run.atMinutes + length(run));
    return (
        <g>
            {change > 0 ? <rect x={x(run.atMinutes) + 1} y={top} width={Math.max(2, from - x(run.atMinutes) - 2)} height={ROW} fill="var(--ink)" /> : null}
            <rect x={from} y={top} width={Math.max(1, to - from - 2)} height={ROW} rx={2} fill={FILLS[index % FILLS.length]} stroke="var(--accent)" strokeWidth={1.2} />
            {run.phases.map((each, i) =>
                each.phase === 'heat' || each.phase === 'cool' ? (
                    <rect key={each.phase} x={x(starts[i] ?? 0)} y={top + ROW - 10} width={Math.max(0, x((starts[i] ?? 0) + each.minutes) - x(starts[i] ?? 0) - 1)} height={10} fill={`url(#${pattern}-${each.phase})`} />
                ) : null,
            )}
            <text x={from + 6} y={top + 18} fill="var(--ink)" fontSize={15} fontWeight={650}>
                {letter(index)}
                {pulls && to - from > 50 ? (
                    <tspan fontSize={12} fontWeight={400} dx={5}>
                        {run.pull === 'hot' ? say('test.pull_hot_short') : say('test.pull_cold_short')}
                    </tspan>
                ) : null}
            </text>
        </g>
    );
}
