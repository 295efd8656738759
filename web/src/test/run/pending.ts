import { createContext, useContext, useEffect, useRef } from 'react';

/** What was typed at a step and not noted yet, by field; who goes on notes it, so that nothing typed is lost. */
export type Pending = Map<string, () => Promise<void>>;

export const PendingEntries = createContext<Pending>(new Map());

/** While there is something typed, going on to the next step notes it. */
export function usePending(field: string, note: (() => Promise<void>) | null): void {
    const pending = useContext(PendingEntries);
    const latest = useRef(note);
    useEffect(() => {
        latest.current = note;
    });
    const typed = note !== null;
    useEffect(() => {
        if (!typed) return undefined;
        pending.set(field, async () => latest.current?.());
        return () => {
            pending.delete(field);
        };
    }, [pending, field, typed]);
}
