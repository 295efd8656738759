import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { v7 } from 'uuid';

import { api, ask, Problem, type Schemas } from '../api/client';
import { catalogueQuery, sidesQuery, printersQuery, surfaceTemperaturesQuery, useMay, useSession, usualQuery } from '../api/queries';
import { Behind } from '../ui/Behind';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { CheckField, NumberField, QuantityField, SelectField } from '../ui/Field';
import { LayersField, type Layers } from '../ui/LayersField';
import { Cautions, Fault } from '../ui/Notice';
import { day, duration, useFigures, useQuantity } from '../ui/quantity';
import { number, whole } from '../ui/shape';
import { MarginNote, Sheet } from '../ui/Sheet';
import { useAnswer } from '../ui/useAnswer';
import { say } from '../words/say';

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
    closed: boolean;
    readyMinutes: number | null;
};


function minutes(seconds: number | null): string {
    return seconds === null ? say('choose.never') : duration(seconds / 60);
}

/** The sums on heat by themselves: set-point, soak, cool-down, heater; every input can be seen and changed. */
export function Heat() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: all } = useSuspenseQuery(sidesQuery);
    const { data: measured } = useSuspenseQuery(surfaceTemperaturesQuery);
    const { heat: usual } = useSuspenseQuery(usualQuery).data;
    const filament = printers.filter((p) => p.kind === 'filament' && !p.retired);
    const sides = all.filter((side) => side.layers.length > 0);
    const [printerId, setPrinterId] = useState(bench.printerId ?? filament[0]?.id ?? '');
    const [sideId, setSideId] = useState(bench.plateSideId ?? sides[0]?.id ?? '');
    const [draft, setDraft] = useState<Draft>(() => fill(usual, printers, sides, bench.printerId ?? filament[0]?.id ?? '', bench.plateSideId ?? sides[0]?.id ?? '', bench.roomC));
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
        closed: draft.closed,
        size: draft.readyMinutes === null ? null : { minutes: draft.readyMinutes, volts: draft.volts, limitAmps: draft.limitAmps },
        jobMinutes: draft.jobMinutes,
        heater: draft.watts === null ? null : { watts: draft.watts, volts: draft.volts, limitAmps: draft.limitAmps },
        measured: known ? { displayC: known.displayC, surfaceC: known.surfaceC, roomC: known.roomC } : null,
    };
    const answer = useAnswer('heat', request, (body, signal) => ask(api.POST('/api/heat', { signal, body })));
    const fault = answer.error instanceof Problem ? answer.error : undefined;
    return (
        <Sheet
            title={say('choose.heat_sums')}
            lead={say('choose.what_the_display_has_to_show')}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/choose">{say('choose.back_to_choose')}</Link>
                </Button>
            }
            margin={
                <>
                    <Measured printerId={printerId} sideId={sideId} roomC={draft.roomC} displayC={usual.atC} latest={known} />
                    <MarginNote title={say('choose.how_this_is_worked_out')}>
                        <p>{say('choose.in_the_steady_state_the_top')}</p>
                        <p>{say('choose.soak_and_cool_down_conduction_across')}</p>
                        <p>{say('choose.a_dry_plate_on_a_bed')}</p>
                    </MarginNote>
                </>
            }
        >
            <form className="flex flex-col gap-6" onSubmit={(event) => event.preventDefault()}>
                <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
                    <SelectField label={say('choose.printer')} value={printerId} onValue={(id) => take(id, sideId)} empty={say('choose.none')} options={filament.map((p) => ({ value: p.id, label: p.name }))} />
                    <SelectField label={say('choose.plate_and_side')} value={sideId} onValue={(id) => take(printerId, id)} empty={say('choose.none')} options={sides.map((side) => ({ value: side.id, label: side.label }))} />
                    <QuantityField label={say('choose.room')} kind="temperature" value={draft.roomC} onValue={(n) => n !== null && set({ roomC: n })} error={fault?.of('roomC')} />
                    <QuantityField label={say('choose.comes_off_below_2')} kind="temperature" value={draft.releaseC} onValue={(releaseC) => set({ releaseC })} error={fault?.of('releaseC')} />
                </div>
                <div className="flex flex-wrap items-end gap-4">
                    <ChoiceRow
                        label={say('choose.given')}
                        value={draft.asked}
                        onValue={(asked) => set({ asked })}
                        options={[
                            { value: 'surface', label: say('choose.the_surface_temperature_wanted') },
                            { value: 'display', label: say('choose.what_the_display_shows') },
                        ]}
                    />
                    <div className="w-36">
                        <QuantityField label={draft.asked === 'surface' ? say('choose.at_the_surface_2') : say('choose.on_the_display')} kind="temperature" value={draft.atC} onValue={(n) => n !== null && set({ atC: n })} error={fault?.of('surfaceC') ?? fault?.of('displayC')} />
                    </div>
                </div>
            </form>
            <Fault error={answer.error} />
            {answer.data ? (
                <Behind behind={answer.behind}>
                    <Answer answer={answer.data} asked={draft.asked} />
                </Behind>
            ) : null}
            <form className="mt-8 flex flex-col gap-6" onSubmit={(event) => event.preventDefault()}>
                <section>
                    <h2 className="mb-2">{say('choose.from_the_heater_upwards')}</h2>
                    <div className="grid gap-6 lg:grid-cols-2">
                        <LayersField label={say('choose.bed_of_the_printer')} layers={draft.bed} onLayers={(bed) => set({ bed })} materials={catalogue.layers} withContact />
                        <LayersField label={say('choose.plate')} layers={draft.plate} onLayers={(plate) => set({ plate })} materials={catalogue.layers} withContact />
                    </div>
                </section>
                <section>
                    <h2 className="mb-2">{say('choose.bed_and_heater')}</h2>
                    <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
                        <QuantityField label={say('choose.bed_width')} kind="length" value={draft.widthMm} onValue={(n) => n !== null && n > 0 && set({ widthMm: n })} error={fault?.of('widthMm')} />
                        <QuantityField label={say('choose.bed_depth')} kind="length" value={draft.depthMm} onValue={(n) => n !== null && n > 0 && set({ depthMm: n })} error={fault?.of('depthMm')} />
                        <NumberField label={say('choose.heater_w')} value={draft.watts} onValue={(watts) => set({ watts })} placeholder={say('choose.unknown')} error={fault?.of('heater.watts')} />
                        <NumberField label={say('choose.voltage_v')} value={draft.volts} onValue={(volts) => set({ volts })} placeholder={say('choose.unknown')} error={fault?.of('heater.volts')} />
                        <NumberField label={say('choose.output_carries_a')} value={draft.limitAmps} onValue={(limitAmps) => set({ limitAmps })} placeholder={say('choose.unknown')} error={fault?.of('heater.limitAmps')} />
                        <NumberField label={say('choose.display_reads_high_by_k')} value={draft.displayReadsHighK} onValue={(n) => n !== null && set({ displayReadsHighK: n })} error={fault?.of('displayReadsHighK')} />
                        <NumberField label={say('choose.job_minutes')} value={draft.jobMinutes} onValue={(jobMinutes) => set({ jobMinutes })} placeholder={say('choose.unknown')} error={fault?.of('jobMinutes')} />
                        <NumberField label={say('choose.ready_within_minutes')} value={draft.readyMinutes} onValue={(readyMinutes) => set({ readyMinutes })} placeholder={say('choose.as_strong_as_it_is')} error={fault?.of('size.minutes')} />
                    </div>
                    <div className="mt-3">
                        <CheckField label={say('choose.the_printer_is_closed')} checked={draft.closed} onValue={(closed) => set({ closed })} />
                    </div>
                </section>
            </form>
        </Sheet>
    );
}

