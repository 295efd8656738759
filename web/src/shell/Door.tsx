import type { ReactNode } from 'react';

import { say, tell } from '../words/say';

/** What stands before the workshop. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
    return (
        <main className="mx-auto flex min-h-dvh w-full max-w-[64rem] flex-col justify-center px-4 py-8 sm:px-8">
            <div className="bg-sheet lg:grid lg:grid-cols-[minmax(0,1fr)_20rem]">
                <div className="px-6 py-10 sm:px-12">
                    <svg viewBox="0 0 120 40" className="mb-6 h-16 w-48" aria-hidden>
                        <path d="M2 34H118" stroke="var(--ink)" strokeWidth="2.5" strokeLinecap="round" />
                        <path d="M44 34V22a16 16 0 0 1 32 0V34" fill="var(--accent-wash)" stroke="var(--accent)" strokeWidth="3" />
                        <path d="M60 4V-2M8 30L16 22M20 30L28 22M94 22L102 30M102 22L94 30M106 22L114 30M114 22L106 30" stroke="var(--line-strong)" strokeWidth="1.6" />
                    </svg>
                    <h1 className="mb-6">{title}</h1>
                    {children}
                </div>
                <aside className="border-t-2 border-accent/40 px-6 py-10 text-soft lg:border-t-0 lg:border-l-2">
                    <p className="mb-3 text-ink">
                        {tell('shell.sitzplatz_is_german_for_a_seat', { b: (words) => <strong>{words}</strong> })}</p>
                    <p>{say('shell.every_material_gets_its_seat_the')}</p>
                </aside>
            </div>
        </main>
    );
}
