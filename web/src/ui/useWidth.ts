import { useLayoutEffect, useRef, useState } from 'react';

const NARROWEST = 240;

/** The width that a drawing has, so that its words keep their size. */
export function useWidth(first: number) {
    const ref = useRef<HTMLElement & HTMLDivElement>(null);
    const [width, setWidth] = useState(first);
    // Measured before it is painted: a drawing wider than a phone would push the whole page wide for a moment.
    useLayoutEffect(() => {
        const element = ref.current;
        if (!element) return;
        const now = element.getBoundingClientRect().width;
        if (now > 0) setWidth(Math.max(NARROWEST, now));
        const observer = new ResizeObserver(([entry]) => {
            // A drawing that waits for the printer has no width on the screen.
            if (entry && entry.contentRect.width > 0) setWidth(Math.max(NARROWEST, entry.contentRect.width));
        });
        observer.observe(element);
        return () => observer.disconnect();
    }, []);
    return [ref, width] as const;
}
