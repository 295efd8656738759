import { scaleLinear } from 'd3-scale';
import { useId } from 'react';

import type { Schemas } from '../api/client';
import { say } from '../words/say';
import { useQuantity } from './quantity';
import { useWidth } from './useWidth';

type Runs = Schemas['OwnRuns'][];

const DOTS_SHOWN = 6;

/**
 * The one picture: a scale of temperature at the surface (or of exposure) with the zones won't hold, holds and bonds,
 * the target, what the display has to show for it, the stops, and where the part comes off. Zones differ by pattern and word, colour comes second.
 */
export function SeatStrip({ strip, runs = [], label, firstWidth = 560 }: { strip: Schemas['Strip']; runs?: Runs; label: string; firstWidth?: number }) {
    const [ref, width] = useWidth(firstWidth);
    const temperature = useQuantity('temperature');
    const pattern = useId();
    const narrow = width < 420;
    const seconds = strip.axis === 's';
    const count = useQuantity('count');
    const bare = (value: number) => (seconds ? count.bare(value) : temperature.bare(value));
    const text = (value: number) => (seconds ? say('unit.seconds', { figure: count.bare(value) }) : temperature.text(value));
    const { releaseC, target, setPointC } = strip;
    const nearest = seconds ? undefined : strip.stops[0];
    const low = Math.max(seconds ? 0 : -40, Math.min(releaseC ?? strip.low, strip.low, seconds ? strip.low : strip.roomC) - 6);
    const high = Math.max(strip.high, target ?? 0, setPointC ?? 0, nearest?.atC ?? 0) + 12;
    const x = scaleLinear([low, high], [0, width]);
    const y = { top: 34, seat: 48, base: 70, axis: 84 };
    const stopFrom = nearest ? x(nearest.atC) : width;
    const set = setPointC !== null && (target === null || Math.abs(setPointC - target) >= 0.6) ? setPointC : null;
    const setLeft = set !== null && x(set) > width - 60;
    // A tick that the set-point and its word lie on keeps its line and loses its figure.
    const covered = (tick: number) => set !== null && (setLeft ? x(tick) > x(set) - 62 && x(tick) < x(set) + 14 : x(tick) > x(set) - 14 && x(tick) < x(set) + 62);
    // The words of the stop go up a line where they would lie on the figure of the target.
    const stopWords = nearest ? (narrow ? bare(nearest.atC) : `${nearest.label} ${bare(nearest.atC)}`) : '';
    const raised = target !== null && nearest && x(target) > stopFrom - stopWords.length * 6.4 - 18 && x(target) < stopFrom + 22;
    const words = say('ui.strip_in_words', { label, low: text(strip.low), high: text(strip.high), targetIsNull: target === null, target: target === null ? '' : text(target), setIsNull: set === null, set: set === null ? '' : text(set), releaseCIsNull: releaseC === null, releaseC: releaseC === null ? '' : text(releaseC), hasNearest: Boolean(nearest), nearest: nearest ? nearest.label : '', atC: nearest ? text(nearest.atC) : '', runs: runs.map((run) => say('ui.own_runs_at_held_did_not', { at: text(run.at), held: run.held, failed: run.failed, stuck: run.stuck })).join(' ') });
    const zone = (from: number, to: number, word: string, fits: number) => (x(to) - x(from) > fits ? <text x={(x(from) + x(to)) / 2} y={y.base - 8} textAnchor="middle" className="fill-ink text-[12px]" style={{ paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 4 }}>{word}</text> : null);
    return (
        <div ref={ref} className="w-full">
            <svg role="img" aria-label={words} width={width} height={runs.length > 0 ? 112 : 92} className="block overflow-visible">
                <defs>
                    <pattern id={`${pattern}-loose`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                        <line x1="0" y1="0" x2="0" y2="9" stroke="var(--line-strong)" strokeWidth="1" />
                    </pattern>
                    <pattern id={`${pattern}-bonds`} width="6" height="6" patternUnits="userSpaceOnUse">
                        <path d="M0 0L6 6M6 0L0 6" stroke="var(--fault)" strokeWidth="1" />
                    </pattern>
                    <pattern id={`${pattern}-wall`} width="4" height="4" patternUnits="userSpaceOnUse">
                        <path d="M0 4L4 0" stroke="var(--ink)" strokeWidth="1.4" />
                    </pattern>
                </defs>
                <rect x={0} y={y.base - 12} width={Math.max(0, x(strip.low))} height={12} fill={`url(#${pattern}-loose)`} opacity={0.6} />
                <rect x={x(strip.high)} y={y.base - 12} width={Math.max(0, width - x(strip.high))} height={12} fill={`url(#${pattern}-bonds)`} opacity={0.75} />
                <path d={`M${x(strip.low)} ${y.base}V${y.seat + 4}q0 -4 4 -4H${x(strip.high) - 4}q4 0 4 4V${y.base}Z`} fill="var(--accent-wash)" stroke="var(--accent)" strokeWidth={2} />
                {x(strip.low) > 70 ? <text x={3} y={y.base - 3} className="fill-ink text-[12px]" style={{ paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 4 }}>{say('ui.wont_hold')}</text> : null}
                {zone(strip.low, strip.high, 'holds', 40)}
                {zone(strip.high, nearest ? Math.min(high, nearest.atC) : high, 'bonds', 44)}
                <line x1={0} x2={width} y1={y.base} y2={y.base} stroke="var(--ink)" strokeWidth={1.5} />
                {nearest ? <rect x={stopFrom} y={y.top - 2} width={Math.min(9, width - stopFrom)} height={y.base - y.top + 2} fill={`url(#${pattern}-wall)`} stroke="var(--ink)" strokeWidth={1.2} /> : null}
                {(seconds ? x.ticks(narrow ? 4 : 8) : temperature.ticks(low, high, narrow ? 4 : 8)).map((tick) => (
                    <g key={tick} transform={`translate(${x(tick)} ${y.base})`}>
                        <line y2={5} stroke="var(--ink)" />
                        {covered(tick) ? null : (
                            <text y={18} textAnchor="middle" className="fill-soft text-[12px]">
                                {bare(tick)}
                            </text>
                        )}
                    </g>
                ))}
                {releaseC === null ? null : (
                    <g transform={`translate(${x(releaseC)} ${y.base})`}>
                        <path d="M0 -26V-2M-5 -20L0 -27L5 -20" fill="none" stroke="var(--brass)" strokeWidth={2.4} />
                        <text y={-34} textAnchor={x(releaseC) < 44 ? 'start' : 'middle'} x={x(releaseC) < 44 ? -6 : 0} className="fill-brass text-[12px] font-[650]">
                            {narrow ? say('ui.off', { releaseC: bare(releaseC) }) : say('ui.comes_off_below', { releaseC: bare(releaseC) })}
                        </text>
                    </g>
                )}
                {target === null ? null : (
                    <g transform={`translate(${x(target)} ${y.seat})`}>
                        <path d="M0 0L-7 -11H7Z" fill="var(--accent)" />
                        <text y={-16} textAnchor="middle" className="fill-accent text-[17px] font-[650]">
                            {seconds ? text(target) : bare(target)}
                        </text>
                    </g>
                )}
                {set === null ? null : (
                    <g transform={`translate(${x(set)} ${y.base})`}>
                        <path d="M0 1L-6 11H6Z" fill="var(--ink)" />
                        <text x={setLeft ? -9 : 9} y={18} textAnchor={setLeft ? 'end' : 'start'} className="fill-ink text-[13px] font-[650]" style={{ paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: 6 }}>
                            {say('ui.set', { set: bare(set) })}
                        </text>
                    </g>
                )}
                {nearest ? (
                    <text x={Math.min(width, stopFrom + 4)} y={raised ? 11 : y.top - 8} textAnchor="end" className="fill-ink text-[12px]">
                        {stopWords}
                    </text>
                ) : null}
                {runs.map((run) => (
                    <OwnRuns key={run.at} run={run} at={x(run.at)} y={y.axis + 17} />
                ))}
            </svg>
        </div>
    );
}

/** Own runs below the scale: full dots held, open dots did not, squares held but stuck; past a few, the count. */
function OwnRuns({ run, at, y }: { run: Schemas['OwnRuns']; at: number; y: number }) {
    const shapes = [...repeat('stuck', run.stuck), ...repeat('held', Math.max(0, run.held - run.stuck)), ...repeat('failed', run.failed)];
    const shown = shapes.length > DOTS_SHOWN ? summarise(run) : shapes.map((kind) => ({ kind, count: 1 }));
    const step = shapes.length > DOTS_SHOWN ? 34 : 12;
    const from = Math.max(6, at - ((shown.length - 1) * step) / 2);
    return (
        <g>
            {shown.map(({ kind, count }, i) => (
                <g key={i} transform={`translate(${from + i * step} ${y})`}>
                    {kind === 'stuck' ? <rect x={-4.5} y={-4.5} width={9} height={9} fill="var(--brass)" /> : <circle r={4.5} fill={kind === 'held' ? 'var(--accent)' : 'var(--sheet)'} stroke={kind === 'held' ? 'var(--accent)' : 'var(--fault)'} strokeWidth={2} />}
                    {count > 1 ? (
                        <text x={8} y={4} className="fill-ink text-[12px]">
                            {count}
                        </text>
                    ) : null}
                </g>
            ))}
        </g>
    );
}

type Kind = 'held' | 'failed' | 'stuck';

function repeat(kind: Kind, count: number): Kind[] {
    return Array.from({ length: count }, () => kind);
}

function summarise(run: Schemas['OwnRuns']): { kind: Kind; count: number }[] {
    const all: { kind: Kind; count: number }[] = [
        { kind: 'held', count: Math.max(0, run.held - run.stuck) },
        { kind: 'stuck', count: run.stuck },
        { kind: 'failed', count: run.failed },
    ];
    return all.filter((each) => each.count > 0);
}
