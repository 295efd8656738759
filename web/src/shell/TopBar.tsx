import { Link, useLocation, useNavigate } from '@tanstack/react-router';
import { DropdownMenu } from 'radix-ui';
import { CircleUser } from 'lucide-react';
import { useState } from 'react';

import { call, type Schemas } from '../api/client';
import { Preferences } from '../account/Preferences';

const STEPS = [
    { to: '/choose', word: 'Choose' },
    { to: '/test', word: 'Test' },
    { to: '/judge', word: 'Judge' },
    { to: '/keep', word: 'Keep' },
    { to: '/care', word: 'Care' },
    { to: '/fix', word: 'Fix' },
] as const;

export function TopBar({ user }: { user: Schemas['User'] }) {
    const navigate = useNavigate();
    const [preferences, setPreferences] = useState(false);
    const signOut = async () => {
        await call('DELETE', '/session');
        // Loaded anew, so that nothing of the one who left stays in memory.
        location.assign('/');
    };
    // A run sheet belongs to Test, whatever its address.
    const onRunSheet = useLocation({ select: (location) => location.pathname.startsWith('/runs/') });
    const here = 'bg-sheet font-[650] border-line! shadow-[inset_0_3px_0_var(--accent)]';
    const item = 'flex min-h-11 cursor-pointer items-center rounded-sm px-3 data-[highlighted]:bg-accent-wash data-[highlighted]:outline-none';
    return (
        <header className="no-print mx-auto w-full max-w-[86rem] sm:px-4">
            <div className="flex flex-wrap items-end gap-x-8 px-4 pt-3 sm:px-0 sm:pt-4">
                <Link to="/" className="mb-2 flex items-center gap-2 text-xl font-[650] tracking-tight text-ink no-underline" aria-label="Sitzplatz, start">
                    <svg viewBox="0 0 32 26" className="h-6 w-8" aria-hidden>
                        <path d="M3 22H29M9 22V13a7 7 0 0 1 14 0V22" fill="none" stroke="var(--accent)" strokeWidth="3.2" strokeLinecap="round" />
                    </svg>
                    Sitzplatz
                </Link>
                <nav aria-label="Steps" className="order-3 -mx-4 w-screen overflow-x-auto sm:order-none sm:mx-0 sm:w-auto">
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
                    <Link to="/shelf" className="flex min-h-11 items-center px-3 text-ink no-underline hover:underline" activeProps={{ className: 'font-[650] underline!' }}>
                        Shelf
                    </Link>
                    <DropdownMenu.Root>
                        <DropdownMenu.Trigger className="flex min-h-11 items-center gap-2 rounded px-2 hover:bg-sheet">
                            <CircleUser className="size-5" aria-hidden />
                            {user.displayName}
                        </DropdownMenu.Trigger>
                        <DropdownMenu.Portal>
                            <DropdownMenu.Content align="end" className="z-50 min-w-52 rounded border border-strong bg-sheet p-1 text-ink shadow-xl">
                                <DropdownMenu.Label className="px-3 py-2 text-sm text-soft">Signed in as {user.role}</DropdownMenu.Label>
                                <DropdownMenu.Item className={item} onSelect={() => setPreferences(true)}>
                                    Units and look
                                </DropdownMenu.Item>
                                {user.role === 'lead' ? (
                                    <DropdownMenu.Item className={item} onSelect={() => void navigate({ to: '/people' })}>
                                        People
                                    </DropdownMenu.Item>
                                ) : null}
                                <DropdownMenu.Item className={item} onSelect={() => void signOut()}>
                                    Sign out
                                </DropdownMenu.Item>
                            </DropdownMenu.Content>
                        </DropdownMenu.Portal>
                    </DropdownMenu.Root>
                </div>
            </div>
            <Preferences open={preferences} onOpen={setPreferences} />
        </header>
    );
}
