import type { ReactNode } from 'react';

import { say } from '../words/say';

/** One wide sheet: the answer in the main column, what explains it in the margin beside (below it on a phone). */
export function Sheet({ title, quietTitle = false, lead, actions, margin, children }: { title: string; /** Heard and not seen: the page begins with its answer. */ quietTitle?: boolean; lead?: ReactNode; actions?: ReactNode; margin?: ReactNode; children: ReactNode }) {
    return (
        <main id="main" className="mx-auto w-full max-w-[86rem] flex flex-1 flex-col px-0 pb-6 sm:px-4">
            <div className="flex-1 rounded-b-md bg-sheet shadow-[0_1px_0_var(--line)] lg:grid lg:grid-cols-[minmax(0,1fr)_19rem]">
                <div className={`min-w-0 px-4 sm:px-8 ${quietTitle ? 'py-3' : 'py-6'}`}>
                    {quietTitle ? <h1 className="sr-only">{title}</h1> : <header className="mb-6 flex flex-wrap items-start justify-between gap-x-6 gap-y-3">
                        <div className="min-w-0 max-w-[46rem]">
                            <h1>{title}</h1>
                            {lead ? <p className="mt-1 text-soft">{lead}</p> : null}
                        </div>
                        {actions ? <div className="no-print flex flex-wrap gap-2">{actions}</div> : null}
                    </header>}
                    {children}
                </div>
                <aside aria-label={say('ui.in_the_margin')} className="min-w-0 border-t-2 border-accent/40 px-4 py-6 text-[0.9375rem] sm:px-6 lg:border-t-0 lg:border-l-2">
                    {margin}
                </aside>
            </div>
        </main>
    );
}

export function MarginNote({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section className="mb-6">
            <h2 className="mb-1 text-base">{title}</h2>
            <div className="flex flex-col gap-2 text-soft [&_strong]:text-ink">{children}</div>
        </section>
    );
}

export function Empty({ children }: { children: ReactNode }) {
    return <div className="rounded-sm border border-dashed border-strong px-6 py-8 text-soft">{children}</div>;
}
