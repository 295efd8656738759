import type { components } from './contract';

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
        super('The server does not answer. What you entered is kept; it is tried again.');
    }
}

let csrf = '';

export function setToken(token: string | null): void {
    csrf = token ?? '';
}

/** Sends a part's file as it is; nothing of it is kept on the server. */
export async function readPart(file: Blob, signal: AbortSignal): Promise<Schemas['PartReading']> {
    let response: Response;
    try {
        response = await fetch('/api/parts/read', { method: 'POST', credentials: 'same-origin', signal, headers: { Accept: 'application/json', 'X-CSRF-Token': csrf, 'Content-Type': 'application/octet-stream' }, body: file });
    } catch {
        throw new Unreachable();
    }
    const data: unknown = await response.json().catch(() => null);
    if (response.status === 413 && data === null) {
        throw new Problem(413, 'Too large', 'The file is larger than 128 MB: export the part with a coarser tolerance.', []);
    }
    if (!response.ok) {
        throw problem(response.status, data);
    }
    return data as Schemas['PartReading'];
}

export async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    try {
        response = await fetch('/api' + path, {
            method,
            credentials: 'same-origin',
            headers: {
                Accept: 'application/json',
                'X-CSRF-Token': csrf,
                'X-UTC-Offset': String(-new Date().getTimezoneOffset()),
                ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
            },
            ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        });
    } catch {
        throw new Unreachable();
    }
    if (response.status === 204) {
        return undefined as T;
    }
    const data: unknown = await response.json().catch(() => null);
    if (!response.ok) {
        throw problem(response.status, data);
    }
    return data as T;
}

function problem(status: number, data: unknown): Error {
    if (typeof data !== 'object' || data === null || !('detail' in data)) {
        return status >= 500 ? new Unreachable() : new Problem(status, 'Not possible', 'The server answered in an unknown way.', []);
    }
    const p = data as Schemas['Problem'];
    return new Problem(p.status, p.title, p.detail, p.errors, p.yours, p.theirs, p.type === 'busy');
}

/** A UUID of version 7 (RFC 9562): made here, so that a repeated send is the same row. */
export function newId(): string {
    const bytes = crypto.getRandomValues(new Uint8Array(16));
    let time = Date.now();
    for (let i = 5; i >= 0; i--) {
        bytes[i] = time % 256;
        time = Math.floor(time / 256);
    }
    bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x70;
    bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
    const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
    return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
