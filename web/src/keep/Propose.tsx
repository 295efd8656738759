import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { v7 } from 'uuid';

import { api, ask, type Schemas } from '../api/client';
import { assessQuery, useChange, usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { CheckField, DateField, SelectField, TextField, type Option } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { duration, useFigures, useQuantity } from '../ui/quantity';
import { as, flag, picked, text, whole, words } from '../ui/shape';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say, tell } from '../words/say';

type Values = { series: string; title: string; planName: string; failures: '0' | '1'; anyLot: boolean; anyPlate: boolean; reviewBy: string | null };

const SHAPE = whole({ series: text(), title: words(), planName: picked(), failures: as<'0' | '1'>(), anyLot: flag(), anyPlate: flag(), reviewBy: words() });
const FAILURES: Option<'0' | '1'>[] = [
    { value: '0', label: say('keep.none') },
    { value: '1', label: say('keep.one') },
];

const route = getRouteApi('/keep/propose/$id');

function inHalfAYear(): string {
    const date = new Date();
    date.setMonth(date.getMonth() + 6);
    return date.toISOString().slice(0, 10);
}

/** What the runs of a setup may be signed for: as a profile of its own, or as a new revision of one that stands. */
export function Propose(): React.ReactNode {
    const { id: setupId } = route.useParams();
    const { data: usual } = useSuspenseQuery(usualQuery);
    const plan = usual.acceptance[0];
    const { data, isPending } = useQuery(assessQuery({ setupId, anyLot: false, anyPlate: false, plan: { reliability: plan?.reliability ?? 0, confidence: plan?.confidence ?? 0, failuresAllowed: 0 } }));
    return isPending ? null : <ProposalForm key={setupId} setupId={setupId} revises={data?.revises ?? []} />;
}

function ProposalForm({ setupId, revises }: { setupId: string; revises: Schemas['Assessment']['revises'] }) {
    const navigate = useNavigate();
    const figure = useFigures();
    const key = useKey();
    const { data: usual } = useSuspenseQuery(usualQuery);
    const plans = usual.acceptance.map((each) => ({ ...each, name: `${figure('share').bare(each.reliability)}/${figure('share').bare(each.confidence)}` }));
    const wishOf = ({ planName, failures, anyLot, anyPlate }: Pick<Values, 'planName' | 'failures' | 'anyLot' | 'anyPlate'>) => {
        const plan = plans.find((each) => each.name === planName) ?? plans[0];
        return { setupId, anyLot, anyPlate, plan: { reliability: plan?.reliability ?? 0, confidence: plan?.confidence ?? 0, failuresAllowed: Number(failures) } };
    };
    const draft = useDraft({
        start: (): Values => ({ series: revises[0]?.series ?? '', title: revises[0]?.title ?? '', planName: plans[0]?.name ?? '', failures: '0', anyLot: false, anyPlate: false, reviewBy: inHalfAYear() }),
        schema: SHAPE,
        send: ({ series, title, reviewBy, ...wish }) => ask(api.POST('/api/profiles', { body: { ...wishOf(wish), id: key, title, reviewBy, ...(series === '' ? {} : { series }) } })),
        touches: ['profiles'],
        after: (profile) => void navigate({ to: '/keep/$id', params: { id: profile.id } }),
    });
    const { values, at } = draft;
    const wish = wishOf(values);
    const { data: assessment, error } = useQuery({ ...assessQuery(wish), placeholderData: keepPreviousData });
    return (
        <Sheet
            title={say('keep.propose_a_profile')}
            lead={say('keep.say_how_sure_it_has_to')}
            margin={
                <MarginNote title={say('keep.how_many_runs_are_enough')}>
                    {plans.map((each) => (
                        <p key={each.name}>
                            {tell('keep.runs_without_failure_or_with_one', { each: each.name, b: (words) => <strong>{words}</strong>, runsWithoutFailure: each.runsWithoutFailure, runsWithOneFailure: each.runsWithOneFailure, words: each.words })}
                        </p>
                    ))}
                    <p>{say('keep.all_runs_of_this_setup_and')}</p>
                </MarginNote>
            }
        >
            <DraftForm draft={draft} send={say('keep.propose_it_to_a_lead')} big className="flex max-w-3xl flex-col gap-6">
                <ChoiceRow label={say('keep.reliability_confidence')} {...at('planName')} options={plans.map(({ name }) => ({ value: name, label: name }))} />
                <ChoiceRow label={say('keep.failures_allowed')} {...at('failures')} options={FAILURES} />
                <div>
                    <CheckField label={say('keep.for_any_lot_of_this_material', { anyNeeds: usual.anyNeeds })} {...at('anyLot')} />
                    <CheckField label={say('keep.for_any_plate_of_this_kind', { anyNeeds: usual.anyNeeds })} {...at('anyPlate')} />
                </div>
                <Fault error={error} />
                {assessment ? <Assessed assessment={assessment} setupId={setupId} most={usual.mostRunsAdded} /> : null}
                {revises.length > 0 ? (
                    <SelectField
                        label={say('keep.what_it_is')}
                        {...at('series')}
                        options={[...revises.map((each) => ({ value: each.series, label: say('keep.revision_of', { revision: each.revision + 1, title: each.title }) })), { value: '', label: say('keep.a_profile_of_its_own') }]}
                    />
                ) : null}
                <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_12rem]">
                    <TextField label={say('keep.name_of_the_profile')} {...at('title')} required placeholder={say('keep.lot_and_plate_so_that_it')} />
                    <DateField label={say('keep.look_at_it_again_by')} {...at('reviewBy')} />
                </div>
            </DraftForm>
        </Sheet>
    );
}

