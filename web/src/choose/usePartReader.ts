import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { say } from '../words/say';

export type Reading = { name: string; shape: Schemas['PartReading'] };
type State = { kind: 'none' } | { kind: 'reading'; name: string; stop: AbortController } | { kind: 'failed'; name: string; error: Error };

/** Sends a part's file to be read, one at a time. */
export function usePartReader(onRead: (reading: Reading) => void) {
    const [state, setState] = useState<State>({ kind: 'none' });
    const take = async (file: File | undefined) => {
        if (!file) return;
        const stop = new AbortController();
        setState({ kind: 'reading', name: file.name, stop });
        try {
            const shape = await ask(api.POST('/api/parts/read', { body: '', bodySerializer: () => file, headers: { 'Content-Type': 'application/octet-stream' }, signal: stop.signal }));
            setState({ kind: 'none' });
            onRead({ name: file.name, shape });
        } catch (error) {
            setState(stop.signal.aborted ? { kind: 'none' } : { kind: 'failed', name: file.name, error: error instanceof Error ? error : new Error(say('choose.not_read')) });
        }
    };
    return { state, take };
}

const KEY = 'sitzplatz.part';

/** The last part that was read here, so that a reload draws it again; the file itself is not kept. */
export function keepReading(reading: Reading): void {
    try {
        sessionStorage.setItem(KEY, JSON.stringify(reading));
    } catch {
        // Too large to keep: its figures stand in the address all the same.
    }
}

/** The drawing of the part that an address speaks of, if it was read here. */
export function keptReading(part: Schemas['Part'] | null): Reading | null {
    const stored = part === null ? null : sessionStorage.getItem(KEY);
    if (stored === null || part === null) return null;
    const reading = JSON.parse(stored) as Reading;
    const { contactAreaMm2, outlineMm, heightMm } = reading.shape.part;
    return contactAreaMm2 === part.contactAreaMm2 && outlineMm === part.outlineMm && heightMm === part.heightMm ? reading : null;
}
