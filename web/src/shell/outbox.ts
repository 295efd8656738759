import { call, Problem } from '../api/client';

type Entry = { id: string; path: string; body: { id: string }; words: string };
type Refused = { id: string; words: string; message: string };

const KEY = 'sitzplatz.outbox';
const listeners = new Set<() => void>();
let refusals: Refused[] = [];

export function pending(): Entry[] {
    try {
        return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Entry[];
    } catch {
        return [];
    }
}

export function refused(): Refused[] {
    return refusals;
}

export function dropRefused(id: string): void {
    refusals = refusals.filter((each) => each.id !== id);
    tell();
}

export function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

function tell(): void {
    listeners.forEach((listener) => listener());
}

function store(entries: Entry[]): void {
    localStorage.setItem(KEY, JSON.stringify(entries));
    tell();
}

/** Keeps an entry until the server has it; its key makes a repeated send harmless. */
export async function post(path: string, body: { id: string }, words: string): Promise<void> {
    store([...pending(), { id: body.id, path, body, words }]);
    await flush();
}

let busy: Promise<number> | null = null;

/** Sends what waits, in order; stops at the first that the network does not take. */
export function flush(): Promise<number> {
    busy ??= send().finally(() => {
        busy = null;
    });
    return busy;
}

async function send(): Promise<number> {
    let sent = 0;
    for (let entry = pending()[0]; entry; entry = pending()[0]) {
        const current = entry;
        try {
            await call('POST', current.path, current.body);
            sent++;
        } catch (error) {
            if (!(error instanceof Problem) || error.status === 401) return sent;
            if (error.busy) {
                setTimeout(() => void flush(), 1500);
                return sent;
            }
            refusals = [...refusals, { id: current.id, words: current.words, message: error.message }];
        }
        store(pending().filter((each) => each.id !== current.id));
    }
    return sent;
}
