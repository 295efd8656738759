import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { catalogueQuery, platesQuery, printersQuery, surfaceTemperaturesQuery, usualQuery, useChange, useMay, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { NumberField, QuantityField, SelectField } from '../ui/Field';
import { LayersField, type Layers } from '../ui/LayersField';
import { Cautions, Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';

type Draft = {
    widthMm: number;
    depthMm: number;
    bed: Layers;
    plate: Layers;
    roomC: number;
    asked: 'surface' | 'display';
    atC: number;
    releaseC: number | null;
    displayReadsHighK: number;
    watts: number | null;
    volts: number | null;
    limitAmps: number | null;
    jobMinutes: number | null;
    freezer: boolean;
};


function minutes(seconds: number | null): string {
    if (seconds === null) return 'never';
    return seconds < 90 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(seconds < 600 ? 1 : 0)} min`;
}

/** The sums on heat by themselves: set-point, soak, cool-down, heater; every input can be seen and changed. */
export function Heat() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { data: measured } = useSuspenseQuery(surfaceTemperaturesQuery);
    const { heat: usual } = useSuspenseQuery(usualQuery).data;
    const filament = printers.filter((p) => p.kind === 'filament' && !p.retired);
    const sides = plates.filter((p) => !p.retired && p.layers.length > 0).flatMap((plate) => plate.sides.map((side) => ({ plate, side })));
    const [printerId, setPrinterId] = useState(bench.printerId ?? filament[0]?.id ?? '');
    const [sideId, setSideId] = useState(bench.plateSideId ?? sides[0]?.side.id ?? '');
    const [draft, setDraft] = useState<Draft>(() => fill(usual, printers, sides, bench.printerId ?? filament[0]?.id ?? '', bench.plateSideId ?? sides[0]?.side.id ?? '', bench.roomC));
    const set = (part: Partial<Draft>) => setDraft((was) => ({ ...was, ...part }));
    const take = (printer: string, side: string) => {
        setPrinterId(printer);
        setSideId(side);
        setDraft((was) => ({ ...fill(usual, printers, sides, printer, side, was.roomC), asked: was.asked, atC: was.atC, releaseC: was.releaseC, jobMinutes: was.jobMinutes }));
    };
    const known = measured.find((m) => m.printerId === printerId && m.plateSideId === sideId);
    const request: Schemas['HeatRequest'] = {
        widthMm: draft.widthMm,
        depthMm: draft.depthMm,
        layers: [...draft.bed, ...draft.plate],
        plateFrom: draft.bed.length,
        roomC: draft.roomC,
        ...(draft.asked === 'surface' ? { surfaceC: draft.atC } : { displayC: draft.atC }),
        displayReadsHighK: draft.displayReadsHighK,
        releaseC: draft.releaseC,
        freezer: draft.freezer,
        jobMinutes: draft.jobMinutes,
        heater: draft.watts === null ? null : { watts: draft.watts, volts: draft.volts, limitAmps: draft.limitAmps },
        measured: known ? { displayC: known.displayC, surfaceC: known.surfaceC, roomC: known.roomC } : null,
    };
    const answer = useQuery({ queryKey: ['heat', request], queryFn: () => call<Schemas['HeatAnswer']>('POST', '/heat', request), placeholderData: keepPreviousData });
    const fault = answer.error instanceof Problem ? answer.error : undefined;
    return (
        <Sheet
            title="Heat sums"
            lead="What the display has to show, how long to soak, how long it cools, and whether the heater is up to it."
            actions={
                <Button asChild tone="quiet">
                    <Link to="/choose">Back to Choose</Link>
                </Button>
            }
            margin={
                <>
                    <Measured printerId={printerId} sideId={sideId} roomC={draft.roomC} displayC={usual.atC} latest={known} />
                    <MarginNote title="How this is reckoned">
                        <p>In the steady state the top gives off as much as passes through the layers: display = surface + q·Σ(t ÷ k + contact). q is natural convection and radiation (Incropera &amp; DeWitt, ch. 9, from memory).</p>
                        <p>Soak and cool-down: conduction across the layers, step by step in time, the heater limited in power. Middle of the plate; edges are cooler and lag. The part is left out.</p>
                        <p>A dry plate on a bed has about 3e-4 m²K/W of contact; glass with an air gap far more. Measure: what is measured beats what is modelled.</p>
                    </MarginNote>
                </>
            }
        >
            <form className="flex flex-col gap-6" onSubmit={(event) => event.preventDefault()}>
                <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
                    <SelectField label="Printer" value={printerId} onValue={(id) => take(id, sideId)} empty="none" options={filament.map((p) => ({ value: p.id, label: p.name }))} />
                    <SelectField label="Plate and side" value={sideId} onValue={(id) => take(printerId, id)} empty="none" options={sides.map(({ side }) => ({ value: side.id, label: side.label }))} />
                    <QuantityField label="Room" kind="temperature" value={draft.roomC} onValue={(n) => n !== null && set({ roomC: n })} error={fault?.of('roomC')} />
                    <QuantityField label="Comes off below" kind="temperature" value={draft.releaseC} onValue={(releaseC) => set({ releaseC })} error={fault?.of('releaseC')} />
                </div>
                <div className="flex flex-wrap items-end gap-4">
                    <ChoiceRow
                        label="Given"
                        value={draft.asked}
                        onValue={(asked) => set({ asked })}
                        options={[
                            { value: 'surface', label: 'what the surface shall have' },
                            { value: 'display', label: 'what the display shows' },
                        ]}
                    />
                    <div className="w-36">
                        <QuantityField label={draft.asked === 'surface' ? 'At the surface' : 'On the display'} kind="temperature" value={draft.atC} onValue={(n) => n !== null && set({ atC: n })} error={fault?.of('surfaceC') ?? fault?.of('displayC')} />
                    </div>
                </div>
            </form>
            <Fault error={answer.error} />
            {answer.data ? <Answer answer={answer.data} asked={draft.asked} /> : null}
            <form className="mt-8 flex flex-col gap-6" onSubmit={(event) => event.preventDefault()}>
                <section>
                    <h2 className="mb-2">From the heater upwards</h2>
                    <div className="grid gap-6 lg:grid-cols-2">
                        <LayersField label="Bed of the printer" layers={draft.bed} onLayers={(bed) => set({ bed })} materials={catalogue.layers} withContact />
                        <LayersField label="Plate" layers={draft.plate} onLayers={(plate) => set({ plate })} materials={catalogue.layers} withContact />
                    </div>
                </section>
                <section>
                    <h2 className="mb-2">Bed and heater</h2>
                    <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
                        <QuantityField label="Bed width" kind="length" value={draft.widthMm} onValue={(n) => n !== null && n > 0 && set({ widthMm: n })} error={fault?.of('widthMm')} />
                        <QuantityField label="Bed depth" kind="length" value={draft.depthMm} onValue={(n) => n !== null && n > 0 && set({ depthMm: n })} error={fault?.of('depthMm')} />
                        <NumberField label="Heater, W" value={draft.watts} onValue={(watts) => set({ watts })} placeholder="unknown" error={fault?.of('heater.watts')} />
                        <NumberField label="Voltage, V" value={draft.volts} onValue={(volts) => set({ volts })} placeholder="unknown" error={fault?.of('heater.volts')} />
                        <NumberField label="Output carries, A" value={draft.limitAmps} onValue={(limitAmps) => set({ limitAmps })} placeholder="unknown" error={fault?.of('heater.limitAmps')} />
                        <NumberField label="Display reads high by, K" value={draft.displayReadsHighK} onValue={(n) => n !== null && set({ displayReadsHighK: n })} error={fault?.of('displayReadsHighK')} />
                        <NumberField label="Job, minutes" value={draft.jobMinutes} onValue={(jobMinutes) => set({ jobMinutes })} placeholder="unknown" error={fault?.of('jobMinutes')} />
                    </div>
                </section>
            </form>
        </Sheet>
    );
}

type Sides = { plate: Schemas['Plate']; side: Schemas['PlateSide'] }[];

function fill(usual: Schemas['Usual']['heat'], printers: Schemas['Printer'][], sides: Sides, printerId: string, sideId: string, roomC: number): Draft {
    const printer = printers.find((p) => p.id === printerId);
    const at = sides.find(({ side }) => side.id === sideId);
    const layers = at ? (at.side.face === 'back' ? [...at.plate.layers].reverse() : at.plate.layers) : [];
    return {
        widthMm: printer?.bedWidthMm ?? usual.bedMm,
        depthMm: printer?.bedDepthMm ?? usual.bedMm,
        bed: printer && printer.bedLayers.length > 0 ? printer.bedLayers : [usual.bedLayer],
        plate: layers.map((layer, i) => ({ ...layer, contactM2KW: layer.contactM2KW ?? (i === 0 ? usual.contactM2KW : null) })),
        roomC,
        asked: 'surface',
        atC: usual.atC,
        releaseC: usual.releaseC,
        displayReadsHighK: printer?.displayReadsHighK ?? 0,
        watts: printer?.heaterW ?? null,
        volts: printer?.heaterV ?? null,
        limitAmps: printer?.limitA ?? null,
        jobMinutes: null,
        freezer: layers.some((layer) => layer.of === 'spring_steel'),
    };
}

function Answer({ answer, asked }: { answer: Schemas['HeatAnswer']; asked: Draft['asked'] }) {
    const temperature = useQuantity('temperature');
    const { heatUp, heater } = answer;
    return (
        <section aria-label="Answer" className="mt-6 border-y-2 border-accent/40 py-4">
            <div className="flex flex-wrap gap-x-10 gap-y-3">
                <Big word={asked === 'surface' ? 'set the display to' : 'the surface settles at'} value={temperature.text(asked === 'surface' ? answer.displayC : answer.surfaceC, 1)} />
                {heatUp ? (
                    <>
                        <Big word="until the display is ready" value={minutes(heatUp.displayReadySeconds)} />
                        <Big word="then soak" value={minutes(heatUp.soakSeconds)} />
                        <Big word="to warm up" value={`${heatUp.energyWh.toFixed(0)}\u00a0Wh`} />
                        <Big word="to stay there" value={`${heatUp.holdingW.toFixed(0)}\u00a0W`} />
                    </>
                ) : null}
            </div>
            <p className="mt-2 text-soft">
                {answer.basis === 'measured' ? 'By what was measured on this plate and printer.' : 'Modelled; nothing was measured on this plate and printer.'} The top gives off {answer.lossWM2.toFixed(0)} W/m²; the layers have {answer.resistanceM2KW.toExponential(1)} m²K/W
                {answer.basis === 'measured' ? `, ${answer.resistanceFactor.toFixed(2)} × the sum` : ''}.
            </p>
            <div className="mt-4 grid gap-6 sm:grid-cols-2">
                {answer.cooling.length > 0 ? (
                    <table className="ledger w-full self-start">
                        <caption className="mb-1 text-left font-[650]">Cooling until it comes off</caption>
                        <tbody>
                            {answer.cooling.map((way) => (
                                <tr key={way.way}>
                                    <th scope="row">{way.words}</th>
                                    <td className="text-right">{minutes(way.seconds)}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                ) : null}
                {heater ? (
                    <table className="ledger w-full self-start">
                        <caption className="mb-1 text-left font-[650]">The heater</caption>
                        <tbody>
                            <tr>
                                <th scope="row">Power per area</th>
                                <td className="text-right">
                                    {heater.wattsPerCm2.toFixed(2)} W/cm²; practice asks for {heater.neededWattsPerCm2.toFixed(2)}: {heater.enough ? 'enough' : 'slow, or too weak'}
                                </td>
                            </tr>
                            <tr>
                                <th scope="row">Current</th>
                                <td className="text-right">{heater.currentA === null ? 'voltage unknown' : `${heater.currentA.toFixed(1)} A${heater.currentAllowed === null ? '' : heater.currentAllowed ? ', within the output' : ', too much for the output'}`}</td>
                            </tr>
                            {heatUp?.jobEnergyWh ? (
                                <tr>
                                    <th scope="row">Energy with the job</th>
                                    <td className="text-right">{heatUp.jobEnergyWh.toFixed(0)} Wh</td>
                                </tr>
                            ) : null}
                        </tbody>
                    </table>
                ) : null}
            </div>
            {heater && heater.cautions.length > 0 ? (
                <div className="mt-4">
                    <Cautions sentences={heater.cautions} />
                </div>
            ) : null}
        </section>
    );
}

function Big({ word, value }: { word: string; value: string }) {
    return (
        <span className="leading-tight">
            <span className="block text-2xl font-[650]">{value}</span>
            <span className="block text-sm text-soft">{word}</span>
        </span>
    );
}

function Measured({ printerId, sideId, roomC, displayC, latest }: { printerId: string; sideId: string; roomC: number; displayC: number; latest: Schemas['SurfaceTemperature'] | undefined }) {
    const temperature = useQuantity('temperature');
    const may = useMay();
    const [display, setDisplay] = useState<number | null>(displayC);
    const [surface, setSurface] = useState<number | null>(null);
    const save = useChange(
        () => call('POST', '/surface-temperatures', { id: newId(), printerId, plateSideId: sideId, displayC: display, surfaceC: surface, roomC }),
        ['surface-temperatures', 'heat'],
        () => setSurface(null),
    );
    const fault = save.error instanceof Problem ? save.error : undefined;
    return (
        <MarginNote title="Measured surface">
            <p>
                {latest
                    ? `${temperature.text(latest.surfaceC, 1)} with ${temperature.text(latest.displayC, 1)} on the display, room ${temperature.text(latest.roomC)}; ${latest.measuredBy}, ${day(latest.at)}.`
                    : 'Nothing was measured on this plate and printer. Let it soak, then measure in the middle, with paint or tape under the probe.'}
            </p>
            {may.test && printerId !== '' && sideId !== '' ? (
                <form
                    className="flex flex-col gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        save.mutate(undefined);
                    }}
                >
                    <div className="grid grid-cols-2 gap-2">
                        <QuantityField label="Display" kind="temperature" value={display} onValue={setDisplay} error={fault?.of('displayC')} />
                        <QuantityField label="Surface" kind="temperature" value={surface} onValue={setSurface} error={fault?.of('surfaceC')} />
                    </div>
                    <Fault error={save.error} />
                    <Button type="submit" disabled={save.isPending || surface === null || display === null}>
                        Note it
                    </Button>
                </form>
            ) : null}
        </MarginNote>
    );
}
