import { Link, useLocation } from '@tanstack/react-router';
import { CircleUser } from 'lucide-react';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { part } from '../ui/part';
import { say } from '../words/say';

// The menu comes when somebody opens it.
const AccountMenu = part(async () => (await import('./AccountMenu')).AccountMenu);

/** A name is the same in every language. */
const NAME = 'Sitzplatz';

const STEPS = [
    { to: '/choose', word: say('shell.choose') },
    { to: '/test', word: say('shell.test') },
    { to: '/judge', word: say('shell.judge') },
    { to: '/keep', word: say('shell.keep') },
    { to: '/care', word: say('shell.care') },
    { to: '/fix', word: say('shell.fix') },
] as const;

/** Of the manual, by the first word of an address. */
const CHAPTERS: Record<string, string> = { choose: 'choose', test: 'test', runs: 'test', judge: 'judge', keep: 'keep', care: 'care', fix: 'fix', shelf: 'shelf-and-people', people: 'shelf-and-people', prints: 'prints' };

export function TopBar({ user }: { user: Schemas['User'] }) {
    const [menu, setMenu] = useState(false);
    const name = (
        <button type="button" className="flex min-h-11 items-center gap-2 rounded px-2 hover:bg-sheet" {...(menu ? {} : { 'aria-haspopup': 'menu', 'aria-expanded': false, onClick: () => setMenu(true) })}>
            <CircleUser className="size-5" aria-hidden />
            {user.displayName}
        </button>
    );
    // A run sheet belongs to Test, whatever its address.
    const onRunSheet = useLocation({ select: (location) => location.pathname.startsWith('/runs/') });
    // The manual opens at the chapter of the page.
    const chapter = useLocation({ select: (location) => CHAPTERS[location.pathname.split('/')[1] ?? ''] ?? 'manual' });
    const here = 'bg-sheet font-[650] border-line! shadow-[inset_0_3px_0_var(--accent)]';
    return (
        <header className="no-print mx-auto w-full max-w-[86rem] sm:px-4">
            <div className="flex flex-wrap items-end gap-x-8 px-4 pt-3 sm:px-0 sm:pt-4">
                <Link to="/" className="mb-2 flex items-center gap-2 text-xl font-[650] tracking-tight text-ink no-underline" aria-label={say('shell.sitzplatz_start')}>
                    <svg viewBox="0 0 32 26" className="h-6 w-8" aria-hidden>
                        <path d="M3 22H29M9 22V13a7 7 0 0 1 14 0V22" fill="none" stroke="var(--accent)" strokeWidth="3.2" strokeLinecap="round" />
                    </svg>
                    {NAME}
                </Link>
                <nav aria-label={say('shell.steps')} className="order-3 -mx-4 w-screen overflow-x-auto sm:order-none sm:mx-0 sm:w-auto">
                    <ul className="flex">
                        {STEPS.map((step) => (
                            <li key={step.to}>
                                <Link
                                    to={step.to}
                                    className={`flex min-h-11 items-center rounded-t border-x border-t border-transparent px-3 text-[1.0625rem] text-ink no-underline hover:underline sm:px-5 ${onRunSheet && step.to === '/test' ? here : ''}`}
                                    activeProps={{ className: here, 'aria-current': 'page' }}
                                >
                                    {step.word}
                                </Link>
                            </li>
                        ))}
                    </ul>
                </nav>
                <div className="mb-1 ml-auto flex items-center gap-1">
                    <Link to="/prints" className="flex min-h-11 items-center px-3 text-ink no-underline hover:underline" activeProps={{ className: 'font-[650] underline!' }}>{say('prints.prints')}</Link>
                    <Link to="/shelf" className="flex min-h-11 items-center px-3 text-ink no-underline hover:underline" activeProps={{ className: 'font-[650] underline!' }}>{say('shell.shelf')}</Link>
                    <Link to="/manual" search={{ at: chapter }} className="hidden min-h-11 items-center px-3 text-ink no-underline hover:underline sm:flex" activeProps={{ className: 'font-[650] underline!' }}>{say('shell.help')}</Link>
                    {menu ? (
                        <AccountMenu user={user} meanwhile={name}>{name}</AccountMenu>
                    ) : (
                        name
                    )}
                </div>
            </div>
        </header>
    );
}
