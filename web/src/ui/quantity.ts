import { ticks } from 'd3-array';

import type { Schemas } from '../api/client';
import { useSession } from '../api/queries';
import { locale, say } from '../words/say';

export type FigureName = keyof Schemas['Figures'];

export type Quantity = {
    symbol: string;
    text: (stored: number) => string;
    /** Without its unit. */
    bare: (stored: number) => string;
    /** Of a difference: without an offset. */
    difference: (stored: number) => string;
    show: (stored: number) => number;
    store: (shown: number) => number;
    /** Stored figures between two others that are round in the reader's unit, for an axis. */
    ticks: (low: number, high: number, count: number) => number[];
};

const formats = new Map<string, Intl.NumberFormat>();

function format(decimals: number, zeros: boolean): Intl.NumberFormat {
    const key = `${decimals}${zeros ? 'z' : ''}`;
    const known = formats.get(key);
    if (known) return known;
    const made = new Intl.NumberFormat(locale(), { minimumFractionDigits: zeros ? decimals : 0, maximumFractionDigits: decimals, signDisplay: 'negative' });
    formats.set(key, made);
    return made;
}

/** A number in the person's locale, as finely as the server says. */
function figure(value: number, { decimals, zeros }: Schemas['Figure']): string {
    const ten = 10 ** Math.max(0, -decimals);
    return format(Math.max(0, decimals), zeros).format(ten === 1 ? value : Math.round(value / ten) * ten);
}

function quantity(shown: Schemas['Figure']): Quantity {
    const { symbol, factor, offset } = shown;
    const show = (stored: number) => factor * stored + offset;
    const store = (read: number) => (read - offset) / factor;
    const bare = (stored: number) => figure(show(stored), shown);
    return {
        symbol,
        bare,
        text: (stored) => (symbol === '' ? bare(stored) : `${bare(stored)}\u00a0${symbol}`),
        difference: (stored) => figure(factor * stored, shown),
        show,
        store,
        ticks: (low, high, count) => ticks(show(low), show(high), count).map(store),
    };
}

/** Shows a stored figure in the unit, and as finely, as the server says for whoever reads. */
export function useQuantity(name: FigureName): Quantity {
    return quantity(useSession().figures[name]);
}

/** The same for several kinds. */
export function useFigures(): (name: FigureName) => Quantity {
    const { figures } = useSession();
    return (name) => quantity(figures[name]);
}

/** From one share to another. */
export function useShares(): (range: number[]) => string {
    const share = useQuantity('share');
    return ([low = 0, high = 1]) => say('unit.share_range', { from: share.bare(low), to: share.bare(high), symbol: share.symbol });
}

/** What a setup is set to, as it is said of it: the exposure of a resin, else the bed. */
export function useSetting(): (setting: { bedC: number | null; exposureS: number | null }) => string {
    const figure = useFigures();
    return ({ bedC, exposureS }) => (exposureS !== null ? say('unit.seconds', { figure: figure('count').bare(exposureS) }) : bedC === null ? say('test.bed_unheated') : figure('temperature').text(bedC));
}

/** A first-layer gap: what it is set with, and how wide that is where it is known. */
export function useGap(): (setting: { gapMm: number | null; feeler: string }) => string {
    const length = useQuantity('length');
    return ({ gapMm, feeler }) => (gapMm === null ? feeler : `${length.text(gapMm)}, ${feeler}`);
}

export function day(iso: string): string {
    // A date without a time is the same day everywhere.
    return new Intl.DateTimeFormat(locale(), { dateStyle: 'medium', ...(iso.length === 10 ? { timeZone: 'UTC' } : {}) }).format(new Date(iso));
}

export function moment(iso: string): string {
    return new Intl.DateTimeFormat(locale(), { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso));
}

/** As long as somebody waits: seconds, minutes, or hours and minutes. */
export function duration(minutes: number): string {
    const seconds = 60 * minutes;
    if (seconds < 119.5) return say('unit.seconds', { figure: format(0, false).format(seconds) });
    if (seconds < 600) return say('unit.minutes', { figure: format(1, false).format(minutes) });
    const whole = Math.round(minutes);
    if (whole < 90) return say('unit.minutes', { figure: format(0, false).format(whole) });
    const hours = format(0, false).format(Math.floor(whole / 60));
    return whole % 60 === 0 ? say('unit.hours_only', { hours }) : say('unit.hours', { hours, minutes: String(whole % 60).padStart(2, '0') });
}
