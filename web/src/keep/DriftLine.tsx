import { scaleLinear } from 'd3-scale';

import type { Schemas } from '../api/client';
import { say } from '../words/say';

const WIDTH = 560;
const HEIGHT = 64;

type Drift = NonNullable<Schemas['Profile']['drift']>;

const DASHES: Record<Drift['charts'][number]['kind'], string> = { hold: '', release: '5 4', effort: '1 4', hot_pull: '', cold_pull: '5 4' };
/** Prints and pulls are counted apart: each has its own line of them. */
const GROUPS: Drift['charts'][number]['kind'][][] = [
    ['hold', 'release', 'effort'],
    ['hot_pull', 'cold_pull'],
];

/** The watch over a profile: how far each print for use and each pull since has moved it towards the limit. */
export function DriftLine({ drift }: { drift: Drift }) {
    const more = drift.charts.filter((chart) => !['hold', 'release'].includes(chart.kind) && chart.sentence !== drift.sentence);
    return (
        <div className="mt-2 max-w-2xl text-base">
            <p className={drift.drifted ? 'font-[650] text-fault' : ''}>{drift.sentence}</p>
            {GROUPS.map((kinds) => {
                const charts = drift.charts.filter((chart) => kinds.includes(chart.kind) && chart.path.length > 0);
                return charts.length > 0 ? <Sums key={kinds[0]} charts={charts} limit={drift.limit} /> : null;
            })}
            {more.length > 0 ? (
                <ul className="mt-1 text-sm text-soft">
                    {more.map((chart) => (
                        <li key={chart.kind}>{chart.sentence}</li>
                    ))}
                </ul>
            ) : null}
        </div>
    );
}

function Sums({ charts, limit }: { charts: Drift['charts']; limit: number }) {
    const longest = Math.max(1, ...charts.map((chart) => chart.path.length - 1));
    const x = scaleLinear([0, longest], [4, WIDTH - 96]);
    const y = scaleLinear([0, Math.max(limit * 1.2, ...charts.flatMap((chart) => chart.path))], [HEIGHT - 6, 6]);
    return (
        <>
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-1 w-full" role="img" aria-label={charts.map((chart) => chart.sentence).join(' ')}>
                <line x1={0} x2={WIDTH - 90} y1={y(limit)} y2={y(limit)} stroke="var(--fault)" strokeWidth="1.5" strokeDasharray="2 3" />
                <text x={WIDTH - 86} y={y(limit) + 4} className="fill-fault text-[12px]">
                    {say('keep.drifted_limit')}
                </text>
                <line x1={0} x2={WIDTH - 90} y1={y(0)} y2={y(0)} stroke="var(--line-strong)" />
                {charts.map((chart) => (
                    <g key={chart.kind}>
                        <polyline points={chart.path.map((value, i) => `${x(i)},${y(value)}`).join(' ')} fill="none" stroke="var(--accent)" strokeWidth="2" strokeDasharray={DASHES[chart.kind]} />
                        <circle cx={x(chart.path.length - 1)} cy={y(chart.path[chart.path.length - 1] ?? 0)} r="3" fill="var(--accent)" />
                    </g>
                ))}
            </svg>
            <p className="flex flex-wrap gap-x-5 text-sm text-soft">
                {charts.map((chart) => (
                    <span key={chart.kind} className="flex items-center gap-2">
                        <svg viewBox="0 0 28 4" className="w-7" aria-hidden>
                            <line x1={0} x2={28} y1={2} y2={2} stroke="var(--accent)" strokeWidth="2" strokeDasharray={DASHES[chart.kind]} />
                        </svg>
                        {say(`keep.watched_${chart.kind}`)}
                    </span>
                ))}
            </p>
        </>
    );
}
