import { scaleLinear } from 'd3-scale';

import type { Schemas } from '../api/client';
import { say } from '../words/say';

const WIDTH = 560;
const HEIGHT = 64;

/** The watch over a profile: how far each print for use has moved it towards the limit. */
export function DriftLine({ drift }: { drift: NonNullable<Schemas['Profile']['drift']> }) {
    const lines = [
        { path: drift.held, words: say('keep.holding'), dash: '' },
        { path: drift.released, words: say('keep.letting_go'), dash: '4 4' },
    ];
    const longest = Math.max(1, ...lines.map((line) => line.path.length - 1));
    const x = scaleLinear([0, longest], [4, WIDTH - 96]);
    const y = scaleLinear([0, Math.max(drift.limit * 1.2, ...drift.held, ...drift.released)], [HEIGHT - 6, 6]);
    return (
        <div className="mt-2 max-w-2xl text-base">
            <p className={drift.drifted ? 'font-[650] text-fault' : ''}>{drift.sentence}</p>
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-1 w-full" role="img" aria-label={drift.sentence}>
                <line x1={0} x2={WIDTH - 90} y1={y(drift.limit)} y2={y(drift.limit)} stroke="var(--fault)" strokeWidth="1.5" strokeDasharray="2 3" />
                <text x={WIDTH - 86} y={y(drift.limit) + 4} className="fill-fault text-[12px]">
                    {say('keep.drifted_limit')}
                </text>
                <line x1={0} x2={WIDTH - 90} y1={y(0)} y2={y(0)} stroke="var(--line-strong)" />
                {lines.map((line) => (
                    <g key={line.words}>
                        <polyline points={line.path.map((value, i) => `${x(i)},${y(value)}`).join(' ')} fill="none" stroke="var(--accent)" strokeWidth="2" strokeDasharray={line.dash} />
                    </g>
                ))}
            </svg>
            <p className="flex gap-5 text-sm text-soft">
                {lines.map((line) => (
                    <span key={line.words} className="flex items-center gap-2">
                        <svg viewBox="0 0 28 4" className="w-7" aria-hidden>
                            <line x1={0} x2={28} y1={2} y2={2} stroke="var(--accent)" strokeWidth="2" strokeDasharray={line.dash} />
                        </svg>
                        {line.words}
                    </span>
                ))}
            </p>
        </div>
    );
}
