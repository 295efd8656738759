import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, useNavigate } from '@tanstack/react-router';
import { useState, type ReactNode } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, comparisonQuery, lotsQuery, printersQuery, useSession, usualQuery } from '../api/queries';
import { dropPicked, takePicked } from '../choose/picked';
import { isResin } from '../choose/request';
import { useDraft, useKey } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { useFigures } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say, tell } from '../words/say';
import { usePlanChances } from './PlanChances';
import { PLAN, type PlanBody, type PlanValues } from './planShape';
import { Proof } from './Proof';
import { Setups } from './Setups';

type Start = Pick<PlanBody, 'constants' | 'limits' | 'proof' | 'durations' | 'runsPerSetup' | 'hotPerSetup'>;

/** Where to start: what the server says is usual, and the words of this bench. */
function begin(usual: Schemas['Usual']['plan']): Start {
    return {
        constants: {
            piece: usual.piece,
            gcodeName: 'pull-block.gcode',
            nozzleMm: usual.nozzleMm,
            nozzleFirstC: usual.nozzleFirstC,
            lineWidthMm: 0.45,
            gapMm: usual.gapMm,
            feeler: say('test.folded_note_paper_very_light_drag'),
            firstLayerSpeedMmS: 20,
            fan: say('test.fan_off'),
            holdDown: say('test.magnets'),
            brim: say('test.none'),
        },
        limits: usual.limits,
        proof: usual.proof,
        durations: usual.durations,
        runsPerSetup: usual.runsPerSetup,
        hotPerSetup: usual.hotPerSetup,
    };
}

const route = getRouteApi('/test/$id/plan');

const newRoute = getRouteApi('/test/new');

export function NewPlan(): ReactNode {
    const { after, setup, runs } = newRoute.useSearch();
    return after ? <PlanAfter id={after} setup={setup} runs={runs} /> : <FreshPlan />;
}

/** The plan of a comparison once more, for a setup that it left open; only its own runs will count. */
function PlanAfter({ id, setup, runs }: { id: string; setup: string | undefined; runs: number | undefined }) {
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const [start] = useState((): PlanBody => {
        const draft = draftOf(comparison);
        const setups = draft.setups.filter((_, i) => setup === undefined || comparison.setups[i]?.id === setup);
        const perSetup = runs ?? draft.runsPerSetup;
        const hot = Math.round((perSetup * draft.hotPerSetup) / draft.runsPerSetup);
        return { ...draft, setups, runsPerSetup: perSetup, hotPerSetup: hot, title: say('test.again', { title: draft.title.slice(0, 140) }), seed: draft.seed + 1 };
    });
    return <SavedPlan start={start} />;
}

function FreshPlan() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: usual } = useSuspenseQuery(usualQuery);
    const [start] = useState((): PlanBody => {
        const picked = takePicked();
        const material = catalogue.materials.find((m) => m.id === picked?.materialId);
        const lotId = picked?.lotId ?? lots.find((lot) => lot.materialId === picked?.materialId && !lot.retired)?.id ?? bench.lotId ?? '';
        const lot = lots.find((each) => each.id === lotId);
        const nozzle = catalogue.materials.find((m) => m.id === (material?.id ?? lot?.materialId))?.nozzle_c?.[1];
        const first = begin(usual.plan);
        const ofResin = isResin(catalogue, material?.id ?? lot?.materialId ?? '');
        return {
            ...first,
            ...(picked?.runsPerSetup ? { runsPerSetup: picked.runsPerSetup, hotPerSetup: Math.min(first.hotPerSetup, picked.runsPerSetup) } : {}),
            constants: { ...first.constants, ...(nozzle ? { nozzleFirstC: nozzle } : {}), ...(ofResin ? { piece: { ...first.constants.piece, name: say('test.exposure_discs') }, gcodeName: say('test.discs_file'), holdDown: say('test.screws') } : {}) },
            ...(ofResin ? { durations: { ...first.durations, heatAndSoakMinutes: 0, coolMinutes: 0 } } : {}),
            title: material ? say('test.which_of_setups', { material: material.name, setups: picked?.setups.length ?? 0 }) : '',
            lotId,
            printerId: picked?.printerId ?? bench.printerId ?? '',
            roomC: picked?.roomC ?? bench.roomC,
            seed: crypto.getRandomValues(new Uint16Array(1))[0] ?? 1,
            setups: picked?.setups.map(({ plateSideId, agentId, bedFirstC, bedOtherC, unheated }) => ({ plateSideId, agentId, bedFirstC, bedOtherC, unheated: unheated ?? false })) ?? [{ plateSideId: bench.plateSideId ?? '', agentId: bench.agentId, bedFirstC: null, bedOtherC: null, unheated: false }],
        };
    });
    return <SavedPlan start={start} />;
}

