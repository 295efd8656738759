import type { ReactNode } from 'react';

/** An answer, faint while it still answers what was typed before. */
export function Behind({ behind, children }: { behind: boolean; children: ReactNode }) {
    return (
        <div aria-busy={behind} className={`transition-opacity ${behind ? 'opacity-50 delay-200' : ''}`}>
            {children}
        </div>
    );
}
