import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from '@tanstack/react-router';
import { useEffect, useSyncExternalStore } from 'react';

import { isReached, onReach, signedOut, tryToReach, wasKept } from '../api/client';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';
import { useOutbox } from './outbox';

const TRY_MS = 1_000;

/** Says that the server is out of reach, tries until it is back, and then goes on where somebody was. */
export function Reconnecting() {
    const queries = useQueryClient();
    const router = useRouter();
    const reached = useSyncExternalStore(onReach, isReached);
    const { unkept } = useOutbox();
    useEffect(() => {
        if (reached) return;
        const timer = setInterval(() => {
            void tryToReach().then(async (back) => {
                if (!back) return;
                // What failed meanwhile is asked again; the rest of the page stays as somebody left it.
                const all = wasKept();
                await queries.refetchQueries({ type: 'active', predicate: (each) => all || each.state.status === 'error' || each.state.fetchFailureCount > 0 });
                if (router.state.matches.some((each) => each.status === 'error')) await router.invalidate();
            });
        }, TRY_MS);
        return () => clearInterval(timer);
    }, [reached, queries, router]);
    // What was long in coming is there now, and the page has shown what the device kept.
    useEffect(() => {
        if (!('serviceWorker' in navigator)) return undefined;
        const came = ({ data }: MessageEvent<unknown>) => {
            if (typeof data === 'object' && data !== null && 'late' in data) void queries.invalidateQueries();
        };
        navigator.serviceWorker.addEventListener('message', came);
        return () => navigator.serviceWorker.removeEventListener('message', came);
    }, [queries]);
    // Whose session was ended elsewhere stands at the door at the next touch, and not before a page of faults.
    useEffect(() => signedOut(() => void queries.invalidateQueries({ queryKey: ['session'] })), [queries]);
    return (
        // Seen wherever somebody has scrolled to, and over whatever is open; nothing of the page moves for it.
        <div className="pointer-events-none fixed inset-x-0 top-2 z-[60] mx-auto w-fit max-w-full px-4" role="status">
            {reached ? null : (
                <div className="rounded shadow-xl">
                    <Notice tone="caution">{unkept > 0 ? say('shell.reconnecting_stay') : say('shell.reconnecting')}</Notice>
                </div>
            )}
        </div>
    );
}
