import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';

import { api, ask, type Schemas } from '../api/client';
import { useMay } from '../api/queries';
import { keepPicked } from '../choose/picked';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Fault } from '../ui/Notice';
import { say } from '../words/say';

/** What would tell whether the maker's chart is true here. */
export function FirstTests({ of, id, name, onDone }: { of: 'surface' | 'material'; id: string; name: string; onDone: () => void }) {
    const { data, error, isPending } = useQuery({ 
        queryKey: ['choose', 'first-tests', id],
        queryFn: ({ signal }) => (of === 'surface' ? ask(api.GET('/api/own-surfaces/{id}/first-tests', { signal, params: { path: { id } } })) : ask(api.GET('/api/own-materials/{id}/first-tests', { signal, params: { path: { id } } }))),
    });
    const navigate = useNavigate();
    const may = useMay();
    const plan = async ({ printerId, lotId, materialId, roomC, runsPerSetup, setups }: Schemas['FirstTests']['tests'][number]) => {
        keepPicked({ printerId, lotId, materialId, roomC, runsPerSetup, setups: setups.map(({ plateSideId, agentId, bedFirstC, bedOtherC, unheated, label }) => ({ plateSideId, agentId, bedFirstC, bedOtherC, unheated, label })) });
        await navigate({ to: '/test/new' });
    };
    return (
        <Dialog title={say('shelf.first_tests_of', { name })} open onOpen={(open) => !open && onDone()}>
            {isPending ? <p>{say('shelf.looking')}</p> : null}
            <Fault error={error} />
            <ul className="flex flex-col gap-4">
                {data?.tests.map((test) => (
                    <li key={test.materialId} className="border-l-4 border-accent pl-4">
                        <h3 className="font-[650]">{test.title}</h3>
                        <ul className="my-1 list-disc pl-5">
                            {test.setups.map((setup) => (
                                <li key={setup.label}>
                                    {setup.label}: {setup.surfaceName}, {setup.dial ? say('shelf.bed_2', { dial: setup.dial }) : say('shelf.bed_off')}
                                </li>
                            ))}
                        </ul>
                        <p className="text-soft">{test.why}</p>
                        {may.test ? (
                            <Button tone="main" className="mt-2" onClick={() => void plan(test)}>{say('shelf.plan_it')}</Button>
                        ) : null}
                    </li>
                ))}
            </ul>
            {data && data.tests.length === 0 && data.missing.length === 0 ? <p>{say('shelf.the_chart_names_nothing_that_could')}</p> : null}
            {data?.missing.map((sentence) => (
                <p key={sentence} className="mt-3 text-soft">
                    {sentence}
                </p>
            ))}
        </Dialog>
    );
}
