import type { Schemas } from '../api/client';

/** Candidates on their way from Choose to a new comparison; kept over a reload. */
export type Picked = { printerId: string; lotId: string | null; materialId: string; roomC: number; /** Unset: as usual. */ runsPerSetup?: number; setups: (Schemas['SetupInput'] & { label: string })[] };

const KEY = 'sitzplatz.picked';

export function keepPicked(picked: Picked): void {
    sessionStorage.setItem(KEY, JSON.stringify(picked));
}

export function takePicked(): Picked | null {
    const stored = sessionStorage.getItem(KEY);
    return stored === null ? null : (JSON.parse(stored) as Picked);
}

export function dropPicked(): void {
    sessionStorage.removeItem(KEY);
}
