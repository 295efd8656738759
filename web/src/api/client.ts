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

/** The server as its contract describes it: paths, bodies and answers are typed by docs/openapi.yaml. */
export const api = createClient<paths>({ credentials: 'same-origin' });

api.use({
    onRequest({ request }) {
        request.headers.set('Accept', 'application/json');
        request.headers.set('X-CSRF-Token', csrf);
        request.headers.set('X-UTC-Offset', String(-new Date().getTimezoneOffset()));
        return request;
    },
    async onResponse({ response }) {
        if (!response.ok) throw await problem(response);
    },
    onError({ error }) {
        // What was cancelled is no fault of the network.
        return error instanceof DOMException && error.name === 'AbortError' ? undefined : new Unreachable();
    },
});

type Data<Answer> = Answer extends { data: infer Body } ? Body : never;

/** What the server answers, or the problem thrown. */
export async function ask<Answer extends { data?: unknown }>(answer: Promise<Answer>): Promise<Data<Answer>> {
    return (await answer).data as Data<Answer>;
}

async function problem(response: Response): Promise<Error> {
    const data: unknown = await response.json().catch(() => null);
    if (response.status === 413 && data === null) return new Problem(413, say('api.too_large'), say('api.file_too_large'), []);
    if (typeof data !== 'object' || data === null || !('detail' in data)) {
        return response.status >= 500 ? new Unreachable() : new Problem(response.status, say('api.not_possible'), say('api.unknown_answer'), []);
    }
    const p = data as Schemas['Problem'];
    return new Problem(p.status, p.title, p.detail, p.errors, p.yours, p.theirs, p.type === 'busy');
}
