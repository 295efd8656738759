import { scaleLinear } from 'd3-scale';

import type { Schemas } from '../api/client';
import { useQuantity } from '../ui/quantity';
import { useWidth } from '../ui/useWidth';
import { say } from '../words/say';

const ROW = 46;
const TOP = 30;
const LEFT = 64;

type Setup = Schemas['JudgedSetup'];

/** All pulls of one kind, a row a setup: dots for readings, arrows for lower bounds, brackets for the bounds that decide, the limit as a line. */
export function PullPlot({ title, setups, pick, limitN, side }: { title: string; setups: Setup[]; pick: (setup: Setup) => Setup['hotPull']; limitN: number; side: 'above' | 'below' }) {
    const force = useQuantity('force');
    const [ref, width] = useWidth(420);
    const values = setups.flatMap((setup) => [...pick(setup).readings.map((reading) => reading.valueN), ...bounds(pick(setup))]);
    const x = scaleLinear([0, Math.max(limitN * 1.35, ...values) * 1.06], [LEFT, width - 10]);
    const height = TOP + setups.length * ROW + 24;
    const good = side === 'above' ? { from: x(limitN), to: width - 10 } : { from: LEFT, to: x(limitN) };
    return (
        <figure className="min-w-0" ref={ref}>
            <figcaption className="mb-1 font-[650]">
                {title}, {force.symbol}
            </figcaption>
            <svg width={width} height={height} className="block" role="img" aria-label={say('judge.limit', { title, setups: setups.map((setup) => `${setup.label} ${summary(pick(setup), force.text)}`).join('; '), limitN: force.text(limitN) })}>
                <rect x={good.from} y={TOP - 6} width={Math.max(0, good.to - good.from)} height={setups.length * ROW + 6} fill="var(--sound-wash)" />
                {force.ticks(0, x.domain()[1] ?? 0, width < 400 ? 5 : 7).map((tick) => (
                    <g key={tick}>
                        <line x1={x(tick)} x2={x(tick)} y1={TOP - 6} y2={height - 24} stroke="var(--line)" />
                        <text x={x(tick)} y={height - 8} textAnchor="middle" className="fill-soft text-[13px]">
                            {force.bare(tick)}
                        </text>
                    </g>
                ))}
                {setups.map((setup, i) => {
                    const pull = pick(setup);
                    const y = TOP + i * ROW + ROW / 2;
                    return (
                        <g key={setup.id}>
                            <text x={2} y={y + 1} className="fill-ink text-[18px] font-[650]">
                                {setup.label}
                            </text>
                            <text x={2} y={y + 16} className={setup.held < setup.heldRuns ? 'fill-fault text-[13px] font-[650]' : 'fill-soft text-[13px]'}>
                                {say('judge.held', { held: setup.held, heldRuns: setup.heldRuns })}</text>
                            {bounds(pull).length > 0 ? <path d={bracket(pull, x, y + 9, x.range()[1] ?? 0)} fill="none" stroke="var(--ink)" strokeWidth={2} /> : null}
                            {pull.meanN === null ? null : <path d={`M${x(pull.meanN)} ${y + 3}l6 6l-6 6l-6 -6Z`} fill="var(--ink)" />}
                            {pull.readings.map((reading, at) =>
                                reading.atLeast ? (
                                    <path key={at} d={`M${x(reading.valueN)} ${y - 8}h14m-5 -4l5 4l-5 4`} fill="none" stroke="var(--brass)" strokeWidth={2} />
                                ) : pull.uneven && (side === 'above' ? reading.valueN < limitN : reading.valueN > limitN) ? (
                                    <path key={at} d={`M${x(reading.valueN) - 4.5} ${y - 12}l9 9m0 -9l-9 9`} stroke="var(--fault)" strokeWidth={2.4} />
                                ) : (
                                    <circle key={at} cx={x(reading.valueN)} cy={y - 8 + (at % 2) * 5} r={4.2} fill="var(--accent)" stroke="var(--sheet)" strokeWidth={1} />
                                ),
                            )}
                            {pull.n === 0 ? (
                                <text x={LEFT + 8} y={y + 5} className="fill-soft text-[14px]">{say('judge.no_readings_yet')}</text>
                            ) : null}
                            <line x1={LEFT} x2={width - 10} y1={TOP + (i + 1) * ROW} y2={TOP + (i + 1) * ROW} stroke="var(--line)" />
                        </g>
                    );
                })}
                <line x1={x(limitN)} x2={x(limitN)} y1={TOP - 8} y2={height - 24} stroke="var(--fault)" strokeWidth={2.5} />
                <text x={x(limitN)} y={TOP - 13} textAnchor="middle" className="fill-fault text-[13px] font-[650]">
                    {side === 'above' ? say('judge.at_least') : say('judge.at_most')} {force.bare(limitN)}
                </text>
            </svg>
        </figure>
    );
}

/** The bounds that decide, as far as there are any. */
function bounds(pull: Setup['hotPull']): number[] {
    return [pull.boundsN?.low ?? null, pull.boundsN?.high ?? null].filter((n): n is number => n !== null);
}

/** From bound to bound; open where one side has none. */
function bracket(pull: Setup['hotPull'], x: (n: number) => number, y: number, end: number): string {
    const low = pull.boundsN?.low ?? null;
    const high = pull.boundsN?.high ?? null;
    const from = x(Math.max(0, low ?? 0));
    const to = high === null ? end : x(Math.max(0, high));
    return `M${from} ${y}H${to}${low === null ? '' : `M${from} ${y - 6}v12`}${high === null ? '' : `M${to} ${y - 6}v12`}`;
}

function summary(pull: Setup['hotPull'], text: (n: number) => string): string {
    return pull.meanN === null ? (pull.reason ?? '') : say('judge.mean_of', { meanN: text(pull.meanN), n: pull.n });
}
