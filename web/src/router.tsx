import type { QueryClient } from '@tanstack/react-query';
import { createRootRouteWithContext, createRoute, createRouter, lazyRouteComponent } from '@tanstack/react-router';

import type { Schemas } from './api/client';
import { agentsQuery, backupKeyQuery, benchQuery, calculatorsQuery, cameTrueQuery, careQuery, catalogueQuery, comparisonQuery, coverageQuery, feelersQuery, gaugesQuery, judgementQuery, learnedQuery, lotsQuery, openJobsQuery, overviewQuery, pairsQuery, piecesQuery, sidesQuery, printersQuery, proceduresQuery, profileQuery, reportQuery, runQuery, sessionQuery, settingsQuery, sideCareQuery, termsQuery, thermometersQuery, usersQuery, usualQuery, type AnyQuery } from './api/queries';
import type { Address } from './choose/address';
import { hasLeft } from './shell/leaving';
import { NotThere, Root, RouteFault } from './shell/Root';

const root = createRootRouteWithContext<{ queries: QueryClient }>()({ component: Root, notFoundComponent: NotThere, errorComponent: RouteFault });

/** A page in a chunk of its own; while that is fetched, what the page asks for is on its way too. */
const at = <Path extends string, Name extends string>(path: Path, page: () => Promise<Record<Name, () => React.ReactNode>>, name: Name, asks: AnyQuery[] | ((id: string) => AnyQuery[]) = []) =>
    createRoute({
        getParentRoute: () => root,
        path,
        component: lazyRouteComponent(page, name),
        loader: ({ context, params }) => ahead(context.queries, typeof asks === 'function' ? asks((params as { id?: string }).id ?? '') : asks),
    });

/** The first page is waited for together with what stands around it; on the way from page to page the one before stays in view. */
let isFirst = true;

function ahead(queries: QueryClient, asks: AnyQuery[]): Promise<void> | undefined {
    if (!isFirst) {
        void answers(queries, asks);
        return undefined;
    }
    isFirst = false;
    return answers(queries, [...asks, benchQuery, termsQuery]);
}

async function answers(queries: QueryClient, asks: AnyQuery[]): Promise<void> {
    // Who signed out without network is out: of that the server hears before anything else.
    if (hasLeft()) return;
    const session = await queries.query(sessionQuery).catch(() => null);
    if (session?.user) await Promise.all(asks.map((ask) => queries.query(ask).catch(() => null)));
}

/** Empty, from what was picked in Choose, or after a comparison that left a setup open. */
const newPlan = createRoute({
    getParentRoute: () => root,
    path: '/test/new',
    component: lazyRouteComponent<Record<'NewPlan', () => React.ReactNode>, 'NewPlan'>(() => import('./test/Plan'), 'NewPlan'),
    loader: ({ context }) => ahead(context.queries, [printersQuery, lotsQuery, sidesQuery, agentsQuery, catalogueQuery, usualQuery]),
    validateSearch: (search: Record<string, unknown>): { after?: string; setup?: string; runs?: number; kind?: string } => ({
        ...(typeof search.after === 'string' ? { after: search.after } : {}),
        ...(typeof search.kind === 'string' ? { kind: search.kind } : {}),
        ...(typeof search.setup === 'string' ? { setup: search.setup } : {}),
        ...(typeof search.runs === 'number' ? { runs: search.runs } : {}),
    }),
});

const manual = createRoute({
    getParentRoute: () => root,
    path: '/manual',
    component: lazyRouteComponent<Record<'Manual', () => React.ReactNode>, 'Manual'>(() => import('./help/Manual'), 'Manual'),
    validateSearch: (search: Record<string, unknown>): { at?: string } => (typeof search.at === 'string' ? { at: search.at } : {}),
});

/** A part of the shelf, with what is looked for in it. */
const shelf = createRoute({
    getParentRoute: () => root,
    path: '/shelf',
    component: lazyRouteComponent<Record<'Shelf', () => React.ReactNode>, 'Shelf'>(() => import('./shelf/Shelf'), 'Shelf'),
    loader: ({ context }) => ahead(context.queries, [sidesQuery, printersQuery, agentsQuery, lotsQuery, gaugesQuery, feelersQuery, thermometersQuery, catalogueQuery]),
    validateSearch: (search: Record<string, unknown>): { tab?: string; find?: string } => ({
        ...(typeof search.tab === 'string' ? { tab: search.tab } : {}),
        ...(typeof search.find === 'string' ? { find: search.find } : {}),
    }),
});

/** All of a choice is in its address. */
const choose = createRoute({
    getParentRoute: () => root,
    path: '/choose',
    component: lazyRouteComponent<Record<'Choose', () => React.ReactNode>, 'Choose'>(() => import('./choose/Choose'), 'Choose'),
    loader: ({ context }) => ahead(context.queries, [catalogueQuery, printersQuery, lotsQuery, usualQuery]),
    // The page itself looks at it: what that takes is loaded with it.
    validateSearch: (search: Record<string, unknown>) => search as Address,
});

/** All prints, or those on a side: what the code on a plate opens. */
const prints = createRoute({
    getParentRoute: () => root,
    path: '/prints',
    component: lazyRouteComponent<Record<'Prints', () => React.ReactNode>, 'Prints'>(() => import('./prints/Prints'), 'Prints'),
    loader: ({ context }) => ahead(context.queries, [openJobsQuery]),
    validateSearch: (search: Record<string, unknown>): { side?: string } => (typeof search.side === 'string' ? { side: search.side } : {}),
});