function SavedPlan({ start }: { start: PlanBody }) {
    const navigate = useNavigate();
    const key = useKey();
    return (
        <PlanForm
            title={say('test.plan_a_comparison')}
            start={() => start}
            row={null}
            send={(body) => ask(api.POST('/api/comparisons', { body: { ...body, id: key } }))}
            after={(comparison) => {
                dropPicked();
                void navigate({ to: '/test/$id', params: { id: comparison.id } });
            }}
        />
    );
}

export function EditPlan() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const navigate = useNavigate();
    return (
        <PlanForm
            title={say('test.change_the_plan')}
            start={() => draftOf(comparison)}
            row={comparison}
            send={(body, version) => ask(api.PUT('/api/comparisons/{id}', { params: { path: { id } }, body: { ...body, version } }))}
            after={() => void navigate({ to: '/test/$id', params: { id } })}
        />
    );
}

function draftOf({ title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups }: Schemas['Comparison']): PlanBody {
    const own = setups.map((s) => ({ plateSideId: s.plateSideId, agentId: s.agentId, bedFirstC: s.bedFirstC, bedOtherC: s.bedOtherC, unheated: s.bedFirstC === null }));
    return { title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups: own };
}

type PlanProps = { title: string; start: () => PlanValues; row: { version: number } | null; send: (body: PlanBody, version: number) => Promise<Schemas['Comparison']>; after: (comparison: Schemas['Comparison']) => void };

