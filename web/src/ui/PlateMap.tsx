import type { Schemas } from '../api/client';
import { say } from '../words/say';

type Mark = Schemas['PlateMark'];
type Map = { widthMm: number; depthMm: number; round: boolean; places: { place: number; x: number; y: number }[] };

const SHAPE: Record<Schemas['MarkKind'], string> = {
    failed: 'M-5 -5L5 5M5 -5L-5 5',
    damage: 'M0 -6L6 5H-6Z',
    torn: 'M-6 -3Q-3 -7 0 -3T6 -3M-6 3Q-3 -1 0 3T6 3',
};

const WORDS: Record<Schemas['MarkKind'], string> = { failed: say('ui.mark_failed'), damage: say('ui.mark_damage'), torn: say('ui.mark_torn') };

const SIZE = 300;

/** A plate from above, its front at the bottom, with the places of its parts and what was marked on it. */
export function PlateMap({ map, marks, label, narrow = false, onTouch }: { map: Map; marks: Mark[]; label: string; narrow?: boolean; /** None: it is only looked at. */ onTouch?: (x: number, y: number) => void }) {
    const depth = Math.round((SIZE * map.depthMm) / Math.max(1, map.widthMm));
    const at = (x: number, y: number) => `translate(${x * SIZE} ${(1 - y) * depth})`;
    return (
        <svg
            viewBox={`-8 -8 ${SIZE + 16} ${depth + 16}`}
            className={`w-full ${narrow ? 'max-w-56' : 'max-w-80'} ${onTouch ? 'cursor-crosshair' : ''}`}
            role="img"
            aria-label={label}
            onClick={(event) => {
                if (!onTouch) return;
                const box = event.currentTarget.getBoundingClientRect();
                const scale = (SIZE + 16) / box.width;
                const x = ((event.clientX - box.left) * scale - 8) / SIZE;
                const y = 1 - ((event.clientY - box.top) * scale - 8) / depth;
                onTouch(Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y)));
            }}
        >
            {map.round ? <ellipse cx={SIZE / 2} cy={depth / 2} rx={SIZE / 2} ry={depth / 2} className="fill-well stroke-strong" strokeWidth="2" /> : <rect width={SIZE} height={depth} rx="6" className="fill-well stroke-strong" strokeWidth="2" />}
            {map.places.map(({ place, x, y }) => (
                <g key={place} transform={at(x, y)}>
                    <rect x="-13" y="-13" width="26" height="26" rx="3" className="fill-sheet stroke-line" strokeWidth="1.5" />
                    <text textAnchor="middle" dy="5" className="fill-soft text-[13px]">
                        {place}
                    </text>
                </g>
            ))}
            {marks.map((mark) => (
                <g key={mark.id} transform={at(mark.x, mark.y)} className="stroke-fault">
                    <circle r="10" className="fill-sheet opacity-80" stroke="none" />
                    <path d={SHAPE[mark.kind]} fill="none" strokeWidth="2.6" strokeLinecap="round" strokeLinejoin="round" />
                </g>
            ))}
        </svg>
    );
}

/** What the shapes on the map stand for. */
export function MarkKey({ kinds }: { kinds: Schemas['MarkKind'][] }) {
    return (
        <ul className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
            {kinds.map((kind) => (
                <li key={kind} className="flex items-center gap-1.5">
                    <svg viewBox="-9 -9 18 18" className="size-5 stroke-fault" aria-hidden>
                        <path d={SHAPE[kind]} fill="none" strokeWidth="2.6" strokeLinecap="round" strokeLinejoin="round" />
                    </svg>
                    {WORDS[kind]}
                </li>
            ))}
        </ul>
    );
}
