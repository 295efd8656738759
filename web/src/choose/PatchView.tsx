import { useId } from 'react';

import type { Schemas } from '../api/client';
import { useQuantity } from '../ui/quantity';
import { say, tell } from '../words/say';

const SIZE = 208;
const PAD = 14;

/** A place in the drawing, to a hundredth of a point. */
const fine = (points: number) => Math.round(100 * points) / 100;

/** The contact patch as the plate sees it, from below: left and right are exchanged. */
export function PatchView({ shape }: { shape: Schemas['PartReading'] }) {
    const hatch = useId();
    const length = useQuantity('length');
    const area = useQuantity('area');
    const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = shape.extentMm;
    const scale = (SIZE - 2 * PAD) / Math.max(x1 - x0, y1 - y0, 0.1);
    const height = Math.max(60, (y1 - y0) * scale + 2 * PAD + 18);
    const left = (SIZE - (x1 - x0) * scale) / 2;
    const x = (mm: number) => left + (x1 - mm) * scale;
    const y = (mm: number) => PAD + (y1 - mm) * scale;
    const path = shape.outlines.map((line) => `M${line.map(([px = 0, py = 0]) => `${fine(x(px))} ${fine(y(py))}`).join('L')}Z`).join('');
    // The longest round bar that still leaves room for its figure.
    const bar = length.ticks(0, SIZE / 3 / scale, 2).at(-1) ?? 0;
    return (
        <figure className="m-0">
            <svg role="img" aria-label={say('choose.contact_patch_from_below_in_islands', { contactAreaMm2: area.text(shape.contactAreaMm2), islands: shape.islands, sharpCorners: shape.sharpCorners.length, thinEnds: shape.thinEnds.length })} width={SIZE} height={height} className="block rounded-sm bg-well">
                <defs>
                    <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                        <rect width="7" height="7" fill="var(--accent-wash)" />
                        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--accent)" strokeWidth="1" opacity="0.5" />
                    </pattern>
                </defs>
                <path d={path} fillRule="evenodd" fill={`url(#${hatch})`} stroke="var(--accent)" strokeWidth={1.5} />
                {shape.sharpCorners.slice(0, 60).map((corner, i) => (
                    <path key={i} transform={`translate(${x(corner.xMm)} ${y(corner.yMm)})`} d="M0 -4.5L4 3H-4Z" fill="var(--fault)" />
                ))}
                {shape.thinEnds.slice(0, 60).map((end, i) => (
                    <circle key={i} cx={x(end.xMm)} cy={y(end.yMm)} r={8} fill="none" stroke="var(--brass)" strokeWidth={2.5} strokeDasharray="4 2" />
                ))}
                <g transform={`translate(${PAD} ${height - 7})`}>
                    <path d={`M0 -4V0H${bar * scale}V-4`} fill="none" stroke="var(--ink)" strokeWidth={1.3} />
                    <text x={bar * scale + 5} y={1} className="fill-ink text-[11px]">{length.text(bar)}</text>
                </g>
            </svg>
            <figcaption className="mt-1 text-sm text-soft">{tell('choose.from_below_sharp_corner_thin_end', { span: <span className="text-fault">▲</span>, span2: <span className="text-brass">◌</span> })}</figcaption>
        </figure>
    );
}

const THUMB = 26;

/** The patch so small that it stands in a line of words. */
export function PatchThumb({ shape }: { shape: Schemas['PartReading'] }) {
    const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = shape.extentMm;
    const scale = (THUMB - 4) / Math.max(x1 - x0, y1 - y0, 0.1);
    const path = shape.outlines.map((line) => `M${line.map(([px = 0, py = 0]) => `${fine(2 + (x1 - px) * scale)} ${fine(2 + (y1 - py) * scale)}`).join('L')}Z`).join('');
    const width = Math.max(10, (x1 - x0) * scale + 4);
    const height = Math.max(8, (y1 - y0) * scale + 4);
    return (
        <svg aria-hidden width={width} height={height} className="mr-1.5 inline-block align-middle">
            <path d={path} fillRule="evenodd" fill="var(--accent-wash)" stroke="var(--accent)" strokeWidth={1.5} />
        </svg>
    );
}
