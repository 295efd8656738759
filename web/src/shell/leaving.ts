import { api, ask, Problem, setToken } from '../api/client';

/** Whoever signed out where the server could not hear it is out here all the same, and the server hears of it before anything else. */
const LEFT = 'sitzplatz.left';
/** A network that hangs is none. */
const PATIENCE_MS = 3_000;

/** Ends what this device can show, and the session as soon as the server hears of it. */
export async function leave(): Promise<void> {
    remember(true);
    await toldTheServer();
}

/** Whether somebody left here of whom the server does not know it yet. */
export function hasLeft(): boolean {
    try {
        return localStorage.getItem(LEFT) !== null;
    } catch {
        return false;
    }
}

/** @returns whether the server knows it now */
async function toldTheServer(): Promise<boolean> {
    if (!hasLeft()) return true;
    try {
        await end();
    } catch (error) {
        // After a reload nobody has the token that each change carries: only the server says it.
        if (!(error instanceof Problem) || error.status !== 403) return false;
        try {
            setToken((await ask(api.GET('/api/session', { signal: AbortSignal.timeout(PATIENCE_MS) }))).csrf);
            await end();
        } catch {
            return false;
        }
    }
    remember(false);
    return true;
}

async function end(): Promise<void> {
    await ask(api.DELETE('/api/session', { signal: AbortSignal.timeout(PATIENCE_MS) }));
}

function remember(left: boolean): void {
    try {
        if (left) localStorage.setItem(LEFT, '1');
        else localStorage.removeItem(LEFT);
    } catch {
        // A browser that keeps nothing has no page to come back to either.
    }
}

/** Tells it as soon as the server is back; then somebody can sign in. */
export function tellWhenItIsBack(then: () => void): () => void {
    let telling = false;
    const tell = () => {
        if (telling) return;
        telling = true;
        void toldTheServer().then((told) => {
            telling = false;
            if (told) then();
        });
    };
    tell();
    const timer = setInterval(tell, 2_000);
    return () => clearInterval(timer);
}
