import type { Schemas } from '../api/client';
import { say } from '../words/say';

type Map = Schemas['SideCare']['map'];

const SIZE = 360;

/** The plate from above, its front at the bottom: how often each field was printed on, the darker the more; the coat under it, and where the next part goes. */
export function SpotPicture({ map, coated, label }: { map: Map; coated: boolean; label: string }) {
    const depth = Math.round((SIZE * map.depthMm) / Math.max(1, map.widthMm));
    const [width, height] = [SIZE / map.columns, depth / map.rows];
    const most = Math.max(1, ...map.fields.map((field) => field.prints));
    return (
        <svg viewBox={`-4 -4 ${SIZE + 8} ${depth + 22}`} className="w-full" role="img" aria-label={label}>
            <defs>
                <clipPath id="plate">{map.round ? <ellipse cx={SIZE / 2} cy={depth / 2} rx={SIZE / 2} ry={depth / 2} /> : <rect width={SIZE} height={depth} rx="6" />}</clipPath>
            </defs>
            <g clipPath="url(#plate)">
                <rect width={SIZE} height={depth} className="fill-well" />
                {map.fields.map((field) => {
                    const [x, y] = [field.x * SIZE - width / 2, (1 - field.y) * depth - height / 2];
                    return (
                        <g key={`${field.x}/${field.y}`}>
                            <rect x={x + 1} y={y + 1} width={width - 2} height={height - 2} fill="var(--accent)" opacity={0.05 + (0.55 * field.prints) / most} />
                            <text x={x + width / 2} y={y + height / 2 + (coated ? 0 : 5)} textAnchor="middle" className="fill-ink text-[15px] font-[650]">
                                {field.prints}
                            </text>
                            {coated ? (
                                <text x={x + width / 2} y={y + height / 2 + 16} textAnchor="middle" className="fill-ink text-[11px]">
                                    {field.torn ? say('care.torn') : field.onCoat > 0 ? say('care.on_coat_short', { prints: field.onCoat }) : ''}
                                </text>
                            ) : null}
                            {field.damaged ? <path d={`M${x + 8} ${y + 8}l12 12m0 -12l-12 12`} stroke="var(--fault)" strokeWidth="3" strokeLinecap="round" /> : null}
                        </g>
                    );
                })}
                {map.next ? <rect x={map.next.x * SIZE - width / 2 + 3} y={(1 - map.next.y) * depth - height / 2 + 3} width={width - 6} height={height - 6} rx="3" fill="none" stroke="var(--sound)" strokeWidth="3.5" strokeDasharray="8 5" /> : null}
            </g>
            {map.round ? <ellipse cx={SIZE / 2} cy={depth / 2} rx={SIZE / 2} ry={depth / 2} fill="none" className="stroke-strong" strokeWidth="2.5" /> : <rect width={SIZE} height={depth} rx="6" fill="none" className="stroke-strong" strokeWidth="2.5" />}
            <text x={SIZE / 2} y={depth + 15} textAnchor="middle" className="fill-soft text-[12px]">
                {say('care.front')}
            </text>
        </svg>
    );
}
