import { useSyncExternalStore } from 'react';

/** What was just done, in words, and how it is taken back. */
export type Undoable = { words: string; undo: () => Promise<unknown> };
/** Each offer is one of its own, also where the words are the same. */
type Offered = Undoable & { number: number };

/** As long as somebody looks at what they touched; the server lets it be taken back for longer. */
const OFFERED_MS = 20_000;

let offered: Offered | null = null;
let number = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function show(next: Offered | null): void {
    offered = next;
    listeners.forEach((listener) => listener());
}

/** Says that something was done, and lets it be taken back for a while. */
export function offerUndo(undoable: Undoable): void {
    clearTimeout(timer);
    show({ ...undoable, number: ++number });
    timer = setTimeout(() => show(null), OFFERED_MS);
}

export function dropUndo(): void {
    clearTimeout(timer);
    show(null);
}

export function useOfferedUndo(): Offered | null {
    return useSyncExternalStore(
        (listener) => {
            listeners.add(listener);
            return () => listeners.delete(listener);
        },
        () => offered,
    );
}
