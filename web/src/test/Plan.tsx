import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, useNavigate } from '@tanstack/react-router';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, comparisonQuery, lotsQuery, platesQuery, printersQuery, usualQuery, useChange, useSession } from '../api/queries';
import { dropPicked, takePicked } from '../choose/picked';
import { Button } from '../ui/Button';
import { CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { percent } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { usePlanChances } from './PlanChances';
import { Proof } from './Proof';

type Draft = Omit<Schemas['NewComparison'], 'id' | 'proof'> & { proof: Schemas['Proof'] };

type Start = Pick<Draft, 'constants' | 'limits' | 'proof' | 'durations' | 'runsPerSetup' | 'hotPerSetup'>;

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
            feeler: 'folded note paper, very light drag',
            firstLayerSpeedMmS: 20,
            fan: 'off',
            holdDown: 'magnets',
            brim: 'none',
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

export function NewPlan() {
    const { after, setup, runs } = newRoute.useSearch();
    return after ? <PlanAfter id={after} setup={setup} runs={runs} /> : <FreshPlan />;
}

/** The plan of a comparison once more, for a setup that it left open; only its own runs will count. */
function PlanAfter({ id, setup, runs }: { id: string; setup: string | undefined; runs: number | undefined }) {
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const [start] = useState((): Draft => {
        const draft = draftOf(comparison);
        const setups = draft.setups.filter((_, i) => setup === undefined || comparison.setups[i]?.id === setup);
        const perSetup = runs ?? draft.runsPerSetup;
        const hot = Math.round((perSetup * draft.hotPerSetup) / draft.runsPerSetup);
        return { ...draft, setups, runsPerSetup: perSetup, hotPerSetup: hot, title: `${draft.title.slice(0, 140)} (again)`, seed: draft.seed + 1 };
    });
    return <SavedPlan start={start} />;
}

function FreshPlan() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: usual } = useSuspenseQuery(usualQuery);
    const [start] = useState((): Draft => {
        const picked = takePicked();
        const material = catalogue.materials.find((m) => m.id === picked?.materialId);
        const lotId = picked?.lotId ?? lots.find((lot) => lot.materialId === picked?.materialId && !lot.retired)?.id ?? bench.lotId ?? '';
        const lot = lots.find((each) => each.id === lotId);
        const nozzle = catalogue.materials.find((m) => m.id === (material?.id ?? lot?.materialId))?.nozzle_c?.[1];
        const first = begin(usual.plan);
        return {
            ...first,
            ...(picked?.runsPerSetup ? { runsPerSetup: picked.runsPerSetup, hotPerSetup: Math.min(first.hotPerSetup, picked.runsPerSetup) } : {}),
            constants: { ...first.constants, ...(nozzle ? { nozzleFirstC: nozzle } : {}) },
            title: material ? `${material.name}: which of ${picked?.setups.length ?? 0} setups?` : '',
            lotId,
            printerId: picked?.printerId ?? bench.printerId ?? '',
            roomC: picked?.roomC ?? bench.roomC,
            seed: crypto.getRandomValues(new Uint16Array(1))[0] ?? 1,
            setups: picked?.setups.map(({ plateSideId, agentId, bedFirstC, bedOtherC, unheated }) => ({ plateSideId, agentId, bedFirstC, bedOtherC, unheated: unheated ?? false })) ?? [{ plateSideId: bench.plateSideId ?? '', agentId: bench.agentId, bedFirstC: null, bedOtherC: null, unheated: false }],
        };
    });
    return <SavedPlan start={start} />;
}

function SavedPlan({ start }: { start: Draft }) {
    const navigate = useNavigate();
    const [id] = useState(newId);
    const save = useChange(
        (draft: Draft) => call<Schemas['Comparison']>('POST', '/comparisons', { ...draft, id }),
        ['comparisons'],
        (comparison) => {
            dropPicked();
            void navigate({ to: '/test/$id', params: { id: comparison.id } });
        },
    );
    return <PlanForm title="Plan a comparison" start={start} save={(draft) => save.mutate(draft)} pending={save.isPending} error={save.error} />;
}