type Sides = Schemas['SideInUse'][];

function fill(usual: Schemas['Usual']['heat'], printers: Schemas['Printer'][], sides: Sides, printerId: string, sideId: string, roomC: number): Draft {
    const printer = printers.find((p) => p.id === printerId);
    const layers = sides.find((side) => side.id === sideId)?.layers ?? [];
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
        closed: printer?.enclosed ?? false,
        readyMinutes: null,
    };
}

function Answer({ answer, asked }: { answer: Schemas['HeatAnswer']; asked: Draft['asked'] }) {
    const figure = useFigures();
    const temperature = useQuantity('temperature');
    const { heatUp, heater, size } = answer;
    return (
        <section aria-label={say('choose.answer')} className="mt-6 border-y-2 border-accent/40 py-4">
            <div className="flex flex-wrap gap-x-10 gap-y-3">
                <Big word={asked === 'surface' ? say('choose.set_the_display_to') : say('choose.the_surface_settles_at')} value={temperature.text(asked === 'surface' ? answer.displayC : answer.surfaceC)} />
                {heatUp ? (
                    <>
                        <Big word={say('choose.until_the_display_is_ready')} value={minutes(heatUp.displayReadySeconds)} />
                        <Big word={say('choose.then_soak')} value={minutes(heatUp.soakSeconds)} />
                        <Big word={say('choose.to_warm_up')} value={figure('energy').text(heatUp.energyWh)} />
                        <Big word={say('choose.to_stay_there')} value={figure('power').text(heatUp.holdingW)} />
                    </>
                ) : null}
            </div>
            <p className="mt-2 text-soft">
                {say('choose.where_the_sum_comes_from', { basisIsMeasured: answer.basis === 'measured', loss: figure('heat_flux').text(answer.lossWM2), resistance: figure('resistance').text(answer.resistanceM2KW), factor: figure('ratio_fine').bare(answer.resistanceFactor) })}</p>
            <div className="mt-4 grid gap-6 sm:grid-cols-2">
                {answer.cooling.length > 0 ? (
                    <table className="ledger w-full self-start">
                        <caption className="mb-1 text-left font-[650]">{say('choose.cooling_until_it_comes_off')}</caption>
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
                        <caption className="mb-1 text-left font-[650]">{say('choose.the_heater')}</caption>
                        <tbody>
                            <tr>
                                <th scope="row">{say('choose.power_per_area')}</th>
                                <td className="text-right">
                                    {say('choose.w_cm2_practice_asks_for_enough', { has: figure('power_density').text(heater.wattsPerCm2), needed: figure('power_density').text(heater.neededWattsPerCm2), enough: heater.enough })}
                                </td>
                            </tr>
                            <tr>
                                <th scope="row">{say('choose.current')}</th>
                                <td className="text-right">{heater.currentA === null ? say('choose.voltage_unknown') : say('choose.current_draw', { current: figure('current').text(heater.currentA), currentAllowedIsNull: heater.currentAllowed === null, currentAllowed: heater.currentAllowed === null ? '' :  heater.currentAllowed })}</td>
                            </tr>
                            {heatUp?.jobEnergyWh ? (
                                <tr>
                                    <th scope="row">{say('choose.energy_with_the_job')}</th>
                                    <td className="text-right">{figure('energy').text(heatUp.jobEnergyWh)}</td>
                                </tr>
                            ) : null}
                        </tbody>
                    </table>
                ) : null}
            </div>
            {size ? (
                <p className="mt-4">
                    <b>{say('choose.a_heater_of')}</b> {size.words} {size.currentA === null ? null : say('choose.current_draw', { current: figure('current').text(size.currentA), currentAllowedIsNull: size.currentAllowed === null, currentAllowed: size.currentAllowed ?? '' })}
                </p>
            ) : null}
            {size && size.cautions.length > 0 ? (
                <div className="mt-4">
                    <Cautions sentences={size.cautions} />
                </div>
            ) : null}
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

const MEASURED = whole({ displayC: number(), surfaceC: number() });

function Measured({ printerId, sideId, roomC, displayC, latest }: { printerId: string; sideId: string; roomC: number; displayC: number; latest: Schemas['SurfaceTemperature'] | undefined }) {
    const temperature = useQuantity('temperature');
    const may = useMay();
    const [key, setKey] = useState(() => v7());
    const draft = useDraft({
        start: (): { displayC: number | null; surfaceC: number | null } => ({ displayC, surfaceC: null }),
        schema: MEASURED,
        send: (body) => ask(api.POST('/api/surface-temperatures', { body: { ...body, id: key, printerId, plateSideId: sideId, roomC } })),
        touches: ['surface-temperatures', 'heat'],
        after: () => {
            draft.set({ surfaceC: null });
            setKey(v7());
        },
    });
    const { at } = draft;
    return (
        <MarginNote title={say('choose.measured_surface')}>
            <p>
                {latest
                    ? say('choose.with_on_the_display_room', { surfaceC: temperature.text(latest.surfaceC), displayC: temperature.text(latest.displayC), roomC: temperature.text(latest.roomC), measuredBy: latest.measuredBy, at: day(latest.at) })
                    : say('choose.nothing_was_measured_on_this_plate')}
            </p>
            {may.test && printerId !== '' && sideId !== '' ? (
                <DraftForm draft={draft} send={say('choose.note_it')} tone="plain" className="flex flex-col gap-2">
                    <div className="grid grid-cols-2 gap-2">
                        <QuantityField label={say('choose.display')} kind="temperature" {...at('displayC')} />
                        <QuantityField label={say('choose.surface')} kind="temperature" {...at('surfaceC')} />
                    </div>
                </DraftForm>
            ) : null}
        </MarginNote>
    );
}
