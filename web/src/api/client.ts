import createClient from 'openapi-fetch';

import { say } from '../words/say';
import type { components, paths } from './contract';

export type Schemas = components['schemas'];

/** What the server says is wrong, with a field and a sentence for each fault. */
export class Problem extends Error {
    constructor(
        readonly status: number,
        readonly title: string,
        detail: string,
        readonly errors: { field: string; message: string }[],
        readonly yours?: Record<string, unknown>,
        readonly theirs?: Record<string, unknown>,
        /** Others were at the same thing: the same may be sent again. */
        readonly busy = false,
    ) {
        super(detail);
    }

    of(field: string): string | undefined {
        return this.errors.find((error) => error.field === field)?.message;
    }
}

/** The network is gone, or the server does not answer. */
export class Unreachable extends Error {
    constructor() {
        super(say('api.unreachable'));
    }
}

let csrf = '';

export function setToken(token: string | null): void {
    csrf = token ?? '';
}

/** So often the same is sent again where too much is asked at once: others read parts, or several sums are under way. */
const PATIENCE = 20;
/** Who does not answer for longer is not there. */
const PATIENCE_MS = 2_500;

/** Waits as long as the server asks for and sends the same again, which has changed nothing: it was not begun. */
async function patient(request: Request): Promise<Response> {
    for (let tries = 1; ; ++tries) {
        const again = request.clone();
        // What is long in coming may never come: then the page says so.
        const long = setTimeout(() => void askWhetherThere(), PATIENCE_MS);
        const response = await fetch(request).finally(() => clearTimeout(long));
        const seconds = Number(response.headers.get('Retry-After') ?? NaN);
        if (tries > PATIENCE || !(seconds <= 1) || ![429, 503].includes(response.status)) return response;
        // Whoever guesses a password is told to wait, and not to send it again.
        if (!isBusy(await response.clone().json().catch(() => null))) return response;
        await new Promise<void>((resolve, reject) => {
            const timer = setTimeout(resolve, 1000 * seconds * (0.8 + 0.4 * Math.random()));
            request.signal.addEventListener('abort', () => {
                clearTimeout(timer);
                reject(new DOMException('', 'AbortError'));
            });
        });
        request = again;
    }
}

/** The server as its contract describes it: paths, bodies and answers are typed by docs/openapi.yaml. */
export const api = createClient<paths>({ credentials: 'same-origin', fetch: patient });

api.use({
    onRequest({ request }) {
        request.headers.set('Accept', 'application/json');
        request.headers.set('X-CSRF-Token', csrf);
        request.headers.set('X-UTC-Offset', String(-new Date().getTimezoneOffset()));
        return request;
    },
    async onResponse({ request, response }) {
        if (response.ok) {
            // What the device kept from before: the server is out of reach, or was a moment ago.
            if (response.headers.has('X-Kept')) {
                fromBefore = true;
                void askWhetherThere();
            }
            return;
        }
        if (response.status === 401 && !new URL(request.url).pathname.endsWith('/session')) outside.forEach((listener) => listener());
        const fault = await problem(response);
        if (fault instanceof Unreachable) void askWhetherThere();
        throw fault;
    },
    onError({ error }) {
        // What was cancelled is no fault of the network.
        if (error instanceof DOMException && error.name === 'AbortError') return undefined;
        void askWhetherThere();
        return new Unreachable();
    },
});

/** The web server answers, the app behind it does not: it is being started again. */
const BEHIND_IS_GONE = [502, 503, 504];
const reaching = new Set<() => void>();
const outside = new Set<() => void>();
let reached = true;
let asking: Promise<void> | null = null;
let fromBefore = false;

function reach(now: boolean): void {
    if (now === reached) return;
    reached = now;
    reaching.forEach((listener) => listener());
}

/** One request may fail where all others go through: whether the server is there, it is asked itself. */
function askWhetherThere(): Promise<void> {
    asking ??= fetch('/api/health/alive', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MS) })
        .then(
            (answer) => reach(answer.ok),
            () => reach(false),
        )
        .finally(() => {
            asking = null;
        });
    return asking;
}

/** Whether the server was there when it was last asked. */
export function isReached(): boolean {
    return reached;
}

export function onReach(listener: () => void): () => void {
    reaching.add(listener);
    return () => reaching.delete(listener);
}

/** Whether something that is shown is from before, as the device kept it; asked once. */
export function wasKept(): boolean {
    const was = fromBefore;
    fromBefore = false;
    return was;
}

/** Tells when the server no longer knows who this is. */
export function signedOut(listener: () => void): () => void {
    outside.add(listener);
    return () => outside.delete(listener);
}

/** Asks for a sign of life; whether there was one. */
export async function tryToReach(): Promise<boolean> {
    await askWhetherThere();
    return reached;
}

type Data<Answer> = Answer extends { data: infer Body } ? Body : never;

/** What the server answers, or the problem thrown. */
export async function ask<Answer extends { data?: unknown }>(answer: Promise<Answer>): Promise<Data<Answer>> {
    return (await answer).data as Data<Answer>;
}

function isBusy(data: unknown): boolean {
    return typeof data === 'object' && data !== null && 'type' in data && data.type === 'busy';
}

async function problem(response: Response): Promise<Error> {
    const data: unknown = await response.json().catch(() => null);
    if (BEHIND_IS_GONE.includes(response.status) && !isBusy(data)) return new Unreachable();
    if (response.status === 413 && data === null) return new Problem(413, say('api.too_large'), say('api.file_too_large'), []);
    if (typeof data !== 'object' || data === null || !('detail' in data)) {
        return response.status >= 500 ? new Unreachable() : new Problem(response.status, say('api.not_possible'), say('api.unknown_answer'), []);
    }
    const p = data as Schemas['Problem'];
    return new Problem(p.status, p.title, p.detail, p.errors, p.yours, p.theirs, p.type === 'busy');
}
