import { useSyncExternalStore } from 'react';

/** What was just done, in words, and how it is taken back. */
export type Undoable = { words: string; undo: () => Promise<unknown> };

/** As long as somebody looks at what they touched; the server lets it be taken back for longer. */
const OFFERED_MS = 20_000;

let offered: Undoable | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function show(next: Undoable | null): void {
    offered = next;
    listeners.forEach((listener) => listener());
}

/** Says that something was done, and lets it be taken back for a while. */
export function offerUndo(undoable: Undoable): void {
    clearTimeout(timer);
    show(undoable);
    timer = setTimeout(() => show(null), OFFERED_MS);
}

export function dropUndo(): void {
    clearTimeout(timer);
    show(null);
}

export function useOfferedUndo(): Undoable | null {
    return useSyncExternalStore(
        (listener) => {
            listeners.add(listener);
            return () => listeners.delete(listener);
        },
        () => offered,
    );
}
