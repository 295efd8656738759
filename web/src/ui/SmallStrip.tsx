import { scaleLinear } from 'd3-scale';

import { say } from '../words/say';
import { useQuantity } from './quantity';

const WIDTH = 260;
const TOP = 6;
const BASE = 18;

/** The seat strip in small, for a line of a list: window, what to dial, and where the part comes off. */
export function SmallStrip({ label, lowC, highC, releaseC, setC }: { label: string; lowC: number; highC: number; releaseC: number | null; setC: number | null }) {
    const temperature = useQuantity('temperature');
    // The same scale in every line, so that one look compares them.
    const x = scaleLinear([15, 125], [0, WIDTH]).clamp(true);
    return (
        <svg role="img" width={WIDTH} height={32} className="mt-1 block overflow-visible" aria-label={say('ui.small_strip', { label, low: temperature.text(lowC), high: temperature.text(highC), setIsNull: setC === null, set: setC === null ? '' : temperature.text(setC), releaseIsNull: releaseC === null, release: releaseC === null ? '' : temperature.text(releaseC) })}>
            <line x1={0} x2={WIDTH} y1={BASE} y2={BASE} stroke="var(--line-strong)" />
            <path d={`M${x(lowC)} ${BASE}V${TOP + 3}q0 -3 3 -3H${x(highC) - 3}q3 0 3 3V${BASE}Z`} fill="var(--accent-wash)" stroke="var(--accent)" strokeWidth={1.8} />
            {releaseC === null ? null : <path transform={`translate(${x(releaseC)} ${BASE})`} d="M0 -1V-12M-3.5 -8.5L0 -13L3.5 -8.5" fill="none" stroke="var(--brass)" strokeWidth={2} />}
            {setC === null ? null : (
                <>
                    <path transform={`translate(${x(setC)} ${BASE})`} d="M0 1L-4 7H4Z" fill="var(--ink)" />
                    <text x={x(setC) + 7} y={BASE + 12} className="fill-ink text-[12px] font-[650]">{temperature.bare(setC)}</text>
                </>
            )}
        </svg>
    );
}
