import type { QueryClient } from '@tanstack/react-query';
import { createRootRoute, createRoute, createRouter } from '@tanstack/react-router';

import { People } from './account/People';
import { Care } from './care/Care';
import { Catalogue } from './choose/Catalogue';
import { Choose } from './choose/Choose';
import { Heat } from './choose/Heat';
import { Fix } from './fix/Fix';
import { JudgeList } from './judge/JudgeList';
import { Judgement } from './judge/Judgement';
import { Card } from './keep/Card';
import { ProfileList } from './keep/ProfileList';
import { ProfilePage } from './keep/ProfilePage';
import { Propose } from './keep/Propose';
import { Shelf } from './shelf/Shelf';
import { NotThere, Root, RouteFault } from './shell/Root';
import { Start } from './shell/Start';
import { ComparisonList } from './test/ComparisonList';
import { ComparisonPage } from './test/ComparisonPage';
import { EditPlan, NewPlan } from './test/Plan';
import { Import } from './test/Import';
import { RunSheet } from './test/RunSheet';

const root = createRootRoute({ component: Root, notFoundComponent: NotThere, errorComponent: RouteFault });
const at = <Path extends string>(path: Path, component: () => React.ReactNode) => createRoute({ getParentRoute: () => root, path, component });

/** Empty, from what was picked in Choose, or after a comparison that left a setup open. */
const newPlan = createRoute({
    getParentRoute: () => root,
    path: '/test/new',
    component: NewPlan,
    validateSearch: (search: Record<string, unknown>): { after?: string; setup?: string; runs?: number } => ({
        ...(typeof search.after === 'string' ? { after: search.after } : {}),
        ...(typeof search.setup === 'string' ? { setup: search.setup } : {}),
        ...(typeof search.runs === 'number' ? { runs: search.runs } : {}),
    }),
});

const tree = root.addChildren([
    at('/', Start),
    at('/choose', Choose),
    at('/choose/catalogue', Catalogue),
    at('/choose/heat', Heat),
    at('/test', ComparisonList),
    newPlan,
    at('/test/$id', ComparisonPage),
    at('/test/$id/plan', EditPlan),
    at('/test/$id/import', Import),
    at('/runs/$id', RunSheet),
    at('/judge', JudgeList),
    at('/judge/$id', Judgement),
    at('/keep', ProfileList),
    at('/keep/propose/$id', Propose),
    at('/keep/$id', ProfilePage),
    at('/keep/$id/card', Card),
    at('/care', Care),
    at('/fix', Fix),
    at('/shelf', Shelf),
    at('/people', People),
]);

export function createAppRouter(queries: QueryClient) {
    return createRouter({ routeTree: tree, context: { queries }, scrollRestoration: true });
}

declare module '@tanstack/react-router' {
    interface Register {
        router: ReturnType<typeof createAppRouter>;
    }
}