export function EditPlan() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const navigate = useNavigate();
    const save = useChange(
        (draft: Draft) => call('PUT', `/comparisons/${id}`, { ...draft, version: comparison.version }),
        ['comparisons'],
        () => void navigate({ to: '/test/$id', params: { id } }),
    );
    const [start] = useState(() => draftOf(comparison));
    return <PlanForm title="Change the plan" start={start} save={(draft) => save.mutate(draft)} pending={save.isPending} error={save.error} />;
}

function draftOf({ title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups }: Schemas['Comparison']): Draft {
    const own = setups.map((s) => ({ plateSideId: s.plateSideId, agentId: s.agentId, bedFirstC: s.bedFirstC, bedOtherC: s.bedOtherC, unheated: s.bedFirstC === null }));
    return { title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups: own };
}

function PlanForm({ title, start, save, pending, error }: { title: string; start: Draft; save: (draft: Draft) => void; pending: boolean; error: Error | null }) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: usual } = useSuspenseQuery(usualQuery);
    const [draft, setDraft] = useState(start);
    const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
    const constants = (part: Partial<Draft['constants']>) => set({ constants: { ...draft.constants, ...part } });
    const piece = (part: Partial<Draft['constants']['piece']>) => constants({ piece: { ...draft.constants.piece, ...part } });
    const durations = (part: Partial<Draft['durations']>) => set({ durations: { ...draft.durations, ...part } });
    const fault = error instanceof Problem ? error : undefined;
    const runsForShare = usePlanChances(draft).data?.runsForShare ?? '…';
    return (
        <Sheet
            title={title}
            lead="What differs, what is held constant, and what a setup has to reach. All of it is fixed once the comparison is started."
            margin={
                <>
                    <MarginNote title="Why the limits first">
                        <p>A limit set after the readings are known proves nothing. The hot pull has to clear the first; the cold pull has to stay below the second.</p>
                        <p>More force never wins by itself: enough hold, then the easier release.</p>
                    </MarginNote>
                    <MarginNote title="Which of the three">
                        <p>
                            <strong>Counts</strong> needs no instrument: held or not, how it came off, damage. It is the plainest proof, and wants the most runs: {runsForShare} without a failure for {percent(draft.proof.share)}.
                        </p>
                        <p>
                            <strong>Mean</strong> needs a gauge and the fewest runs. It says nothing of a single weak part.
                        </p>
                        <p>
                            <strong>Nearly all</strong> says that nine parts in ten clear the limit, and in few runs only where the pulls lie far beyond it.
                        </p>
                    </MarginNote>
                    <MarginNote title="For a profile">
                        <ul className="flex flex-col gap-1">
                            {usual.acceptance.map((each) => (
                                <li key={each.words}>
                                    {each.runsWithoutFailure} runs without failure: {each.words}
                                </li>
                            ))}
                        </ul>
                        <p>Every plate is visited at least twice, there and back, so a difference between two fittings or two hours is not taken for one between setups.</p>
                    </MarginNote>
                    <MarginNote title="The test piece">
                        <p>The direction of the pull is part of the reading: for a base longer one way than the other the stress at the edge is not the same, by as much as their ratio.</p>
                    </MarginNote>
                </>
            }
        >
            <form
                className="flex flex-col gap-8"
                onSubmit={(event) => {
                    event.preventDefault();
                    save(draft);
                }}
            >
                <section className="grid gap-4 sm:grid-cols-6">
                    <div className="sm:col-span-6">
                        <TextField label="The question" value={draft.title} onValue={(value) => set({ title: value })} error={fault?.of('title')} />
                    </div>
                    <div className="sm:col-span-2">
                        <SelectField
                            label="Lot"
                            value={draft.lotId}
                            onValue={(lotId) => set({ lotId })}
                            empty="Choose …"
                            options={lots.filter((l) => !l.retired).map((l) => ({ value: l.id, label: `${catalogue.materials.find((m) => m.id === l.materialId)?.name ?? ''} ${l.label}, ${l.name}` }))}
                            error={fault?.of('lotId')}
                        />
                    </div>
                    <div className="sm:col-span-2">
                        <SelectField label="Printer" value={draft.printerId} onValue={(printerId) => set({ printerId })} empty="Choose …" options={printers.filter((p) => !p.retired && p.kind === 'filament').map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
                    </div>
                    <div className="sm:col-span-2">
                        <QuantityField label="Room" kind="temperature" value={draft.roomC} onValue={(roomC) => roomC !== null && set({ roomC })} />
                    </div>
                </section>
                <Setups setups={draft.setups} onSetups={(setups) => set({ setups })} fault={fault} />
                <Proof draft={draft} set={set} fault={fault} />
                <section>
                    <h2 className="mb-3">Held constant</h2>
                    <div className="grid gap-4 sm:grid-cols-3">
                        <TextField label="Test piece" value={draft.constants.piece.name} onValue={(name) => piece({ name })} error={fault?.of('constants.piece.name')} />
                        <QuantityField label="Base along the pull" kind="length" value={draft.constants.piece.alongPullMm} onValue={(n) => piece({ alongPullMm: n ?? 0 })} error={fault?.of('constants.piece.alongPullMm')} />
                        <QuantityField label="Base across the pull" kind="length" value={draft.constants.piece.acrossPullMm} onValue={(n) => piece({ acrossPullMm: n ?? 0 })} error={fault?.of('constants.piece.acrossPullMm')} />
                        <QuantityField label="Height of the pull" kind="length" value={draft.constants.piece.pullHeightMm} onValue={(n) => piece({ pullHeightMm: n ?? 0 })} />
                        <TextField label="G-code file" value={draft.constants.gcodeName} onValue={(gcodeName) => constants({ gcodeName })} error={fault?.of('constants.gcodeName')} />
                        <TextField label="Gap set with" value={draft.constants.feeler} onValue={(feeler) => constants({ feeler })} error={fault?.of('constants.feeler')} />
                        <QuantityField label="First-layer gap" kind="length" value={draft.constants.gapMm} onValue={(gapMm) => constants({ gapMm })} hint="Empty: not measured." error={fault?.of('constants.gapMm')} />
                        <QuantityField label="Nozzle, first layer" kind="temperature" value={draft.constants.nozzleFirstC} onValue={(n) => constants({ nozzleFirstC: n ?? 0 })} error={fault?.of('constants.nozzleFirstC')} />
                        <QuantityField label="Nozzle" kind="length" value={draft.constants.nozzleMm} onValue={(n) => constants({ nozzleMm: n ?? 0 })} />
                        <QuantityField label="Line width" kind="length" value={draft.constants.lineWidthMm} onValue={(n) => constants({ lineWidthMm: n ?? 0 })} />
                        <NumberField label="First-layer speed, mm/s" value={draft.constants.firstLayerSpeedMmS} onValue={(n) => constants({ firstLayerSpeedMmS: n ?? 0 })} />
                        <TextField label="Fan" value={draft.constants.fan} onValue={(fan) => constants({ fan })} />
                        <TextField label="Plate held by" value={draft.constants.holdDown} onValue={(holdDown) => constants({ holdDown })} />
                        <TextField label="Brim" value={draft.constants.brim} onValue={(brim) => constants({ brim })} hint="None, so that a weak pair can show itself." />
                    </div>
                </section>
                <section>
                    <h2 className="mb-3">Minutes per run, for the estimate</h2>
                    <div className="grid gap-4 sm:grid-cols-3 xl:grid-cols-6">
                        <NumberField label="Prepare" value={draft.durations.prepareMinutes} onValue={(n) => durations({ prepareMinutes: n ?? 0 })} />
                        <NumberField label="Heat, soak" value={draft.durations.heatAndSoakMinutes} onValue={(n) => durations({ heatAndSoakMinutes: n ?? 0 })} />
                        <NumberField label="Print" value={draft.durations.printMinutes} onValue={(n) => durations({ printMinutes: n ?? 0 })} />
                        <NumberField label="Cool" value={draft.durations.coolMinutes} onValue={(n) => durations({ coolMinutes: n ?? 0 })} />
                        <NumberField label="Inspect, clean" value={draft.durations.inspectAndCleanMinutes} onValue={(n) => durations({ inspectAndCleanMinutes: n ?? 0 })} />
                        <NumberField label="Plate change" value={draft.durations.plateChangeMinutes} onValue={(n) => durations({ plateChangeMinutes: n ?? 0 })} />
                    </div>
                </section>
                <Fault error={error} />
                <div>
                    <Button type="submit" tone="main" big disabled={pending}>
                        Save the plan
                    </Button>
                </div>
            </form>
        </Sheet>
    );
}

