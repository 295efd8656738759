import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, useNavigate } from '@tanstack/react-router';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, comparisonQuery, lotsQuery, platesQuery, printersQuery, usualQuery, useChange, useSession } from '../api/queries';
import { dropPicked, takePicked } from '../choose/picked';
import { Button } from '../ui/Button';
import { NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { percent } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { EFFORT_WORDS } from '../ui/words';

type Draft = Omit<Schemas['NewComparison'], 'id'>;

type Start = Pick<Draft, 'constants' | 'limits' | 'durations' | 'runsPerSetup' | 'hotPerSetup'>;

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
        durations: usual.durations,
        runsPerSetup: usual.runsPerSetup,
        hotPerSetup: usual.hotPerSetup,
    };
}

const route = getRouteApi('/test/$id/plan');

export function NewPlan() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: usual } = useSuspenseQuery(usualQuery);
    const navigate = useNavigate();
    const [id] = useState(newId);
    const [start] = useState((): Draft => {
        const picked = takePicked();
        const material = catalogue.materials.find((m) => m.id === picked?.materialId);
        const lotId = picked?.lotId ?? lots.find((lot) => lot.materialId === picked?.materialId && !lot.retired)?.id ?? bench.lotId ?? '';
        const lot = lots.find((each) => each.id === lotId);
        const nozzle = catalogue.materials.find((m) => m.id === (material?.id ?? lot?.materialId))?.nozzle_c?.[1];
        const first = begin(usual.plan);
        return {
            ...first,
            constants: { ...first.constants, ...(nozzle ? { nozzleFirstC: nozzle } : {}) },
            title: material ? `${material.name}: which of ${picked?.setups.length ?? 0} setups?` : '',
            lotId,
            printerId: picked?.printerId ?? bench.printerId ?? '',
            roomC: picked?.roomC ?? bench.roomC,
            seed: crypto.getRandomValues(new Uint16Array(1))[0] ?? 1,
            setups: picked?.setups.map(({ plateSideId, agentId, bedFirstC, bedOtherC }) => ({ plateSideId, agentId, bedFirstC, bedOtherC })) ?? [{ plateSideId: bench.plateSideId ?? '', agentId: bench.agentId, bedFirstC: null, bedOtherC: null }],
        };
    });
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
    const { title, lotId, printerId, roomC, constants, limits, durations, runsPerSetup, hotPerSetup, seed } = comparison;
    const setups = comparison.setups.map((s) => ({ plateSideId: s.plateSideId, agentId: s.agentId, bedFirstC: s.bedFirstC, bedOtherC: s.bedOtherC }));
    const start: Draft = { title, lotId, printerId, roomC, constants, limits, durations, runsPerSetup, hotPerSetup, seed, setups };
    return <PlanForm title="Change the plan" start={start} save={(draft) => save.mutate(draft)} pending={save.isPending} error={save.error} />;
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
    const limits = (part: Partial<Draft['limits']>) => set({ limits: { ...draft.limits, ...part } });
    const durations = (part: Partial<Draft['durations']>) => set({ durations: { ...draft.durations, ...part } });
    const fault = error instanceof Problem ? error : undefined;
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
                    <MarginNote title="How many runs">
                        <p>
                            {usual.acceptance.map((each) => `${each.runsWithoutFailure} runs without failure carry a profile at ${percent(each.reliability)} reliability with ${percent(each.confidence)} confidence`).join('; ')}. For a first look 4 to 6 will do.
                        </p>
                        <p>Every plate is visited twice, so a difference between two fittings is not taken for one between setups.</p>
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
                <section>
                    <h2 className="mb-3">What a setup has to reach</h2>
                    <div className="grid gap-4 sm:grid-cols-3">
                        <QuantityField label="Hot pull at least" kind="force" value={draft.limits.hotPullAtLeastN} onValue={(n) => limits({ hotPullAtLeastN: n ?? 0 })} />
                        <QuantityField label="Cold pull at most" kind="force" value={draft.limits.coldPullAtMostN} onValue={(n) => limits({ coldPullAtMostN: n ?? 0 })} />
                        <SelectField label="Effort at most" value={String(draft.limits.effortAtMost)} onValue={(value) => limits({ effortAtMost: Number(value) })} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} />
                        <NumberField label="Runs per setup" value={draft.runsPerSetup} onValue={(n) => set({ runsPerSetup: n ?? 0 })} error={fault?.of('runsPerSetup')} />
                        <NumberField label="Of these, hot pulls" value={draft.hotPerSetup} onValue={(n) => set({ hotPerSetup: n ?? 0 })} error={fault?.of('hotPerSetup')} />
                        <NumberField label="Failures allowed" value={draft.limits.failuresAllowed} onValue={(n) => limits({ failuresAllowed: n ?? 0 })} />
                    </div>
                </section>
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
                        <QuantityField label="First-layer gap" kind="length" value={draft.constants.gapMm} onValue={(gapMm) => constants({ gapMm })} hint="Empty: not measured." />
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
                            <div className="grid items-end gap-3 sm:grid-cols-[minmax(0,2fr)_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_auto]">
                                <SelectField
                                    label="Plate and side"
                                    value={setup.plateSideId}
                                    onValue={(plateSideId) => change(i, { plateSideId })}
                                    empty="Choose …"
                                    options={plates.filter((p) => !p.retired).flatMap((p) => p.sides.map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.fitting.surfaceId)}` })))}
                                    error={fault?.of(`setups.${i}.plateSideId`)}
                                />
                                <SelectField label="Agent" value={setup.agentId ?? ''} onValue={(id) => change(i, { agentId: id || null })} empty="bare" options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
                                <QuantityField label="Bed first" kind="temperature" value={setup.bedFirstC} onValue={(bedFirstC) => change(i, { bedFirstC })} placeholder="off" error={fault?.of(`setups.${i}.bedFirstC`)} />
                                <QuantityField label="Bed after" kind="temperature" value={setup.bedOtherC} onValue={(bedOtherC) => change(i, { bedOtherC })} placeholder="off" />
                                <Button tone="quiet" aria-label={`Leave out setup ${String.fromCharCode(65 + i)}`} disabled={setups.length === 1} onClick={() => onSetups(setups.filter((_, at) => at !== i))}>
                                    <Trash2 className="size-5" aria-hidden />
                                </Button>
                            </div>
                            {fault?.of(`setups.${i}`) ? <p className="mt-1 font-[650] text-fault">{fault.of(`setups.${i}`)}</p> : null}
                        </div>
                    </li>
                ))}
            </ol>
            <Button className="mt-3" onClick={() => onSetups([...setups, last ? { ...last } : { plateSideId: '', agentId: null, bedFirstC: null, bedOtherC: null }])}>
                Add a setup
            </Button>
        </section>
    );
}
