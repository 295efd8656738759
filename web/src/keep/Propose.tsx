import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { usualQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { CheckField, TextField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { duration, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';

const route = getRouteApi('/keep/propose/$id');

function inHalfAYear(): string {
    const date = new Date();
    date.setMonth(date.getMonth() + 6);
    return date.toISOString().slice(0, 10);
}

export function Propose() {
    const { id: setupId } = route.useParams();
    const navigate = useNavigate();
    const [id] = useState(newId);
    const [title, setTitle] = useState('');
    const { data: usual } = useSuspenseQuery(usualQuery);
    const plans = usual.acceptance.map((each) => ({ ...each, name: `${Math.round(100 * each.reliability)}/${Math.round(100 * each.confidence)}` }));
    const [planName, setPlanName] = useState(plans[0]?.name ?? '');
    const plan = plans.find((each) => each.name === planName);
    const [failures, setFailures] = useState<'0' | '1'>('0');
    const [anyLot, setAnyLot] = useState(false);
    const [anyPlate, setAnyPlate] = useState(false);
    const [reviewBy, setReviewBy] = useState(inHalfAYear);
    const wish = { setupId, anyLot, anyPlate, plan: { reliability: plan?.reliability ?? 0.8, confidence: plan?.confidence ?? 0.9, failuresAllowed: Number(failures) } };
    const { data: assessment, error } = useQuery({ queryKey: ['assess', wish], queryFn: () => call<Schemas['Assessment']>('POST', '/profiles/assess', wish), placeholderData: keepPreviousData });
    const propose = useChange(
        () => call<Schemas['Profile']>('POST', '/profiles', { ...wish, id, title, reviewBy }),
        ['profiles'],
        (profile) => void navigate({ to: '/keep/$id', params: { id: profile.id } }),
    );
    const fault = propose.error instanceof Problem ? propose.error : undefined;
    return (
        <Sheet
            title="Propose a profile"
            lead="Say how sure it has to be and how far it is to reach; the evidence answers at once."
            margin={
                <MarginNote title="How many runs are enough">
                    {plans.map((each) => (
                        <p key={each.name}>
                            <strong>{each.name}</strong>: {each.runsWithoutFailure} runs without failure, or {each.runsWithOneFailure} with one. {each.words}
                        </p>
                    ))}
                    <p>All runs of this setup and fitting since the last change of the printer count; voids are shown beside.</p>
                </MarginNote>
            }
        >
            <form
                className="flex max-w-3xl flex-col gap-6"
                onSubmit={(event) => {
                    event.preventDefault();
                    propose.mutate(undefined);
                }}
            >
                <ChoiceRow label="Reliability / confidence, %" value={planName} onValue={setPlanName} options={plans.map(({ name }) => ({ value: name, label: name }))} />
                <ChoiceRow
                    label="Failures allowed"
                    value={failures}
                    onValue={setFailures}
                    options={[
                        { value: '0', label: 'none' },
                        { value: '1', label: 'one' },
                    ]}
                />
                <div>
                    <CheckField label={`For any lot of this material (needs runs with ${usual.anyNeeds} lots)`} checked={anyLot} onValue={setAnyLot} />
                    <CheckField label={`For any plate of this kind (needs runs on ${usual.anyNeeds} plates)`} checked={anyPlate} onValue={setAnyPlate} />
                </div>
                <Fault error={error} />
                {assessment ? <Assessed assessment={assessment} setupId={setupId} most={usual.plan.mostRunsAdded} /> : null}
                <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_12rem]">
                    <TextField label="Call it" value={title} onValue={setTitle} error={fault?.of('title')} required minLength={3} placeholder="Lot and plate, so that it is found again" />
                    <TextField label="Look at it again by" type="date" value={reviewBy} onValue={setReviewBy} error={fault?.of('reviewBy')} required />
                </div>
                <Fault error={propose.error} />
                <div>
                    <Button type="submit" tone="main" big disabled={propose.isPending || title.trim().length < 3}>
                        Propose it to a lead
                    </Button>
                </div>
            </form>
        </Sheet>
    );
}

function Assessed({ assessment, setupId, most }: { assessment: Schemas['Assessment']; setupId: string; most: number }) {
    const temperature = useQuantity('temperature');
    const { proven } = assessment;
    return (
        <div className="flex flex-col gap-3">
            <p className="text-4xl font-[650]">
                {assessment.runs} <span className="text-lg text-soft">of {assessment.runsNeeded} runs needed, {assessment.failures} failed, {assessment.voids} void beside{assessment.voidsAlone > 0 ? `, ${assessment.voidsAlone} of them declared by whoever made it, with the outcome known` : ''}</span>
            </p>
            {assessment.carried ? (
                <Notice tone="sound">The evidence carries it.</Notice>
            ) : (
                <Notice tone="caution">
                    <p>Not carried yet:</p>
                    <ul className="list-disc pl-5">
                        {assessment.missing.map((sentence) => (
                            <li key={sentence}>{sentence}</li>
                        ))}
                    </ul>
                    {assessment.moreRuns > 0 ? <PlanRuns comparison={assessment.comparison} setupId={setupId} count={Math.min(most, assessment.moreRuns)} /> : null}
                </Notice>
            )}
            {proven ? (
                <p>
                    {proven.longestJobMinutes === null ? 'No print was measured, so no length of job is proven;' : `Proven for jobs up to ${duration(proven.longestJobMinutes)},`} {proven.mostParts} {proven.mostParts === 1 ? 'part' : 'parts'} on the plate, a room of {temperature.bare(proven.roomLowC)} to {temperature.text(proven.roomHighC)}
                    {proven.enclosed ? ', in an enclosure' : ''}; {proven.lots} {proven.lots === 1 ? 'lot' : 'lots'}, {proven.plates} {proven.plates === 1 ? 'plate' : 'plates'}.
                </p>
            ) : null}
        </div>
    );
}

/** Plans the runs that the acceptance plan still wants. */
function PlanRuns({ comparison, setupId, count }: { comparison: Schemas['Assessment']['comparison']; setupId: string; count: number }) {
    const navigate = useNavigate();
    const [id] = useState(newId);
    const add = useChange(
        () => call('POST', `/comparisons/${comparison.id}/runs`, { id, version: comparison.version, setupId, count, pull: 'both' }),
        ['comparisons', 'assess'],
        () => void navigate({ to: '/test/$id', params: { id: comparison.id } }),
    );
    return (
        <div className="mt-3">
            <Button onClick={() => add.mutate(undefined)} disabled={add.isPending}>
                {count === 1 ? 'Plan 1 more run' : `Plan ${count} more runs`}
            </Button>
            <Fault error={add.error} />
        </div>
    );
}
