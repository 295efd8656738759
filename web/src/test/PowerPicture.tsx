import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useId } from 'react';

import type { Schemas } from '../api/client';
import { useFigures } from '../ui/quantity';
import { useWidth } from '../ui/useWidth';
import { say } from '../words/say';

type Question = Schemas['PlanChances']['questions'][number];
type Point = Question['curve'][number];

const HEIGHT = 132;
const BASE = HEIGHT - 22;
/** What succeeds in fewer runs is refused anyhow, and need not be drawn. */
const FROM_SHARE = 0.3;

/** How a setup of each quality would fare: passed from below, refused from above, and between them not yet known. */
export function PowerPicture({ question, share }: { question: Question; /** That is asked for. */ share: number | null }) {
    const [ref, width] = useWidth(250);
    const pattern = useId();
    const figure = useFigures();
    const byShare = question.by === 'share';
    const points = byShare ? question.curve.filter((each) => each.truth >= FROM_SHARE) : question.curve;
    const x = scaleLinear([points[0]?.truth ?? 0, points[points.length - 1]?.truth ?? 1], [0, width]);
    const y = scaleLinear([0, 1], [BASE, 6]);
    const passes = area<Point>().x((each) => x(each.truth)).y0(BASE).y1((each) => y(each.passes));
    const refused = area<Point>().x((each) => x(each.truth)).y0(y(1)).y1((each) => y(1 - each.refuted));
    const edge = line<Point>().x((each) => x(each.truth)).y((each) => y(each.passes));
    const limit = byShare ? share : 0;
    return (
        <figure ref={ref} className="min-w-0">
            <svg role="img" aria-label={question.sees} width={width} height={HEIGHT} className="block overflow-visible">
                <defs>
                    <pattern id={pattern} width="6" height="6" patternUnits="userSpaceOnUse">
                        <path d="M0 0L6 6M6 0L0 6" stroke="var(--fault)" strokeWidth="0.8" />
                    </pattern>
                </defs>
                <rect x={0} y={y(1)} width={width} height={BASE - y(1)} fill="var(--well)" />
                <path d={refused(points) ?? ''} fill={`url(#${pattern})`} />
                <path d={passes(points) ?? ''} fill="var(--accent-wash)" />
                <path d={edge(points) ?? ''} fill="none" stroke="var(--accent)" strokeWidth={2} />
                <line x1={0} x2={width} y1={BASE} y2={BASE} stroke="var(--line-strong)" />
                {limit === null ? null : <line x1={x(limit)} x2={x(limit)} y1={y(1)} y2={BASE} stroke="var(--ink)" strokeDasharray="3 3" />}
                <text x={6} y={y(1) + 16} fontSize={12} fontWeight={650} fill="var(--fault)" stroke="var(--well)" strokeWidth={4} paintOrder="stroke">
                    {say('test.power_refused')}
                </text>
                <text x={width - 6} y={BASE - 8} fontSize={12} fontWeight={650} textAnchor="end" fill="var(--accent)">
                    {say('test.power_passes')}
                </text>
                <text x={0} y={HEIGHT - 6} fontSize={12} fill="var(--ink-soft)">
                    {byShare ? figure('share').text(points[0]?.truth ?? 0) : say('test.power_misses')}
                </text>
                {limit === null ? null : (
                    <text x={x(limit)} y={HEIGHT - 6} fontSize={12} textAnchor="middle" fill="var(--ink)">
                        {byShare ? figure('share').text(limit) : say('test.power_limit')}
                    </text>
                )}
                <text x={width} y={HEIGHT - 6} fontSize={12} textAnchor="end" fill="var(--ink-soft)">
                    {byShare ? figure('share').text(1) : say('test.power_beyond')}
                </text>
            </svg>
        </figure>
    );
}