function Setups({ setups, onSetups, fault }: { setups: Schemas['SetupInput'][]; onSetups: (setups: Schemas['SetupInput'][]) => void; fault: Problem | undefined }) {
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const change = (at: number, part: Partial<Schemas['SetupInput']>) => onSetups(setups.map((setup, i) => (i === at ? { ...setup, ...part } : setup)));
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    const last = setups[setups.length - 1];
    return (
        <section>
            <h2 className="mb-1">What differs</h2>
            <ol>
                {setups.map((setup, i) => (
                    <li key={i} className="grid grid-cols-[2rem_minmax(0,1fr)] gap-3 border-b border-line py-3">
                        <span className="pt-8 text-xl font-[650]">{String.fromCharCode(65 + i)}</span>
                        <div>
                            <div className="grid items-end gap-3 sm:grid-cols-2 lg:grid-cols-[minmax(0,2fr)_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_auto_auto]">
                                <SelectField
                                    label="Plate and side"
                                    value={setup.plateSideId}
                                    onValue={(plateSideId) => change(i, { plateSideId })}
                                    empty="Choose …"
                                    options={plates.filter((p) => !p.retired).flatMap((p) => p.sides.map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.fitting.surfaceId)}` })))}
                                    error={fault?.of(`setups.${i}.plateSideId`)}
                                />
                                <SelectField label="Agent" value={setup.agentId ?? ''} onValue={(id) => change(i, { agentId: id || null })} empty="bare" options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
                                <QuantityField label="Bed first" kind="temperature" value={setup.bedFirstC} onValue={(bedFirstC) => change(i, { bedFirstC, unheated: false })} placeholder={setup.unheated ? 'off' : ''} error={fault?.of(`setups.${i}.bedFirstC`)} />
                                <QuantityField label="Bed after" kind="temperature" value={setup.bedOtherC} onValue={(bedOtherC) => change(i, { bedOtherC })} placeholder="off" />
                                <CheckField label="Bed stays cold" checked={setup.unheated ?? false} onValue={(unheated) => change(i, unheated ? { unheated, bedFirstC: null, bedOtherC: null } : { unheated })} />
                                <Button tone="quiet" aria-label={`Leave out setup ${String.fromCharCode(65 + i)}`} disabled={setups.length === 1} onClick={() => onSetups(setups.filter((_, at) => at !== i))}>
                                    <Trash2 className="size-5" aria-hidden />
                                </Button>
                            </div>
                            {fault?.of(`setups.${i}`) ? <p className="mt-1 font-[650] text-fault">{fault.of(`setups.${i}`)}</p> : null}
                        </div>
                    </li>
                ))}
            </ol>
            <Button className="mt-3" onClick={() => onSetups([...setups, last ? { ...last } : { plateSideId: '', agentId: null, bedFirstC: null, bedOtherC: null, unheated: false }])}>
                Add a setup
            </Button>
        </section>
    );
}
