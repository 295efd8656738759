import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, Outlet, useRouter } from '@tanstack/react-router';
import { Suspense, useEffect } from 'react';

import { sessionQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { Sheet } from '../ui/Sheet';
import { applyTheme } from '../ui/theme';
import { BenchBar } from './BenchBar';
import { FirstLead } from './FirstLead';
import { Outbox } from './Outbox';
import { SignIn } from './SignIn';
import { TopBar } from './TopBar';

export function Root() {
    return (
        <Suspense fallback={<Waiting />}>
            <Doorway />
        </Suspense>
    );
}

function Doorway() {
    const { data: session } = useSuspenseQuery(sessionQuery);
    const theme = session.user ? session.preferences.theme : null;
    useEffect(() => {
        if (theme) applyTheme(theme);
    }, [theme]);
    if (session.needsFirstLead) return <FirstLead />;
    if (!session.user) return <SignIn demo={session.demo} />;
    return (
        <div className="flex min-h-dvh flex-col">
            <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">
                To the content
            </a>
            <TopBar user={session.user} />
            <Outbox />
            <Suspense fallback={<Waiting />}>
                <Outlet />
            </Suspense>
            <BenchBar />
        </div>
    );
}

function Waiting() {
    return <p className="flex-1 p-8 text-soft">One moment …</p>;
}

export function NotThere() {
    return (
        <Sheet title="There is nothing here">
            <p>
                The address is not one of ours. Go to <Link to="/">the start</Link>.
            </p>
        </Sheet>
    );
}

export function RouteFault({ error }: { error: unknown }) {
    const router = useRouter();
    return (
        <Sheet title="This cannot be shown">
            <div className="flex max-w-xl flex-col items-start gap-4">
                <Fault error={error instanceof Error ? error : new Error('Something went wrong here.')} />
                <Button onClick={() => location.reload()}>Try again</Button>
                <Button tone="quiet" onClick={() => void router.navigate({ to: '/' })}>
                    To the start
                </Button>
            </div>
        </Sheet>
    );
}
