import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient, useSuspenseQuery } from '@tanstack/react-query';

import { call, Problem, setToken, type Schemas } from './client';

const list = <T>(key: string) => queryOptions({ queryKey: [key], queryFn: () => call<T[]>('GET', '/' + key) });

export const sessionQuery = queryOptions({
    queryKey: ['session'],
    queryFn: async () => {
        const session = await call<Schemas['Session']>('GET', '/session');
        setToken(session.csrf);
        return session;
    },
    staleTime: 60_000,
});
export const overviewQuery = queryOptions({ queryKey: ['overview'], queryFn: () => call<Schemas['Overview']>('GET', '/overview'), refetchInterval: 15_000 });
export const catalogueQuery = queryOptions({ queryKey: ['catalogue'], queryFn: () => call<Schemas['Catalogue']>('GET', '/catalogue'), staleTime: 60_000 });
export const printersQuery = list<Schemas['Printer']>('printers');
export const platesQuery = list<Schemas['Plate']>('plates');
export const agentsQuery = list<Schemas['Agent']>('agents');
export const lotsQuery = list<Schemas['Lot']>('lots');
export const ownSurfacesQuery = list<Schemas['OwnSurface']>('own-surfaces');
export const ownMaterialsQuery = list<Schemas['OwnMaterial']>('own-materials');
export const usersQuery = list<Schemas['User']>('users');
export const comparisonsQuery = list<Schemas['ComparisonRow']>('comparisons');
/** Profiles page by page; a page that is full may have another after it. */
export const profilesQuery = (find: string) =>
    infiniteQueryOptions({
        queryKey: ['profiles', 'list', find],
        queryFn: ({ pageParam }) => call<Schemas['ProfileRow'][]>('GET', `/profiles?${new URLSearchParams({ find, after: pageParam }).toString()}`),
        initialPageParam: '',
        getNextPageParam: (last) => (last.length < 50 ? undefined : last[last.length - 1]?.id),
    });
export const careQuery = queryOptions({ queryKey: ['care'], queryFn: () => call<Schemas['Care']>('GET', '/care') });

export const settingsQuery = queryOptions({ queryKey: ['settings'], queryFn: () => call<Schemas['Settings']>('GET', '/settings') });
export const usualQuery = queryOptions({ queryKey: ['usual'], queryFn: () => call<Schemas['Usual']>('GET', '/usual'), staleTime: Infinity });
export const gaugesQuery = list<Schemas['Gauge']>('gauges');
export const pairsQuery = queryOptions({ queryKey: ['pairs'], queryFn: () => call<Schemas['Pairing'][]>('GET', '/catalogue/pairs') });
export const pairQuery = (materialId: string, surfaceId: string) =>
    queryOptions({
        queryKey: ['pairs', materialId, surfaceId],
        // Nothing known of a pair is an answer, and no fault.
        queryFn: () => call<Schemas['PairingDetail']>('GET', `/catalogue/pairs/${materialId}/${surfaceId}`).catch((error: unknown) => (error instanceof Problem && error.status === 404 ? null : Promise.reject(error instanceof Error ? error : new Error('The pair could not be read.')))),
    });
export const surfaceTemperaturesQuery = list<Schemas['SurfaceTemperature']>('surface-temperatures');

export const comparisonQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id], queryFn: () => call<Schemas['Comparison']>('GET', `/comparisons/${id}`) });
export const judgementQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id, 'judgement'], queryFn: () => call<Schemas['Judgement']>('GET', `/comparisons/${id}/judgement`) });
export const runQuery = (id: string) => queryOptions({ queryKey: ['runs', id], queryFn: () => call<Schemas['RunSheet']>('GET', `/runs/${id}`), refetchInterval: 4_000 });
export const profileQuery = (id: string) => queryOptions({ queryKey: ['profiles', id], queryFn: () => call<Schemas['Profile']>('GET', `/profiles/${id}`) });

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
            await Promise.all([...touches, 'overview', 'choose'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
            after?.(answer);
        },
    });
}
