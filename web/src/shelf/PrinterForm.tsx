import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, useMay } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog, More } from '../ui/DraftForm';
import { CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { LayersField, type Layers } from '../ui/LayersField';
import { as, flag, list, maybe, number, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import { HOLD_DOWNS, type FormProps } from './rows';
import { PrinterToken } from './PrinterToken';

type Printer = Schemas['Printer'];

const PROBES: { value: Printer['probe']; label: string }[] = [
    { value: 'by_hand', label: say('shelf.by_hand_with_a_feeler') },
    { value: 'touch', label: say('shelf.the_nozzle_touches_the_surface') },
    { value: 'pin', label: say('shelf.a_pin_touches_the_surface') },
    { value: 'inductive', label: say('shelf.inductive_senses_metal') },
];

const SHAPE = whole({
    name: words(),
    kind: as<Printer['kind']>(),
    probe: as<Printer['probe']>(),
    holds: as<Printer['holds']>(),
    bedLayers: as<Layers>(),
    bedWidthMm: number(),
    bedDepthMm: number(),
    maxNozzleC: number(),
    displayReadsHighK: number(),
    maxBedC: maybe(),
    chamberC: maybe(),
    chamberW: maybe(),
    chamberMinutes: maybe(),
    magnetLimitC: maybe(),
    magnetSoakC: maybe(),
    plateHoldsToMmS: maybe(),
    heaterW: maybe(),
    heaterV: maybe(),
    limitA: maybe(),
    probeRangeMm: maybe(),
    zTravelBelowMm: maybe(),
    usualPlateMm: maybe(),
    clipsOpenMm: maybe(),
    printWidthMm: maybe(),
    printDepthMm: maybe(),
    heaterAreaCm2: maybe(),
    magnetGrade: text(),
    magnetBeforeN: list(number()),
    magnetAfterN: list(number()),
    bedAccelMmS2: maybe(),
    holdDown: text(),
    enclosed: flag(),
    bedMoves: flag(),
    looksForMark: flag(),
    bedRound: flag(),
    boardHeater: flag(),
    retired: flag(),
});

type Values = Omit<Required<Schemas['NewPrinter']>, 'id' | 'kind' | 'bedWidthMm' | 'bedDepthMm' | 'maxNozzleC' | 'displayReadsHighK'> & { kind: Printer['kind']; bedWidthMm: number | null; bedDepthMm: number | null; maxNozzleC: number | null; displayReadsHighK: number | null };

/** Of a new printer: a usual one. */
const USUAL = { bedWidthMm: 220, bedDepthMm: 220, maxBedC: 100, maxNozzleC: 260, magnetLimitC: 80, usualPlateMm: 0.7, bedLayers: [{ of: 'aluminium', mm: 3 }, { of: 'magnet_sheet', mm: 0.8 }] };

function read(row: Printer | null, base: Printer | null): Values {
    return {
        name: row?.name ?? '',
        kind: base?.kind ?? 'filament',
        bedWidthMm: base?.bedWidthMm ?? USUAL.bedWidthMm,
        bedDepthMm: base?.bedDepthMm ?? USUAL.bedDepthMm,
        maxBedC: base ? (base.maxBedC ?? null) : USUAL.maxBedC,
        maxNozzleC: base?.maxNozzleC ?? USUAL.maxNozzleC,
        enclosed: base?.enclosed ?? false,
        chamberC: base?.chamberC ?? null,
        chamberW: base?.chamberW ?? null,
        chamberMinutes: base?.chamberMinutes ?? null,
        magnetLimitC: base ? (base.magnetLimitC ?? null) : USUAL.magnetLimitC,
        magnetSoakC: base?.magnetSoakC ?? null,
        magnetGrade: base?.magnetGrade ?? '',
        magnetBeforeN: row?.magnetBeforeN ?? [],
        magnetAfterN: row?.magnetAfterN ?? [],
        bedAccelMmS2: base?.bedAccelMmS2 ?? null,
        holdDown: base?.holdDown ?? '',
        plateHoldsToMmS: base?.plateHoldsToMmS ?? null,
        heaterW: base?.heaterW ?? null,
        heaterV: base?.heaterV ?? null,
        limitA: base?.limitA ?? null,
        probe: base?.probe ?? 'touch',
        probeRangeMm: base?.probeRangeMm ?? null,
        zTravelBelowMm: base?.zTravelBelowMm ?? null,
        usualPlateMm: base ? (base.usualPlateMm ?? null) : USUAL.usualPlateMm,
        bedMoves: base?.bedMoves ?? false,
        looksForMark: base?.looksForMark ?? false,
        displayReadsHighK: base?.displayReadsHighK ?? 0,
        holds: base?.holds ?? [],
        clipsOpenMm: base?.clipsOpenMm ?? null,
        printWidthMm: base?.printWidthMm ?? null,
        printDepthMm: base?.printDepthMm ?? null,
        bedRound: base?.bedRound ?? false,
        heaterAreaCm2: base?.heaterAreaCm2 ?? null,
        boardHeater: base?.boardHeater ?? false,
        bedLayers: base?.bedLayers ?? USUAL.bedLayers,
        retired: row?.retired ?? false,
    };
}

export function PrinterForm({ row, from, onDone }: FormProps<Printer>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const may = useMay();
    const draft = useDraft({
        start: () => read(row, row ?? from),
        schema: SHAPE,
        row,
        send: retiring(row, row?.name ?? '', (body, version) => (row ? ask(api.PUT('/api/printers/{id}', { params: { path: { id: row.id } }, body: { ...body, version } })) : ask(api.POST('/api/printers', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Printer, theirs as Printer),
        touches: ['printers'],
        after: onDone,
    });
    const { values, set, at } = draft;
    const filament = values.kind === 'filament';
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.name }) : from ? say('shelf.a_printer_like', { from: from.name }) : say('shelf.new_printer')} onDone={onDone}>
            <TextField label={say('shelf.name')} {...at('name')} required />
            <ChoiceRow
                label={say('shelf.prints')}
                {...at('kind')}
                options={[
                    { value: 'filament', label: say('shelf.filament') },
                    { value: 'resin', label: say('shelf.resin') },
                ]}
            />
            <div className="grid gap-4 sm:grid-cols-2">
                <QuantityField label={values.bedRound ? say('shelf.plate_seat_diameter') : say('shelf.plate_seat_width')} kind="length" {...at('bedWidthMm')} />
                <QuantityField label={say('shelf.plate_seat_depth')} kind="length" {...at('bedDepthMm')} />
                <QuantityField label={say('shelf.print_area_width')} kind="length" {...at('printWidthMm')} placeholder={say('shelf.all_of_it')} />
                <QuantityField label={say('shelf.print_area_depth')} kind="length" {...at('printDepthMm')} placeholder={say('shelf.all_of_it')} />
                <QuantityField label={say('shelf.bed_reaches')} kind="temperature" {...at('maxBedC')} placeholder={say('shelf.no_heater')} />
                <QuantityField label={say('shelf.nozzle_reaches')} kind="temperature" {...at('maxNozzleC')} />
            </div>
            <div className="grid gap-x-4 sm:grid-cols-2">
                <CheckField label={say('shelf.enclosed')} {...at('enclosed')} />
                <CheckField label={say('shelf.the_seat_is_round')} checked={values.bedRound} onValue={(bedRound) => set({ bedRound, ...(bedRound ? { bedDepthMm: values.bedWidthMm } : {}) })} />
                <CheckField label={say('shelf.the_bed_moves')} {...at('bedMoves')} />
                <CheckField label={say('shelf.looks_for_a_mark_on_the')} {...at('looksForMark')} />
            </div>
            {filament ? (
                <>
                    <More title={say('shelf.how_plates_are_held')} fields={['hold', 'clips', 'plateHoldsToMmS', 'magnet']}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <fieldset className="sm:col-span-2">
                                <legend className="text-sm font-[650]">{say('shelf.holds_plates_with')}</legend>
                                <div className="flex flex-wrap gap-x-5">
                                    {HOLD_DOWNS.map(({ value, label }) => (
                                        <CheckField key={value} label={label} checked={values.holds.includes(value)} onValue={(on) => set({ holds: on ? [...values.holds, value] : values.holds.filter((each) => each !== value) })} />
                                    ))}
                                </div>
                            </fieldset>
                            {values.holds.includes('clips') ? <QuantityField label={say('shelf.clips_take_a_plate_of')} kind="length" {...at('clipsOpenMm')} placeholder={say('shelf.unknown')} /> : null}
                            <TextField label={say('shelf.about_how_plates_are_held')} {...at('holdDown')} maxLength={60} />
                            <NumberField label={say('shelf.stays_put_up_to_mm_s')} {...at('plateHoldsToMmS')} placeholder={say('shelf.unknown')} />
                            <QuantityField label={say('shelf.magnets_stand_up_to')} kind="temperature" {...at('magnetLimitC')} placeholder={say('shelf.no_magnets')} hint={say('shelf.their_rated_limit')} />
                            <QuantityField label={say('shelf.own_soak_test')} kind="temperature" {...at('magnetSoakC')} placeholder={say('shelf.none')} hint={say('shelf.what_they_stood_for_an_hour')} />
                            <TextField label={say('shelf.magnet_grade')} {...at('magnetGrade')} maxLength={20} hint={say('shelf.magnet_grade_hint')} />
                            <Forces label={say('shelf.pulled_before_the_soak')} forces={values.magnetBeforeN} onForces={(magnetBeforeN) => set({ magnetBeforeN })} />
                            <Forces label={say('shelf.pulled_after_the_soak')} forces={values.magnetAfterN} onForces={(magnetAfterN) => set({ magnetAfterN })} />
                            <NumberField label={say('shelf.bed_accelerates_mm_s2')} {...at('bedAccelMmS2')} placeholder={say('shelf.unknown')} />
                        </div>
                    </More>
                    <More title={say('shelf.probe_and_travel')} fields={['probe', 'usualPlateMm', 'zTravelBelowMm']}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <SelectField label={say('shelf.finds_the_bed')} {...at('probe')} options={PROBES} />
                            {values.probe === 'inductive' ? <QuantityField label={say('shelf.its_range')} kind="length" {...at('probeRangeMm')} placeholder={say('shelf.about_4_mm')} /> : null}
                            <QuantityField label={say('shelf.usual_plate_is_thick')} kind="length" {...at('usualPlateMm')} placeholder={say('shelf.unknown')} />
                            <QuantityField label={say('shelf.z_goes_lower_by')} kind="length" {...at('zTravelBelowMm')} placeholder={say('shelf.unknown')} hint={say('shelf.how_much_thicker_than_that_a')} />
                        </div>
                    </More>
                    <More title={say('shelf.heater_and_bed')} fields={['heater', 'limitA', 'displayReadsHighK', 'chamber', 'bedLayers']}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <NumberField label={say('shelf.heater_w')} {...at('heaterW')} placeholder={say('shelf.unknown')} />
                            <NumberField label={say('shelf.heater_covers_cm2')} {...at('heaterAreaCm2')} placeholder={say('shelf.all_of_the_seat')} />
                            <CheckField label={say('shelf.the_heater_is_a_circuit_board')} {...at('boardHeater')} />
                            <NumberField label={say('shelf.voltage_v')} {...at('heaterV')} placeholder={say('shelf.unknown')} />
                            <NumberField label={say('shelf.output_carries_a')} {...at('limitA')} placeholder={say('shelf.unknown')} />
                            <NumberField label={say('shelf.display_reads_high_by_k')} {...at('displayReadsHighK')} />
                            <QuantityField label={say('shelf.heated_chamber_kept_at')} kind="temperature" {...at('chamberC')} placeholder={say('shelf.no_heater')} />
                            {values.chamberC === null ? null : (
                                <>
                                    <NumberField label={say('shelf.chamber_heater_w')} {...at('chamberW')} placeholder={say('shelf.unknown')} />
                                    <NumberField label={say('shelf.chamber_warms_in_min')} {...at('chamberMinutes')} placeholder={say('shelf.not_timed')} hint={say('shelf.time_it_once_from_cold')} />
                                </>
                            )}
                        </div>
                        <LayersField label={say('shelf.bed')} layers={values.bedLayers} onLayers={(bedLayers) => set({ bedLayers })} materials={catalogue.layers} name="bedLayers" />
                    </More>
                </>
            ) : null}
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
            {row && may.lead ? <PrinterToken printerId={row.id} /> : null}
        </DraftDialog>
    );
}

/** Three pulls of a scale at one corner of a plate. */
function Forces({ label, forces, onForces }: { label: string; forces: number[]; onForces: (forces: number[]) => void }) {
    return (
        <fieldset>
            <legend className="text-sm font-[650]">{label}</legend>
            <div className="grid grid-cols-3 gap-2">
                {[0, 1, 2].map((i) => (
                    <QuantityField key={i} label={say('shelf.pull_no', { no: i + 1 })} kind="force" value={forces[i] ?? null} onValue={(n) => onForces(n === null ? forces.filter((_, at) => at !== i) : [...forces.slice(0, i), n, ...forces.slice(i + 1)])} />
                ))}
            </div>
        </fieldset>
    );
}
