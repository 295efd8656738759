import { useEffect, useState } from 'react';

/** What is sent at once is not spoken of: the page would jump under the thumb at each touch. */
const LATE_MS = 1_500;

/** Whether what waits since then has done so for a while. */
export function useLate(since: number | null): boolean {
    const [lateSince, setLateSince] = useState<number | null>(null);
    useEffect(() => {
        if (since === null) return;
        const timer = setTimeout(() => setLateSince(since), Math.max(0, since + LATE_MS - Date.now()));
        return () => clearTimeout(timer);
    }, [since]);
    return since !== null && lateSince !== null && lateSince >= since;
}
