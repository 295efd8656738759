import { keepPreviousData, queryOptions, useMutation, useQueryClient, useSuspenseQuery, type QueryExecuteOptions } from '@tanstack/react-query';

import { api, ask, Problem, setToken, type Schemas } from './client';

const from = <Answer>(queryKey: string[], queryFn: (context: { signal: AbortSignal }) => Promise<Answer>) => queryOptions({ queryKey, queryFn });
/** Of any answer; what a page asks for ahead is not looked into. */
export type AnyQuery = QueryExecuteOptions<any, Error, any, any, string[]>; // eslint-disable-line @typescript-eslint/no-explicit-any

export const sessionQuery = queryOptions({
    queryKey: ['session'],
    queryFn: async ({ signal }) => {
        const session = await ask(api.GET('/api/session', { signal }));
        setToken(session.csrf);
        return session;
    },
    staleTime: 60_000,
});
export const overviewQuery = queryOptions({ queryKey: ['overview'], queryFn: ({ signal }) => ask(api.GET('/api/overview', { signal })), refetchInterval: 15_000 });
export const catalogueQuery = queryOptions({ queryKey: ['catalogue'], queryFn: ({ signal }) => ask(api.GET('/api/catalogue', { signal })), staleTime: 60_000 });
export const benchQuery = from(['bench'], ({ signal }) => ask(api.GET('/api/bench', { signal })));
export const printersQuery = from(['printers'], ({ signal }) => ask(api.GET('/api/printers', { signal })));
/** The sides of all plates in use, to choose from. */
export const sidesQuery = from(['plates', 'sides'], ({ signal }) => ask(api.GET('/api/plate-sides', { signal })));
export const agentsQuery = from(['agents'], ({ signal }) => ask(api.GET('/api/agents', { signal })));
/** What a plate or lot after those there are would be called; asked anew each time. */
export const nextNameQuery = (of: 'plate' | 'lot', like: string) =>
    queryOptions({ queryKey: [`${of}s`, 'next', like], queryFn: ({ signal }) => ask(api.GET('/api/next-name', { signal, params: { query: { of, like } } })) });
/** Those in use, to choose from. */
export const lotsQuery = from(['lots', 'in-use'], ({ signal }) => ask(api.GET('/api/lots/in-use', { signal })));
export const ownSurfacesQuery = from(['own-surfaces'], ({ signal }) => ask(api.GET('/api/own-surfaces', { signal })));
export const ownMaterialsQuery = from(['own-materials'], ({ signal }) => ask(api.GET('/api/own-materials', { signal })));
export const usersQuery = from(['users'], ({ signal }) => ask(api.GET('/api/users', { signal })));
export const openSessionsQuery = from(['sessions'], ({ signal }) => ask(api.GET('/api/sessions', { signal })));
/** Where tablets and phones reach the app. */
export const networkQuery = queryOptions({ queryKey: ['network'], queryFn: ({ signal }) => ask(api.GET('/api/network', { signal })), staleTime: Infinity });
export const backupKeyQuery = from(['backup-key'], ({ signal }) => ask(api.GET('/api/backup-key', { signal })));
/** A list that grows without end, read page by page. */
export type PagedList<Row> = { key: string[]; read: (find: string, after: string, signal: AbortSignal) => Promise<Row[]> };

export const comparisonsList: PagedList<Schemas['ComparisonRow']> = {
    key: ['comparisons', 'list'],
    read: (find, after, signal) => ask(api.GET('/api/comparisons', { signal, params: { query: { find, ...(after === '' ? {} : { after }) } } })),
};
/** Those that were begun, with what was recorded of them. */
export const verdictsList: PagedList<Schemas['VerdictRow']> = {
    key: ['comparisons', 'verdicts'],
    read: (find, after, signal) => ask(api.GET('/api/verdicts', { signal, params: { query: { find, ...(after === '' ? {} : { after }) } } })),
};
export const platesList = (retired: boolean): PagedList<Schemas['Plate']> => ({
    key: ['plates', 'list', retired ? 'all' : 'in-use'],
    read: (find, after, signal) => ask(api.GET('/api/plates', { signal, params: { query: { find, retired, ...(after === '' ? {} : { after }) } } })),
});
export const lotsList = (retired: boolean): PagedList<Schemas['Lot']> => ({
    key: ['lots', 'list', retired ? 'all' : 'in-use'],
    read: (find, after, signal) => ask(api.GET('/api/lots', { signal, params: { query: { find, retired, ...(after === '' ? {} : { after }) } } })),
});
export type ProfilesOf = { materialId?: string; printerId?: string; sideId?: string; status?: Schemas['ProfileStatus'] };
export const profilesList = (only: ProfilesOf): PagedList<Schemas['ProfileRow']> => ({
    key: ['profiles', 'list', JSON.stringify(only)],
    read: (find, after, signal) => ask(api.GET('/api/profiles', { signal, params: { query: { find, ...only, ...(after === '' ? {} : { after }) } } })),
});

