import { useSession } from '../api/queries';
import type { Schemas } from '../api/client';

export type Kind = 'temperature' | 'force' | 'length';

type Unit = { symbol: Schemas['Unit']; show: (stored: number) => number; store: (shown: number) => number; digits: number };

const UNITS: Record<Kind, Unit[]> = {
    temperature: [
        { symbol: '°C', show: (c) => c, store: (c) => c, digits: 0 },
        { symbol: '°F', show: (c) => c * 1.8 + 32, store: (f) => (f - 32) / 1.8, digits: 0 },
    ],
    force: [
        { symbol: 'N', show: (n) => n, store: (n) => n, digits: 1 },
        { symbol: 'kgf', show: (n) => n / 9.80665, store: (k) => k * 9.80665, digits: 2 },
        { symbol: 'lbf', show: (n) => n / 4.4482216152605, store: (p) => p * 4.4482216152605, digits: 2 },
    ],
    length: [
        { symbol: 'mm', show: (mm) => mm, store: (mm) => mm, digits: 2 },
        { symbol: 'in', show: (mm) => mm / 25.4, store: (inch) => inch * 25.4, digits: 3 },
    ],
};

export type Quantity = { symbol: Schemas['Unit']; text: (stored: number, digits?: number) => string; bare: (stored: number, digits?: number) => string; show: (stored: number) => number; store: (shown: number) => number };

/** Shows a stored figure in the unit that the reader prefers. */
export function useQuantity(kind: Kind): Quantity {
    const preferred = useSession().preferences[kind];
    const unit = UNITS[kind].find((each) => each.symbol === preferred) ?? UNITS[kind][0];
    if (!unit) throw new Error('a kind has units');
    const bare = (stored: number, digits = unit.digits) => unit.show(stored).toLocaleString(undefined, { minimumFractionDigits: 0, maximumFractionDigits: digits });
    return { symbol: unit.symbol, bare, text: (stored, digits) => `${bare(stored, digits)}\u00a0${unit.symbol}`, show: unit.show, store: unit.store };
}

/** A first-layer gap: what it is set with, and how wide that is where it is known. */
export function useGap(): (setting: { gapMm: number | null; feeler: string }) => string {
    const length = useQuantity('length');
    return ({ gapMm, feeler }) => (gapMm === null ? feeler : `${length.text(gapMm)}, ${feeler}`);
}

export function percent(share: number): string {
    return `${Math.round(share * 100)}\u00a0%`;
}

export function day(iso: string): string {
    return new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
}

export function moment(iso: string): string {
    return new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
}

export function duration(minutes: number): string {
    const whole = Math.round(minutes);
    return whole < 90 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`;
}