function Assessed({ assessment, setupId, most }: { assessment: Schemas['Assessment']; setupId: string; most: number }) {
    const temperature = useQuantity('temperature');
    const { proven } = assessment;
    return (
        <div className="flex flex-col gap-3">
            <p className="text-4xl font-[650]">
                {assessment.runs} <span className="text-lg text-soft">{say('keep.of_runs_needed', { runsNeeded: assessment.runsNeeded, failures: assessment.failures, voids: assessment.voids, voidsAloneIf: assessment.voidsAlone > 0, voidsAlone: (assessment.voidsAlone > 0) ? assessment.voidsAlone : '' })}</span>
            </p>
            {assessment.carried ? (
                <Notice tone="sound">{say('keep.the_evidence_carries_it')}</Notice>
            ) : (
                <Notice tone="caution">
                    <p>{say('keep.not_carried_yet')}</p>
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
                    {say('keep.proven_for', { longestJobMinutesIsNull: proven.longestJobMinutes === null, longestJobMinutes: proven.longestJobMinutes === null ? '' : duration(proven.longestJobMinutes), mostParts: proven.mostParts, roomLowC: temperature.bare(proven.roomLowC), roomHighC: temperature.text(proven.roomHighC) })}
                    {proven.enclosed ? say('keep.in_an_enclosure') : ''}; {proven.lots} {proven.lots === 1 ? say('keep.lot') : say('keep.lots')}, {proven.plates} {proven.plates === 1 ? say('keep.plate_2') : say('keep.plates')}.
                </p>
            ) : null}
        </div>
    );
}

/** Plans the runs that the acceptance plan still wants. */
function PlanRuns({ comparison, setupId, count }: { comparison: Schemas['Assessment']['comparison']; setupId: string; count: number }) {
    const navigate = useNavigate();
    const [id] = useState(() => v7());
    const add = useChange(
        () => ask(api.POST('/api/comparisons/{id}/runs', { params: { path: { id: comparison.id } }, body: { id, version: comparison.version, setupId, count, pull: 'both' } })),
        ['comparisons', 'assess'],
        () => void navigate({ to: '/test/$id', params: { id: comparison.id } }),
    );
    return (
        <div className="mt-3">
            <Button onClick={() => add.mutate(undefined)} disabled={add.isPending}>
                {count === 1 ? say('keep.plan_1_more_run') : say('keep.plan_more_runs', { count })}
            </Button>
            <Fault error={add.error} />
        </div>
    );
}
