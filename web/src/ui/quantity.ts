import { scaleLinear } from 'd3-scale';

import { useSession } from '../api/queries';
import type { Schemas } from '../api/client';

export type Kind = 'temperature' | 'force' | 'length';

/** Of one unit: its symbol, the way to and from what is stored, the decimals of a figure, and how many decimals it wants beyond what is stored. */
type Unit<S extends string> = { symbol: S; show: (stored: number) => number; store: (shown: number) => number; digits: number; finer: number };

const times = <S extends string>(symbol: S, size: number, digits: number, finer: number): Unit<S> => ({ symbol, show: (n) => n / size, store: (n) => n * size, digits, finer });

const UNITS: Record<Kind, Unit<Schemas['Unit']>[]> = {
    temperature: [times('°C', 1, 0, 0), { symbol: '°F', show: (c) => c * 1.8 + 32, store: (f) => (f - 32) / 1.8, digits: 0, finer: 0 }],
    force: [times('N', 1, 1, 0), times('kgf', 9.80665, 2, 1), times('lbf', 4.4482216152605, 2, 1)],
    length: [times('mm', 1, 2, 0), times('in', 25.4, 3, 2)],
};
const AREAS = [times('mm²', 1, 0, 0), times('in²', 645.16, 3, 3)] as const;
const STRESSES = [times('MPa', 1, 2, 0), times('psi', 0.006894757293168, 0, -2)] as const;

export type Quantity<S extends string = Schemas['Unit']> = {
    symbol: S;
    /** Decimals are counted in the unit that is stored; another gets as many as say the same. */
    text: (stored: number, digits?: number) => string;
    bare: (stored: number, digits?: number) => string;
    show: (stored: number) => number;
    store: (shown: number) => number;
    /** Stored figures between two others that are round in the reader's unit, for an axis. */
    ticks: (low: number, high: number, count: number) => number[];
};

function quantity<S extends string>(unit: Unit<S>): Quantity<S> {
    const bare = (stored: number, digits?: number) =>
        unit.show(stored).toLocaleString(undefined, { minimumFractionDigits: 0, maximumFractionDigits: Math.max(0, digits === undefined ? unit.digits : digits + unit.finer) });
    return {
        symbol: unit.symbol,
        bare,
        text: (stored, digits) => `${bare(stored, digits)}\u00a0${unit.symbol}`,
        show: unit.show,
        store: unit.store,
        ticks: (low, high, count) => scaleLinear([unit.show(low), unit.show(high)], [0, 1]).ticks(count).map(unit.store),
    };
}

/** Shows a stored figure in the unit that the reader prefers. */
export function useQuantity(kind: Kind): Quantity {
    const preferred = useSession().preferences[kind];
    const unit = UNITS[kind].find((each) => each.symbol === preferred) ?? UNITS[kind][0];
    if (!unit) throw new Error('a kind has units');
    return quantity(unit);
}

/** An area, for whoever reads lengths in millimetres or in inches. */
export function useArea(): Quantity<string> {
    return quantity<string>(AREAS[useSession().preferences.length === 'in' ? 1 : 0]);
}

/** A stress, for whoever reads a gauge in newtons or in pounds. */
export function useStress(): Quantity<string> {
    return quantity<string>(STRESSES[useSession().preferences.force === 'lbf' ? 1 : 0]);
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
