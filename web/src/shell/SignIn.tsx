import { useState, type ReactNode } from 'react';

import { call } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';

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
                        <strong>Sitzplatz</strong> is German for a seat.
                    </p>
                    <p>Every material gets its seat: the surface, the bed temperature and the agent on which it sits tight, and from which it gets up easily.</p>
                </aside>
            </div>
        </main>
    );
}

export function SignIn({ demo }: { demo: boolean }) {
    const [name, setName] = useState('');
    const [password, setPassword] = useState('');
    const signIn = useChange((body: { name: string; password: string }) => call('POST', '/session', body), ['session']);
    const demoSignIn = useChange((role: string) => call('POST', '/demo-session', { role }), ['session']);
    return (
        <Door title="Sign in">
            {demo ? (
                <section className="mb-8" aria-label="Demo">
                    <p className="mb-3">This is the demo: an observatory workshop with invented data. Look around as</p>
                    <div className="flex flex-wrap gap-2">
                        {(['technician', 'lead', 'viewer'] as const).map((role) => (
                            <Button key={role} tone={role === 'technician' ? 'main' : 'plain'} big onClick={() => demoSignIn.mutate(role)}>
                                {role}
                            </Button>
                        ))}
                    </div>
                    <p className="mt-3 text-sm text-soft">A lead signs with a password; in the demo it is “hilltop”.</p>
                    <Fault error={demoSignIn.error} />
                </section>
            ) : null}
            <form
                className="flex max-w-sm flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    signIn.mutate({ name, password });
                }}
            >
                <TextField label="Name" value={name} onValue={setName} autoComplete="username" required />
                <TextField label="Password" type="password" value={password} onValue={setPassword} autoComplete="current-password" required />
                <Fault error={signIn.error} />
                <div>
                    <Button type="submit" tone={demo ? 'plain' : 'main'} disabled={signIn.isPending}>
                        Sign in
                    </Button>
                </div>
            </form>
        </Door>
    );
}
