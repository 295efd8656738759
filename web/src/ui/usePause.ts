import { useEffect, useState } from 'react';

/** The value once nobody has changed it for a moment. */
export function usePause<T>(value: T, milliseconds = 250): T {
    const [settled, setSettled] = useState(value);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(value), milliseconds);
        return () => clearTimeout(timer);
    }, [value, milliseconds]);
    return settled;
}