export const sideCareQuery = (id: string) => queryOptions({ queryKey: ['care', id], queryFn: ({ signal }) => ask(api.GET('/api/plate-sides/{id}/care', { signal, params: { path: { id } } })) });
export const proceduresQuery = (id: string) => queryOptions({ queryKey: ['care', id, 'procedures'], queryFn: ({ signal }) => ask(api.GET('/api/plate-sides/{id}/procedures', { signal, params: { path: { id } } })) });
export const careQuery = queryOptions({ queryKey: ['care'], queryFn: ({ signal }) => ask(api.GET('/api/care', { signal })) });

/** A page of the log, by whom, what and which thing. */
export const auditQuery = (only: { person: string; action: string; subject: string; after: string }) => queryOptions({ queryKey: ['audit', only], queryFn: ({ signal }) => ask(api.GET('/api/audit', { signal, params: { query: only } })) });
/** What the runs of a setup carry, by what is claimed for them. */
export const assessQuery = (wish: { setupId: string; anyLot: boolean; anyPlate: boolean; plan: Schemas['AcceptancePlan'] }) =>
    queryOptions({ queryKey: ['assess', wish], queryFn: ({ signal }) => ask(api.POST('/api/profiles/assess', { signal, body: wish })) });
export const settingsQuery = queryOptions({ queryKey: ['settings'], queryFn: ({ signal }) => ask(api.GET('/api/settings', { signal })) });
/** A plan to begin from; while a form is open its beginning stays as it was, and the next form begins anew. */
export const begunQuery = (body: Schemas['BeginPlan']) => queryOptions({ queryKey: ['begun', body], queryFn: ({ signal }) => ask(api.POST('/api/plans/begin', { signal, body })), staleTime: Infinity, gcTime: 0 });
export const usualQuery = queryOptions({ queryKey: ['usual'], queryFn: ({ signal }) => ask(api.GET('/api/usual', { signal })), staleTime: Infinity });
export const termsQuery = queryOptions({ queryKey: ['terms'], queryFn: ({ signal }) => ask(api.GET('/api/terms', { signal })), staleTime: Infinity });
export const calculatorsQuery = queryOptions({ queryKey: ['calculators'], queryFn: ({ signal }) => ask(api.GET('/api/calculators', { signal })), staleTime: Infinity });
export const piecesQuery = queryOptions({ queryKey: ['pieces'], queryFn: ({ signal }) => ask(api.GET('/api/test-pieces', { signal })), staleTime: Infinity });
export const feelersQuery = from(['feelers'], ({ signal }) => ask(api.GET('/api/feelers', { signal })));
export const gaugesQuery = from(['gauges'], ({ signal }) => ask(api.GET('/api/gauges', { signal })));
export const openJobsQuery = queryOptions({ queryKey: ['jobs', 'open'], queryFn: ({ signal }) => ask(api.GET('/api/jobs', { signal, params: { query: { status: 'open' } } })) });
export const jobsList: PagedList<Schemas['Job']> = {
    key: ['jobs', 'list'],
    read: (find, after, signal) => ask(api.GET('/api/jobs', { signal, params: { query: { status: 'answered', find, ...(after === '' ? {} : { after }) } } })),
};
export const learnedQuery = queryOptions({ queryKey: ['learned'], queryFn: ({ signal }) => ask(api.GET('/api/learned', { signal })) });
export const cameTrueQuery = queryOptions({ queryKey: ['jobs', 'came-true'], queryFn: ({ signal }) => ask(api.GET('/api/jobs/came-true', { signal })) });
export const fixCasesQuery = queryOptions({ queryKey: ['fix', 'cases'], queryFn: ({ signal }) => ask(api.GET('/api/fix/cases', { signal })) });
export const coverageQuery = queryOptions({ queryKey: ['coverage'], queryFn: ({ signal }) => ask(api.GET('/api/coverage', { signal })) });
export const smallestSetQuery = (atLeast: number) => queryOptions({ queryKey: ['coverage', 'set', String(atLeast)], queryFn: ({ signal }) => ask(api.GET('/api/coverage/smallest-set', { signal, params: { query: { atLeast } } })), placeholderData: keepPreviousData });
export const reportQuery = (months: number) => queryOptions({ queryKey: ['jobs', 'report', String(months)], queryFn: ({ signal }) => ask(api.GET('/api/report', { signal, params: { query: { months } } })) });
export const benchesQuery = queryOptions({ queryKey: ['comparisons', 'benches'], queryFn: ({ signal }) => ask(api.GET('/api/benches', { signal })) });
export const thermometersQuery = from(['thermometers'], ({ signal }) => ask(api.GET('/api/thermometers', { signal })));
/** Looked at about as often as a thermometer shows something new. */
export const coolingQuery = (runId: string) => queryOptions({ queryKey: ['cooling', runId], queryFn: ({ signal }) => ask(api.GET('/api/runs/{id}/cooling', { signal, params: { path: { id: runId } } })), staleTime: 0, refetchInterval: (query) => (query.state.data?.cooling?.state === 'waiting' || query.state.data?.cooling?.state === 'watching' ? 1_000 : 5_000) });
export const pairsQuery = queryOptions({ queryKey: ['pairs'], queryFn: ({ signal }) => ask(api.GET('/api/catalogue/pairs', { signal })) });
export const pairQuery = (materialId: string, surfaceId: string) =>
    queryOptions({
        queryKey: ['pairs', materialId, surfaceId],
        // Nothing known of a pair is an answer, and no fault.
        queryFn: ({ signal }) => ask(api.GET('/api/catalogue/pairs/{materialId}/{surfaceId}', { signal, params: { path: { materialId, surfaceId } } })).catch((error: unknown) => (error instanceof Problem && error.status === 404 ? null : Promise.reject(error instanceof Error ? error : new Error('The pair could not be read.')))),
    });
