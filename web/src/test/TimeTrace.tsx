import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

import type { useQuantity } from '../ui/quantity';
import { say } from '../words/say';

const BOX = { width: 640, height: 150, left: 40, bottom: 20 };

/** What a device has shown until now, over the seconds, with the line that matters. */
export function TimeTrace({ samples, label, quantity, range, seconds, limit, mark }: { samples: number[][]; label: string; quantity: ReturnType<typeof useQuantity>; range: [number, number]; /** At least so long. */ seconds: number; limit: { at: number; words: string } | null; /** Dashed. */ mark: number | null }) {
    const points = samples.map(([time, value]) => [time ?? 0, value ?? 0] as const);
    const x = scaleLinear([0, Math.max(1000 * seconds, points[points.length - 1]?.[0] ?? 0)], [BOX.left, BOX.width - 8]);
    const y = scaleLinear(range, [BOX.height - BOX.bottom, 8]);
    const path = line<readonly [number, number]>(
        (point) => x(point[0]),
        (point) => y(point[1]),
    )(points);
    return (
        <svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} className="w-full max-w-2xl border border-line bg-well" role="img" aria-label={label}>
            {quantity.ticks(range[0], range[1], 4).map((tick) => (
                <g key={tick}>
                    <line x1={BOX.left} x2={BOX.width - 8} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
                    <text x={BOX.left - 6} y={y(tick) + 4} textAnchor="end" className="fill-soft text-[12px]">
                        {quantity.bare(tick)}
                    </text>
                </g>
            ))}
            {limit === null ? null : (
                <g>
                    <line x1={BOX.left} x2={BOX.width - 8} y1={y(limit.at)} y2={y(limit.at)} stroke="var(--ink)" strokeWidth={1.5} />
                    <text x={BOX.width - 12} y={y(limit.at) - 5} textAnchor="end" className="fill-ink text-[12px] font-[650]">
                        {limit.words}
                    </text>
                </g>
            )}
            {path ? <path d={path} fill="none" stroke="var(--accent)" strokeWidth={2.5} /> : null}
            {mark === null ? null : <line x1={BOX.left} x2={BOX.width - 8} y1={y(mark)} y2={y(mark)} stroke="var(--brass)" strokeDasharray="6 4" strokeWidth={1.5} />}
            <text x={BOX.width - 8} y={BOX.height - 5} textAnchor="end" className="fill-soft text-[12px]">
                {say('test.s', { v: Math.round((x.domain()[1] ?? 0) / 100) / 10 })}
            </text>
        </svg>
    );
}