function PlanForm({ title, start, row, send, after }: PlanProps) {
    const figure = useFigures();
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: usual } = useSuspenseQuery(usualQuery);
    const draft = useDraft({ start, schema: PLAN, row, send, touches: ['comparisons'], after, read: (theirs) => draftOf(theirs as Schemas['Comparison']) });
    const { values, set, at } = draft;
    const constants = (part: Partial<PlanValues['constants']>) => set({ constants: { ...values.constants, ...part } });
    const piece = (part: Partial<PlanValues['constants']['piece']>) => constants({ piece: { ...values.constants.piece, ...part } });
    const durations = (part: Partial<PlanValues['durations']>) => set({ durations: { ...values.durations, ...part } });
    // The lot says what kind of printer it is for, and what has to be held constant.
    const lotKind = lots.find((each) => each.id === values.lotId) ? (isResin(catalogue, lots.find((each) => each.id === values.lotId)?.materialId ?? '') ? 'resin' : 'filament') : null;
    const resin = lotKind === 'resin';
    const chances = usePlanChances(values);
    const runsForShare = (chances.behind ? undefined : chances.data?.runsForShare) ?? '…';
    return (
        <Sheet
            title={title}
            lead={say('test.what_differs_what_is_held_constant')}
            margin={
                <>
                    <MarginNote title={say('test.why_the_limits_first')}>
                        <p>{say('test.a_limit_set_after_the_readings')}</p>
                        <p>{say('test.more_force_never_wins_by_itself')}</p>
                    </MarginNote>
                    <MarginNote title={say('test.which_of_the_three')}>
                        <p>
                            {tell('test.counts_needs_no_instrument_held_or', { b: (words) => <strong>{words}</strong>, runsForShare, share: values.proof.share === null ? '' : figure('share').text(values.proof.share) })}</p>
                        <p>
                            {tell('test.mean_needs_a_gauge_and_the', { b: (words) => <strong>{words}</strong> })}</p>
                        <p>
                            {tell('test.nearly_all_says_that_nine_parts', { b: (words) => <strong>{words}</strong> })}</p>
                    </MarginNote>
                    <MarginNote title={say('test.for_a_profile')}>
                        <ul className="flex flex-col gap-1">
                            {usual.acceptance.map((each) => (
                                <li key={each.words}>
                                    {say('test.runs_without_failure', { runsWithoutFailure: each.runsWithoutFailure, words: each.words })}
                                </li>
                            ))}
                        </ul>
                        <p>{say('test.every_plate_is_visited_at_least')}</p>
                    </MarginNote>
                    <MarginNote title={say('test.the_test_piece')}>
                        <p>{say('test.the_direction_of_the_pull_is')}</p>
                    </MarginNote>
                </>
            }
        >
            <DraftForm draft={draft} send={say('test.save_the_plan')} big className="flex flex-col gap-8">
                <section className="grid gap-4 sm:grid-cols-6">
                    <div className="sm:col-span-6">
                        <TextField label={say('test.the_question')} {...at('title')} />
                    </div>
                    <div className="sm:col-span-2">
                        <SelectField
                            label={say('test.lot')}
                            {...at('lotId')}
                            empty={say('test.choose')}
                            options={lots.filter((l) => !l.retired).map((l) => ({ value: l.id, label: `${catalogue.materials.find((m) => m.id === l.materialId)?.name ?? ''} ${l.label}, ${l.name}` }))}
                           
                        />
                    </div>
                    <div className="sm:col-span-2">
                        <SelectField label={say('test.printer')} {...at('printerId')} empty={say('test.choose')} options={printers.filter((p) => !p.retired && (lotKind === null || p.kind === lotKind)).map((p) => ({ value: p.id, label: p.name }))} />
                    </div>
                    <div className="sm:col-span-2">
                        <QuantityField label={say('test.room')} kind="temperature" {...at('roomC')} />
                    </div>
                </section>
                <Setups resin={resin} setups={values.setups} onSetups={(setups) => set({ setups })} />
                <Proof resin={resin} values={values} set={set} />
                <section>
                    <h2 className="mb-3">{say('test.held_constant')}</h2>
                    <div className="grid gap-4 sm:grid-cols-3">
                        <TextField label={say('test.test_piece')} name="constants.piece.name" value={values.constants.piece.name} onValue={(name) => piece({ name })} />
                        {resin ? null : (
                            <>
                                <QuantityField label={say('test.base_along_the_pull')} kind="length" name="constants.piece.alongPullMm" value={values.constants.piece.alongPullMm} onValue={(alongPullMm) => piece({ alongPullMm })} />
                                <QuantityField label={say('test.base_across_the_pull')} kind="length" name="constants.piece.acrossPullMm" value={values.constants.piece.acrossPullMm} onValue={(acrossPullMm) => piece({ acrossPullMm })} />
                                <QuantityField label={say('test.height_of_the_pull')} kind="length" name="constants.piece.pullHeightMm" value={values.constants.piece.pullHeightMm} onValue={(pullHeightMm) => piece({ pullHeightMm })} />
                            </>
                        )}
                        <TextField label={resin ? say('test.sliced_file') : say('test.g_code_file')} name="constants.gcodeName" value={values.constants.gcodeName} onValue={(gcodeName) => constants({ gcodeName })} />
                        {resin ? null : (
                            <>
                                <TextField label={say('test.gap_set_with')} name="constants.feeler" value={values.constants.feeler} onValue={(feeler) => constants({ feeler })} />
                                <QuantityField label={say('test.first_layer_gap')} kind="length" name="constants.gapMm" value={values.constants.gapMm} onValue={(gapMm) => constants({ gapMm })} hint={say('test.empty_not_measured')} />
                                <QuantityField label={say('test.nozzle_first_layer')} kind="temperature" name="constants.nozzleFirstC" value={values.constants.nozzleFirstC} onValue={(nozzleFirstC) => constants({ nozzleFirstC })} />
                                <QuantityField label={say('test.nozzle')} kind="length" name="constants.nozzleMm" value={values.constants.nozzleMm} onValue={(nozzleMm) => constants({ nozzleMm })} />
                                <QuantityField label={say('test.line_width')} kind="length" name="constants.lineWidthMm" value={values.constants.lineWidthMm} onValue={(lineWidthMm) => constants({ lineWidthMm })} />
                                <NumberField label={say('test.first_layer_speed_mm_s')} name="constants.firstLayerSpeedMmS" value={values.constants.firstLayerSpeedMmS} onValue={(firstLayerSpeedMmS) => constants({ firstLayerSpeedMmS })} />
                                <TextField label={say('test.fan')} name="constants.fan" value={values.constants.fan} onValue={(fan) => constants({ fan })} />
                            </>
                        )}
                        <TextField label={say('test.plate_held_by')} name="constants.holdDown" value={values.constants.holdDown} onValue={(holdDown) => constants({ holdDown })} />
                        {resin ? null : <TextField label={say('test.brim')} name="constants.brim" value={values.constants.brim} onValue={(brim) => constants({ brim })} hint={say('test.none_so_that_a_weak_pair')} />}
                    </div>
                </section>
                <section>
                    <h2 className="mb-3">{say('test.minutes_per_run_for_the_estimate')}</h2>
                    <div className="grid gap-4 sm:grid-cols-3 xl:grid-cols-6">
                        <NumberField label={say('test.prepare')} name="durations.prepareMinutes" value={values.durations.prepareMinutes} onValue={(prepareMinutes) => durations({ prepareMinutes })} />
                        {resin ? null : <NumberField label={say('test.heat_soak')} name="durations.heatAndSoakMinutes" value={values.durations.heatAndSoakMinutes} onValue={(heatAndSoakMinutes) => durations({ heatAndSoakMinutes })} />}
                        <NumberField label={say('test.print')} name="durations.printMinutes" value={values.durations.printMinutes} onValue={(printMinutes) => durations({ printMinutes })} />
                        {resin ? null : <NumberField label={say('test.cool')} name="durations.coolMinutes" value={values.durations.coolMinutes} onValue={(coolMinutes) => durations({ coolMinutes })} />}
                        <NumberField label={say('test.inspect_clean')} name="durations.inspectAndCleanMinutes" value={values.durations.inspectAndCleanMinutes} onValue={(inspectAndCleanMinutes) => durations({ inspectAndCleanMinutes })} />
                        <NumberField label={say('test.plate_change')} name="durations.plateChangeMinutes" value={values.durations.plateChangeMinutes} onValue={(plateChangeMinutes) => durations({ plateChangeMinutes })} />
                    </div>
                </section>
            </DraftForm>
        </Sheet>
    );
}