export const surfaceTemperaturesQuery = from(['surface-temperatures'], ({ signal }) => ask(api.GET('/api/surface-temperatures', { signal })));

export const comparisonQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id], queryFn: ({ signal }) => ask(api.GET('/api/comparisons/{id}', { signal, params: { path: { id } } })) });
export const judgementQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id, 'judgement'], queryFn: ({ signal }) => ask(api.GET('/api/comparisons/{id}/judgement', { signal, params: { path: { id } } })) });
export const runQuery = (id: string) => queryOptions({ queryKey: ['runs', id], queryFn: ({ signal }) => ask(api.GET('/api/runs/{id}', { signal, params: { path: { id } } })), refetchInterval: 4_000 });
export const profileQuery = (id: string) => queryOptions({ queryKey: ['profiles', id], queryFn: ({ signal }) => ask(api.GET('/api/profiles/{id}', { signal, params: { path: { id } } })) });

export function useSession(): Schemas['Session'] {
    return useSuspenseQuery(sessionQuery).data;
}

export function useMay(): { test: boolean; lead: boolean } {
    const role = useSession().user?.role;
    return { test: role === 'technician' || role === 'lead', lead: role === 'lead' };
}

/** A change on the server; afterwards what it touches is fetched anew, and always what rests on everything. */
export function useChange<Body, Answer>(send: (body: Body) => Promise<Answer>, touches: string[], after?: (answer: Answer) => void) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: send,
        onSuccess: async (answer) => {
            await Promise.all([...touches, 'overview', 'choose', 'bench'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
            after?.(answer);
        },
    });
}
