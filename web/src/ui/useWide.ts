import { useSyncExternalStore } from 'react';

const query = window.matchMedia('(min-width: 1024px)');

/** Whether the sheet has its margin beside it. */
export function useWide(): boolean {
    return useSyncExternalStore(
        (changed) => {
            query.addEventListener('change', changed);
            return () => query.removeEventListener('change', changed);
        },
        () => query.matches,
    );
}