/** What was said of what is wrong, and what was tried. */
const fix = createRoute({
    getParentRoute: () => root,
    path: '/fix',
    component: lazyRouteComponent<Record<'Fix', () => React.ReactNode>, 'Fix'>(() => import('./fix/Fix'), 'Fix'),
    loader: ({ context }) => ahead(context.queries, [catalogueQuery, sidesQuery, lotsQuery]),
    validateSearch: (search: Record<string, unknown>): { symptom?: string; side?: string; lot?: string; tried?: string[]; found?: string; at?: string; part?: Schemas['Part']; named?: string } => ({
        ...(typeof search.symptom === 'string' ? { symptom: search.symptom } : {}),
        ...(typeof search.side === 'string' ? { side: search.side } : {}),
        ...(typeof search.lot === 'string' ? { lot: search.lot } : {}),
        ...(Array.isArray(search.tried) ? { tried: search.tried.filter((each) => typeof each === 'string') } : {}),
        ...(typeof search.found === 'string' ? { found: search.found } : {}),
        ...(typeof search.at === 'string' ? { at: search.at } : {}),
        ...(typeof search.part === 'object' && search.part !== null ? { part: search.part as Schemas['Part'] } : {}),
        ...(typeof search.named === 'string' ? { named: search.named } : {}),
    }),
});

const tree = root.addChildren([
    at('/', () => import('./shell/Start'), 'Start', [overviewQuery, termsQuery]),
    choose,
    at('/choose/catalogue', () => import('./choose/Catalogue'), 'Catalogue', [catalogueQuery, pairsQuery]),
    at('/choose/heat', () => import('./choose/Heat'), 'Heat', [catalogueQuery, sidesQuery, printersQuery, usualQuery]),
    at('/test', () => import('./test/ComparisonList'), 'ComparisonList', [catalogueQuery]),
    newPlan,
    at('/test/$id', () => import('./test/ComparisonPage'), 'ComparisonPage', (id) => [comparisonQuery(id), catalogueQuery, termsQuery]),
    at('/test/$id/plan', () => import('./test/Plan'), 'EditPlan', (id) => [comparisonQuery(id), printersQuery, lotsQuery, sidesQuery, agentsQuery, catalogueQuery, usualQuery]),
    at('/test/$id/import', () => import('./test/Import'), 'Import', (id) => [comparisonQuery(id)]),
    at('/runs/$id', () => import('./test/RunSheet'), 'RunSheet', (id) => [runQuery(id), termsQuery, gaugesQuery, thermometersQuery]),
    at('/test/pieces', () => import('./test/Pieces'), 'Pieces', [piecesQuery]),
    at('/judge', () => import('./judge/JudgeList'), 'JudgeList'),
    at('/judge/$id', () => import('./judge/Judgement'), 'Judgement', (id) => [judgementQuery(id), termsQuery]),
    at('/judge/$id/report', () => import('./judge/Report'), 'Report', (id) => [judgementQuery(id), comparisonQuery(id), termsQuery]),
    at('/keep', () => import('./keep/ProfileList'), 'ProfileList', [catalogueQuery, printersQuery, sidesQuery]),
    at('/keep/propose/$id', () => import('./keep/Propose'), 'Propose', (id) => [comparisonQuery(id), usualQuery]),
    at('/keep/coverage', () => import('./keep/CoveragePage'), 'CoveragePage', [coverageQuery]),
    at('/keep/$id', () => import('./keep/ProfilePage'), 'ProfilePage', (id) => [profileQuery(id)]),
    at('/keep/$id/card', () => import('./keep/Card'), 'Card', (id) => [profileQuery(id)]),
    at('/care', () => import('./care/Care'), 'Care', [careQuery, printersQuery, catalogueQuery]),
    at('/care/$id', () => import('./care/SideCare'), 'SideCare', (id) => [sideCareQuery(id), agentsQuery, catalogueQuery]),
    at('/care/$id/do/$procedure', () => import('./care/ProcedurePage'), 'ProcedurePage', (id) => [sideCareQuery(id), proceduresQuery(id)]),
    at('/care/sums', () => import('./care/Sums'), 'Sums', [calculatorsQuery]),
    fix,
    prints,
    at('/prints/read-in', () => import('./prints/ReadIn'), 'ReadIn'),
    at('/prints/report', () => import('./keep/ReportPage'), 'ReportPage', [reportQuery(12)]),
    at('/shelf/labels', () => import('./shelf/Labels'), 'Labels', [sidesQuery, lotsQuery, agentsQuery, catalogueQuery]),
    at('/prints/learned', () => import('./prints/Learned'), 'Learned', [learnedQuery]),
    at('/prints/came-true', () => import('./prints/CameTrue'), 'CameTrue', [cameTrueQuery, catalogueQuery]),
    manual,
    shelf,
    at('/people/log', () => import('./account/Log'), 'Log'),
    at('/people', () => import('./account/People'), 'People', [usersQuery, settingsQuery, backupKeyQuery]),
]);

export function createAppRouter(queries: QueryClient) {
    return createRouter({ routeTree: tree, context: { queries }, scrollRestoration: true });
}

declare module '@tanstack/react-router' {
    interface Register {
        router: ReturnType<typeof createAppRouter>;
    }
}
