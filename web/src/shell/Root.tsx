import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, Outlet, useRouter } from '@tanstack/react-router';
import { lazy, Suspense, useEffect, useSyncExternalStore } from 'react';

import { isReached, onReach } from '../api/client';
import { sessionQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { Sheet } from '../ui/Sheet';
import { applyTheme } from '../ui/theme';
import { keepLocale } from '../words/language';
import { say, tell } from '../words/say';
import { BenchBar } from './BenchBar';
import { hasLeft } from './leaving';
import { Outbox } from './Outbox';
import { Reconnecting } from './Reconnecting';
import { Shortcuts } from './Shortcuts';
import { TopBar } from './TopBar';
import { UndoStrip } from './UndoStrip';

// Whoever is signed in needs neither.
const FirstLead = lazy(async () => ({ default: (await import('./FirstLead')).FirstLead }));
const Left = lazy(async () => ({ default: (await import('./Left')).Left }));
const Trust = lazy(async () => ({ default: (await import('./Trust')).Trust }));
const SignIn = lazy(async () => ({ default: (await import('./SignIn')).SignIn }));

export function Root() {
    return (
        <Suspense fallback={<Waiting />}>
            {/* Who stands before this has a device in hand that trusts nothing yet, and no account. */}
            {location.pathname === '/trust' ? <Trust /> : hasLeft() ? <Left /> : <Doorway />}
        </Suspense>
    );
}

function Doorway() {
    const { data: session } = useSuspenseQuery(sessionQuery);
    const theme = session.user ? session.preferences.theme : null;
    useEffect(() => {
        if (theme) applyTheme(theme);
    }, [theme]);
    // Somebody else may have used this device last, in another locale.
    const locale = session.user ? session.preferences.locale : null;
    useEffect(() => {
        if (locale !== null) keepLocale(locale);
    }, [locale]);
    if (session.needsFirstLead) return <FirstLead />;
    if (!session.user) return <SignIn demo={session.demo} />;
    return (
        <div className="flex min-h-dvh flex-col">
            <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">{say('shell.to_the_content')}</a>
            <TopBar user={session.user} />
            <Reconnecting />
            <Outbox />
            <Suspense fallback={<Waiting />}>
                <Outlet />
            </Suspense>
            <UndoStrip />
            <BenchBar />
            <Shortcuts />
        </div>
    );
}

function Waiting() {
    const reached = useSyncExternalStore(onReach, isReached);
    return (
        <p className="flex-1 p-8 text-soft" role="status">
            {say(reached ? 'shell.one_moment' : 'shell.no_network')}
        </p>
    );
}

export function NotThere() {
    return (
        <Sheet title={say('shell.there_is_nothing_here')}>
            <p>{tell('shell.the_address_is_not_one_of', { link: (words) => <Link to="/">{words}</Link> })}</p>
        </Sheet>
    );
}

export function RouteFault({ error }: { error: unknown }) {
    const router = useRouter();
    return (
        <Sheet title={say('shell.this_cannot_be_shown')}>
            <div className="flex max-w-xl flex-col items-start gap-4">
                <Fault error={error instanceof Error ? error : new Error('Something went wrong here.')} />
                <Button onClick={() => location.reload()}>{say('shell.try_again')}</Button>
                <Button tone="quiet" onClick={() => void router.navigate({ to: '/' })}>{say('shell.to_the_start')}</Button>
            </div>
        </Sheet>
    );
}
