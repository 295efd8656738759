/**
 * Keeps on the device what a reload without network needs: the page, the files of the build that were used, and the answers
 * that an open run or print is drawn from. The network comes first wherever it is there; nothing that is kept is sent.
 */
declare const self: ServiceWorkerGlobalScope;
export {};

const SHELL = 'sitzplatz.shell';
const BUILD = 'sitzplatz.build';
const ANSWERS = 'sitzplatz.answers';
const KEPT = [SHELL, BUILD, ANSWERS];
/** What the sheet of a run and the list of open prints ask for. */
const NEEDED = /^\/api\/(session|bench|terms|usual|settings|network|catalogue|printers|plate-sides|agents|lots\/in-use|gauges|thermometers|overview|runs\/[^/]+|comparisons\/[^/]+|jobs)$/;
/** Who is asked for longer has no network: what is kept is shown meanwhile. */
const PATIENCE_MS = 2_000;
/** An answer that came so late is the one that the page asks for again when it is told. */
const FRESH_MS = 5_000;
const MOST_FILES = 400;
const MOST_ANSWERS = 200;
/** Another one for each build, so that a browser takes this file for a new one, and keeps what belongs to it. */
const OF_BUILD = '%BUILD%';
let signedOut = 0;
const cameLate = new Map<string, number>();

self.addEventListener('install', (event) => {
    event.waitUntil(keepBuild());
    void self.skipWaiting();
});

/** All that the interface is made of, before somebody first presses something where there is no network. */
async function keepBuild(): Promise<void> {
    const cache = await caches.open(BUILD);
    const list = await fetch(`/build/kept.json?${OF_BUILD}`).catch(() => null);
    const files = (list?.ok ? await list.json() : []) as string[];
    for (const file of files) {
        const url = `/build/${file}`;
        // Where one cannot be had now it comes when it is used.
        if (!(await cache.match(url))) await cache.add(url).catch(() => undefined);
    }
}

self.addEventListener('activate', (event) => {
    event.waitUntil(
        (async () => {
            for (const name of await caches.keys()) if (name.startsWith('sitzplatz.') && !KEPT.includes(name)) await caches.delete(name);
            await self.clients.claim();
        })(),
    );
});

/** What a page had loaded before this was here to see it. */
self.addEventListener('message', (event) => {
    const files: unknown = event.data;
    if (!Array.isArray(files)) return;
    event.waitUntil(
        (async () => {
            const cache = await caches.open(BUILD);
            for (const file of files) {
                const url = new URL(String(file));
                if (url.origin === self.location.origin && url.pathname.startsWith('/build/') && !(await cache.match(url))) await cache.add(url).catch(() => undefined);
            }
            await keep(SHELL, new Request('/'), await fetch('/'));
        })().catch(() => undefined),
    );
});

self.addEventListener('fetch', (event) => {
    const { request } = event;
    const url = new URL(request.url);
    if (url.origin !== self.location.origin) return;
    if (request.method === 'DELETE' && url.pathname === '/api/session') {
        event.respondWith(signOut(request));
        return;
    }
    if (request.method !== 'GET') {
        cameLate.clear();
        return;
    }
    if (request.mode === 'navigate') {
        event.respondWith(networkFirst(event, SHELL, new Request('/')));
        event.waitUntil(leaveOut());
    } else if (url.pathname.startsWith('/build/')) event.respondWith(keptFirst(event));
    else if (NEEDED.test(url.pathname)) event.respondWith(networkFirst(event, ANSWERS, request));
});

/** What somebody saw is not shown to whoever takes the device next, nor what was still under way, nor what the server answers until it has heard. */
async function signOut(request: Request): Promise<Response> {
    await forget();
    try {
        return await fetch(request);
    } finally {
        await forget();
    }
}

async function forget(): Promise<void> {
    signedOut += 1;
    cameLate.clear();
    // Whatever becomes of what is kept, the server has to hear of it.
    await caches.delete(ANSWERS).catch(() => false);
}

/** Whoever asked has the answer at once; it is kept beside that. Where it is long in coming, what is kept is shown until it is there. */
async function networkFirst(event: FetchEvent, cache: string, key: Request): Promise<Response> {
    const { request } = event;
    const before = signedOut;
    const late = cameLate.get(key.url);
    if (late !== undefined && Date.now() - late < FRESH_MS) {
        // Once: whatever is asked for after that may have changed since.
        cameLate.delete(key.url);
        const fresh = await (await caches.open(cache)).match(key);
        if (fresh) return fresh;
    }
    const coming = fetch(request);
    const stored = coming.then(async (answer) => {
        if (answer.ok && (cache !== ANSWERS || before === signedOut)) await keep(cache, key, answer.clone());
    });
    event.waitUntil(stored.catch(() => undefined));
    try {
        const answer = await Promise.race([coming, after(PATIENCE_MS)]);
        if (answer === null) {
            const meanwhile = await kept(cache, key);
            if (!meanwhile) return (await coming).clone();
            event.waitUntil(stored.then(() => tell(key)).catch(() => undefined));
            return meanwhile;
        }
        if (answer.ok) return answer.clone();
        // The web server is there and the app behind it is not.
        return (answer.status >= 502 && answer.status <= 504 ? await kept(cache, key) : undefined) ?? answer;
    } catch (error) {
        const last = request.signal.aborted ? undefined : await kept(cache, key);
        if (last) return last;
        throw error;
    }
}

function after(milliseconds: number): Promise<null> {
    return new Promise((resolve) => setTimeout(() => resolve(null), milliseconds));
}

/** The answer that was not waited for is there: the page asks for it again, and has it at once. */
async function tell(key: Request): Promise<void> {
    cameLate.set(key.url, Date.now());
    for (const client of await self.clients.matchAll()) client.postMessage({ late: new URL(key.url).pathname });
}

async function keptFirst(event: FetchEvent): Promise<Response> {
    const before = await (await caches.open(BUILD)).match(event.request);
    if (before) return before;
    const answer = await fetch(event.request);
    if (answer.ok) event.waitUntil(keep(BUILD, event.request, answer.clone()));
    return answer;
}

/** Marked, so that the page finds out whether the server is there. */
async function kept(cache: string, key: Request): Promise<Response | undefined> {
    const before = await (await caches.open(cache)).match(key);
    if (!before || cache === SHELL) return before;
    const headers = new Headers(before.headers);
    headers.set('X-Kept', '1');
    return new Response(before.body, { status: before.status, headers });
}

async function keep(name: string, key: Request, answer: Response): Promise<void> {
    if (answer.ok) await (await caches.open(name)).put(key, answer).catch(() => undefined);
}

/** What is too much to keep: the oldest come first. Looked at once for a page, as a list of all is not to be had for nothing. */
async function leaveOut(): Promise<void> {
    for (const [name, most] of [[BUILD, MOST_FILES], [ANSWERS, MOST_ANSWERS]] as const) {
        const cache = await caches.open(name);
        const all = await cache.keys();
        for (const old of all.slice(0, Math.max(0, all.length - most))) await cache.delete(old);
    }
}
