import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { catalogueQuery, lotsQuery, platesQuery, printersQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { AreaField, CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { LayersField, type Layers } from '../ui/LayersField';
import { FormDialog, More, useSave, type FormProps } from './FormDialog';

/** The number after the highest of its kind: P7 and P12 give P13. */
export function nextNumber(like: string, taken: string[]): string {
    const stem = like.replace(/\d+$/, '');
    const numbers = taken.filter((each) => each.replace(/\d+$/, '') === stem).map((each) => Number(/\d+$/.exec(each)?.[0] ?? 0));
    return `${stem}${Math.max(0, ...numbers) + 1}`;
}

type HoldDown = Schemas['HoldDown'];
const HOLD_DOWNS: { value: HoldDown; label: string }[] = [
    { value: 'magnet', label: 'magnets' },
    { value: 'clips', label: 'clips' },
    { value: 'screws', label: 'screws: it stays on' },
    { value: 'glue', label: 'glue: it stays on' },
    { value: 'pad', label: 'a tacky pad' },
    { value: 'loose', label: 'nothing' },
];

const PROBES = [
    { value: 'by_hand', label: 'by hand, with a feeler' },
    { value: 'touch', label: 'the nozzle touches the surface' },
    { value: 'pin', label: 'a pin touches the surface' },
    { value: 'inductive', label: 'inductive, senses metal' },
];

export function PrinterForm({ row, from, onDone }: FormProps<Schemas['Printer']>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const [draft, setDraft] = useState({
        name: row?.name ?? '',
        kind: base?.kind ?? ('filament'),
        bedWidthMm: base?.bedWidthMm ?? 220,
        bedDepthMm: base?.bedDepthMm ?? 220,
        maxBedC: base ? (base.maxBedC ?? null) : 100,
        maxNozzleC: base?.maxNozzleC ?? 260,
        enclosed: base?.enclosed ?? false,
        chamberC: base?.chamberC ?? null,
        chamberW: base?.chamberW ?? null,
        chamberMinutes: base?.chamberMinutes ?? null,
        magnetLimitC: base ? (base.magnetLimitC ?? null) : 80,
        magnetSoakC: base?.magnetSoakC ?? null,
        magnetGrade: base?.magnetGrade ?? '',
        holdDown: base?.holdDown ?? '',
        plateHoldsToMmS: base?.plateHoldsToMmS ?? null,
        heaterW: base?.heaterW ?? null,
        heaterV: base?.heaterV ?? null,
        limitA: base?.limitA ?? null,
        probe: base?.probe ?? ('touch'),
        probeRangeMm: base?.probeRangeMm ?? null,
        zTravelBelowMm: base?.zTravelBelowMm ?? null,
        usualPlateMm: base ? (base.usualPlateMm ?? null) : 0.7,
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
        bedLayers: base?.bedLayers ?? ([{ of: 'aluminium', mm: 3 }, { of: 'magnet_sheet', mm: 0.8 }] as Layers),
        retired: row?.retired ?? false,
    });
    const saving = useSave<typeof draft>('/printers', row, ['printers'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    const filament = draft.kind === 'filament';
    return (
        <FormDialog title={row ? `Change ${row.name}` : from ? `A printer like ${from.name}` : 'New printer'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <TextField label="Name" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
            <ChoiceRow
                label="Prints"
                value={draft.kind}
                onValue={(kind) => set({ kind })}
                options={[
                    { value: 'filament', label: 'filament' },
                    { value: 'resin', label: 'resin' },
                ]}
            />
            <div className="grid gap-4 sm:grid-cols-2">
                <QuantityField label={draft.bedRound ? 'Plate seat, diameter' : 'Plate seat, width'} kind="length" value={draft.bedWidthMm} onValue={(n) => set({ bedWidthMm: n ?? 0 })} error={fault?.of('bedWidthMm')} />
                <QuantityField label="Plate seat, depth" kind="length" value={draft.bedDepthMm} onValue={(n) => set({ bedDepthMm: n ?? 0 })} error={fault?.of('bedDepthMm')} />
                <QuantityField label="Print area, width" kind="length" value={draft.printWidthMm} onValue={(printWidthMm) => set({ printWidthMm })} placeholder="all of it" error={fault?.of('printWidthMm')} />
                <QuantityField label="Print area, depth" kind="length" value={draft.printDepthMm} onValue={(printDepthMm) => set({ printDepthMm })} placeholder="all of it" error={fault?.of('printDepthMm')} />
                <QuantityField label="Bed reaches" kind="temperature" value={draft.maxBedC} onValue={(maxBedC) => set({ maxBedC })} placeholder="no heater" error={fault?.of('maxBedC')} />
                <QuantityField label="Nozzle reaches" kind="temperature" value={draft.maxNozzleC} onValue={(n) => set({ maxNozzleC: n ?? 0 })} error={fault?.of('maxNozzleC')} />
            </div>
            <div className="grid gap-x-4 sm:grid-cols-2">
                <CheckField label="Enclosed" checked={draft.enclosed} onValue={(enclosed) => set({ enclosed })} />
                <CheckField label="The seat is round" checked={draft.bedRound} onValue={(bedRound) => set({ bedRound, ...(bedRound ? { bedDepthMm: draft.bedWidthMm } : {}) })} />
                <CheckField label="The bed moves" checked={draft.bedMoves} onValue={(bedMoves) => set({ bedMoves })} />
                <CheckField label="Looks for a mark on the plate" checked={draft.looksForMark} onValue={(looksForMark) => set({ looksForMark })} />
            </div>
            {filament ? (
                <>
                    <More title="How plates are held" fields={['hold', 'clips', 'plateHoldsToMmS', 'magnet']} fault={fault}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <fieldset className="sm:col-span-2">
                                <legend className="text-sm font-[650]">Holds plates with</legend>
                                <div className="flex flex-wrap gap-x-5">
                                    {HOLD_DOWNS.map(({ value, label }) => (
                                        <CheckField key={value} label={label} checked={draft.holds.includes(value)} onValue={(on) => set({ holds: on ? [...draft.holds, value] : draft.holds.filter((each) => each !== value) })} />
                                    ))}
                                </div>
                            </fieldset>
                            {draft.holds.includes('clips') ? <QuantityField label="Clips take a plate of" kind="length" value={draft.clipsOpenMm} onValue={(clipsOpenMm) => set({ clipsOpenMm })} placeholder="unknown" error={fault?.of('clipsOpenMm')} /> : null}
                            <TextField label="About how plates are held" value={draft.holdDown} onValue={(holdDown) => set({ holdDown })} maxLength={60} />
                            <NumberField label="Stays put up to, mm/s" value={draft.plateHoldsToMmS} onValue={(plateHoldsToMmS) => set({ plateHoldsToMmS })} placeholder="unknown" error={fault?.of('plateHoldsToMmS')} />
                            <QuantityField label="Magnets stand" kind="temperature" value={draft.magnetLimitC} onValue={(magnetLimitC) => set({ magnetLimitC })} placeholder="no magnets" hint="Their rated limit." error={fault?.of('magnetLimitC')} />
                            <QuantityField label="Own soak test" kind="temperature" value={draft.magnetSoakC} onValue={(magnetSoakC) => set({ magnetSoakC })} placeholder="none" hint="What they stood for an hour without harm; it lifts the limit." error={fault?.of('magnetSoakC')} />
                            <TextField label="Magnet grade" value={draft.magnetGrade} onValue={(magnetGrade) => set({ magnetGrade })} maxLength={20} />
                        </div>
                    </More>
                    <More title="Probe and travel" fields={['probe', 'usualPlateMm', 'zTravelBelowMm']} fault={fault}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <SelectField label="Finds the bed" value={draft.probe} onValue={(probe) => set({ probe: probe as Schemas['Printer']['probe'] })} options={PROBES} error={fault?.of('probe')} />
                            {draft.probe === 'inductive' ? <QuantityField label="Its range" kind="length" value={draft.probeRangeMm} onValue={(probeRangeMm) => set({ probeRangeMm })} placeholder="about 4 mm" error={fault?.of('probeRangeMm')} /> : null}
                            <QuantityField label="Usual plate is thick" kind="length" value={draft.usualPlateMm} onValue={(usualPlateMm) => set({ usualPlateMm })} placeholder="unknown" error={fault?.of('usualPlateMm')} />
                            <QuantityField label="Z goes lower by" kind="length" value={draft.zTravelBelowMm} onValue={(zTravelBelowMm) => set({ zTravelBelowMm })} placeholder="unknown" hint="How much thicker than that a plate may be." error={fault?.of('zTravelBelowMm')} />
                        </div>
                    </More>
                    <More title="Heater and bed" fields={['heater', 'limitA', 'displayReadsHighK', 'chamber', 'bedLayers']} fault={fault}>
                        <div className="grid gap-4 sm:grid-cols-2">
                            <NumberField label="Heater, W" value={draft.heaterW} onValue={(heaterW) => set({ heaterW })} placeholder="unknown" error={fault?.of('heaterW')} />
                            <NumberField label="Heater covers, cm²" value={draft.heaterAreaCm2} onValue={(heaterAreaCm2) => set({ heaterAreaCm2 })} placeholder="all of the seat" error={fault?.of('heaterAreaCm2')} />
                            <CheckField label="The heater is a circuit board" checked={draft.boardHeater} onValue={(boardHeater) => set({ boardHeater })} />
                            <NumberField label="Voltage, V" value={draft.heaterV} onValue={(heaterV) => set({ heaterV })} placeholder="unknown" error={fault?.of('heaterV')} />
                            <NumberField label="Output carries, A" value={draft.limitA} onValue={(limitA) => set({ limitA })} placeholder="unknown" error={fault?.of('limitA')} />
                            <NumberField label="Display reads high by, K" value={draft.displayReadsHighK} onValue={(n) => set({ displayReadsHighK: n ?? 0 })} error={fault?.of('displayReadsHighK')} />
                            <QuantityField label="Heated chamber kept at" kind="temperature" value={draft.chamberC} onValue={(chamberC) => set({ chamberC })} placeholder="no heater" error={fault?.of('chamberC')} />
                            {draft.chamberC === null ? null : (
                                <>
                                    <NumberField label="Chamber heater, W" value={draft.chamberW} onValue={(chamberW) => set({ chamberW })} placeholder="unknown" error={fault?.of('chamberW')} />
                                    <NumberField label="Chamber warms in, min" value={draft.chamberMinutes} onValue={(chamberMinutes) => set({ chamberMinutes })} placeholder="not timed" hint="Time it once from cold." error={fault?.of('chamberMinutes')} />
                                </>
                            )}
                        </div>
                        <LayersField label="Bed" layers={draft.bedLayers} onLayers={(bedLayers) => set({ bedLayers })} materials={catalogue.layers} error={(i) => fault?.of(`bedLayers.${i}.of`) ?? fault?.of(`bedLayers.${i}.mm`)} />
                    </More>
                </>
            ) : null}
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

type PlateDraft = {
    number: string;
    widthMm: number;
    depthMm: number;
    heldBy: HoldDown;
    round: boolean;
    printerId: string | null;
    note: string;
    layers: Layers;
    marked: boolean;
    slicerType: string;
    price: number | null;
    purchasedOn: string | null;
    retired?: boolean;
    sides?: SideDraft[];
};
type SideDraft = { face: 'front' | 'back'; surfaceId: string; surfaceLot: string; limitC: number | null; soakC: number | null };

export function PlateForm({ row, from, onDone }: FormProps<Schemas['Plate']>) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const firstPrinter = printers.find((p) => !p.retired && p.kind === 'filament');
    const [draft, setDraft] = useState<PlateDraft>({
        number: row?.number ?? nextNumber(from?.number ?? plates[plates.length - 1]?.number ?? 'P1', plates.map((p) => p.number)),
        widthMm: base?.widthMm ?? firstPrinter?.bedWidthMm ?? 220,
        depthMm: base?.depthMm ?? firstPrinter?.bedDepthMm ?? 220,
        heldBy: base?.heldBy ?? 'magnet',
        round: base?.round ?? false,
        printerId: base ? (base.printerId ?? null) : (firstPrinter?.id ?? null),
        note: row?.note ?? '',
        layers: base?.layers ?? [],
        marked: base?.marked ?? true,
        slicerType: base?.slicerType ?? '',
        price: base?.price ?? null,
        purchasedOn: row?.purchasedOn ?? (row ? null : new Date().toISOString().slice(0, 10)),
        ...(row ? { retired: row.retired } : { sides: from?.sides.map((s) => ({ face: s.face, surfaceId: s.fitting.surfaceId, surfaceLot: s.fitting.surfaceLot, limitC: s.fitting.limitC ?? null, soakC: s.fitting.soakC ?? null })) ?? [{ face: 'front' as const, surfaceId: '', surfaceLot: '', limitC: null, soakC: null }] }),
    });
    const saving = useSave<PlateDraft>('/plates', row, ['plates', 'care'], onDone);
    const set = (part: Partial<PlateDraft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    const sides = draft.sides;
    const side = (at: number, part: Partial<SideDraft>, more: Partial<PlateDraft> = {}) => sides && set({ ...more, sides: sides.map((each, i) => (i === at ? { ...each, ...part } : each)) });
    // What a plate of this kind is usually made of, as the catalogue has it.
    const usual = (surfaceId: string): Layers => (catalogue.surfaces.find((s) => s.id === surfaceId)?.plate ?? []).map(([of, mm]) => ({ of: String(of), mm: Number(mm) }));
    const takePrinter = (id: string) => {
        const printer = printers.find((p) => p.id === id);
        set({ printerId: id || null, ...(printer && !row ? { widthMm: printer.bedWidthMm, depthMm: printer.bedDepthMm } : {}) });
    };
    return (
        <FormDialog title={row ? `Change plate ${row.number}` : from ? `A plate like ${from.number}` : 'New plate'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Number" value={draft.number} onValue={(number) => set({ number })} error={fault?.of('number')} required />
                <SelectField label="Belongs to" value={draft.printerId ?? ''} onValue={takePrinter} empty="no printer" options={printers.map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
                <QuantityField label="Width" kind="length" value={draft.widthMm} onValue={(n) => set({ widthMm: n ?? 0 })} error={fault?.of('widthMm')} />
                <QuantityField label="Depth" kind="length" value={draft.depthMm} onValue={(n) => set({ depthMm: n ?? 0 })} error={fault?.of('depthMm')} />
            </div>
            {sides?.map((each, i) => (
                <fieldset key={each.face} className="grid gap-4 border-l-4 border-line pl-4 sm:grid-cols-3">
                    <legend className="sr-only">{each.face}</legend>
                    <SelectField label={`Surface, ${each.face}`} value={each.surfaceId} onValue={(surfaceId) => side(i, { surfaceId }, i === 0 ? { layers: usual(surfaceId) } : {})} empty="Choose …" options={inUse(catalogue.surfaces, each.surfaceId)} error={fault?.of(`sides.${i}.surfaceId`)} />
                    <TextField label="Sheet or lot" value={each.surfaceLot} onValue={(surfaceLot) => side(i, { surfaceLot })} />
                    <QuantityField label="Own limit" kind="temperature" value={each.limitC} onValue={(limitC) => side(i, { limitC })} placeholder="of its kind" />
                    <QuantityField label="Own soak test" kind="temperature" value={each.soakC} onValue={(soakC) => side(i, { soakC })} placeholder="none" hint="What the sheet stood for an hour without harm; it lifts the limit." />
                </fieldset>
            ))}
            {sides?.length === 1 ? (
                <div>
                    <Button tone="quiet" onClick={() => set({ sides: [...sides, { face: 'back', surfaceId: '', surfaceLot: '', limitC: null, soakC: null }] })}>
                        It has a usable back
                    </Button>
                </div>
            ) : null}
            <LayersField label="Layers with the front up" layers={draft.layers} onLayers={(layers) => set({ layers })} materials={catalogue.layers} error={(i) => fault?.of(`layers.${i}.of`) ?? fault?.of(`layers.${i}.mm`)} />
            <div className="grid items-end gap-x-4 gap-y-2 sm:grid-cols-2">
                <SelectField label="Held on the printer by" value={draft.heldBy} onValue={(heldBy) => set({ heldBy: heldBy as HoldDown })} options={HOLD_DOWNS} error={fault?.of('heldBy')} />
                <CheckField label="Round, its width is the diameter" checked={draft.round} onValue={(round) => set({ round, ...(round ? { depthMm: draft.widthMm } : {}) })} />
                <CheckField label="Carries the mark some printers look for" checked={draft.marked} onValue={(marked) => set({ marked })} />
            </div>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label="Plate type in the slicer" value={draft.slicerType} onValue={(slicerType) => set({ slicerType })} maxLength={60} />
                <NumberField label="Price" value={draft.price} onValue={(price) => set({ price })} placeholder="unknown" error={fault?.of('price')} />
                <TextField label="Bought on" type="date" value={draft.purchasedOn ?? ''} onValue={(date) => set({ purchasedOn: date || null })} error={fault?.of('purchasedOn')} />
            </div>
            <AreaField label="Note" value={draft.note} onValue={(note) => set({ note })} maxLength={500} />
            {row ? <CheckField label="Retired" checked={draft.retired ?? false} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function FittingForm({ side, onDone }: { side: Schemas['PlateSide']; onDone: () => void }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ surfaceId: side.fitting.surfaceId, surfaceLot: '', limitC: null as number | null, soakC: null as number | null });
    const saving = useSave<typeof draft>(`/plate-sides/${side.id}/fittings`, null, ['plates', 'care'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    return (
        <FormDialog title={`A new sheet on ${side.label}`} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <p>From now on this side is a new surface. Its earlier runs stay in their comparisons, but no longer speak for it.</p>
            <SelectField label="Surface" value={draft.surfaceId} onValue={(surfaceId) => set({ surfaceId })} options={inUse(catalogue.surfaces, draft.surfaceId)} error={saving.fault?.of('surfaceId')} />
            <TextField label="Sheet or lot" value={draft.surfaceLot} onValue={(surfaceLot) => set({ surfaceLot })} />
            <QuantityField label="Own limit" kind="temperature" value={draft.limitC} onValue={(limitC) => set({ limitC })} placeholder="of its kind" />
            <QuantityField label="Own soak test" kind="temperature" value={draft.soakC} onValue={(soakC) => set({ soakC })} placeholder="none" hint="What the sheet stood for an hour without harm; it lifts the limit." />
        </FormDialog>
    );
}

export function AgentForm({ row, from, onDone }: FormProps<Schemas['Agent']>) {
    const base = row ?? from;
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ kindId: base?.kindId ?? '', name: base?.name ?? '', batch: row?.batch ?? '', openedOn: row?.openedOn ?? null, price: base?.price ?? null, coats: base?.coats ?? null, retired: row?.retired ?? false });
    const saving = useSave<typeof draft>('/agents', row, ['agents'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.name}` : from ? `Another batch of ${from.name}` : 'New agent'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <SelectField label="Kind" value={draft.kindId} onValue={(kindId) => set({ kindId })} empty="Choose …" options={catalogue.agents.map((a) => ({ value: a.id, label: a.name }))} error={fault?.of('kindId')} />
            <TextField label="Name in the shop" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Batch" value={draft.batch} onValue={(batch) => set({ batch })} />
                <TextField label="Opened on" type="date" value={draft.openedOn ?? ''} onValue={(date) => set({ openedOn: date || null })} error={fault?.of('openedOn')} />
                <NumberField label="Price" value={draft.price} onValue={(price) => set({ price })} placeholder="unknown" error={fault?.of('price')} />
                <NumberField label="Gives so many coats" value={draft.coats} onValue={(coats) => set({ coats: coats === null ? null : Math.round(coats) })} placeholder="unknown" error={fault?.of('coats')} />
            </div>
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function LotForm({ row, from, onDone }: FormProps<Schemas['Lot']>) {
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const base = row ?? from;
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ label: row?.label ?? (from ? nextNumber(from.label, lots.map((l) => l.label)) : ''), materialId: base?.materialId ?? '', name: base?.name ?? '', openedOn: row?.openedOn ?? null, driedOn: row?.driedOn ?? null, labelBedC: row?.labelBedC ?? null, labelNozzleC: row?.labelNozzleC ?? null, note: row?.note ?? '', retired: row?.retired ?? false });
    const saving = useSave<typeof draft>('/lots', row, ['lots'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.label}` : from ? `A lot like ${from.label}` : 'New lot'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Lot number" value={draft.label} onValue={(label) => set({ label })} error={fault?.of('label')} required />
                <SelectField label="Material" value={draft.materialId} onValue={(materialId) => set({ materialId })} empty="Choose …" options={inUse(catalogue.materials, draft.materialId)} error={fault?.of('materialId')} />
                <TextField label="Name in the shop" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
                <TextField label="Opened on" type="date" value={draft.openedOn ?? ''} onValue={(date) => set({ openedOn: date || null })} error={fault?.of('openedOn')} />
                <QuantityField label="Its label says, bed" kind="temperature" value={draft.labelBedC} onValue={(labelBedC) => set({ labelBedC })} placeholder="not said" error={fault?.of('labelBedC')} />
                <QuantityField label="Its label says, nozzle" kind="temperature" value={draft.labelNozzleC} onValue={(labelNozzleC) => set({ labelNozzleC })} placeholder="not said" error={fault?.of('labelNozzleC')} />
                <TextField label="Dried on" type="date" value={draft.driedOn ?? ''} onValue={(date) => set({ driedOn: date || null })} error={fault?.of('driedOn')} />
            </div>
            <AreaField label="Note" value={draft.note} onValue={(note) => set({ note })} maxLength={500} />
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function GaugeForm({ row, from, onDone }: FormProps<Schemas['Gauge']>) {
    const base = row ?? from;
    const [draft, setDraft] = useState({ name: base?.name ?? '', address: base?.address ?? '', rangeN: base?.rangeN ?? 200, resolutionN: base?.resolutionN ?? 0.1, checkedOn: row?.checkedOn ?? null, checkedWithN: row?.checkedWithN ?? null, checkShowedN: row?.checkShowedN ?? null, retired: row?.retired ?? false });
    const saving = useSave<typeof draft>('/gauges', row, ['gauges'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.name}` : 'New gauge'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <TextField label="Name in the shop" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
            {row?.simulated ? <p>This gauge is simulated. What it says proves nothing outside the demo.</p> : <TextField label="Address, host and port" value={draft.address} onValue={(address) => set({ address })} error={fault?.of('address')} placeholder="gauge.local:4001" required />}
            <div className="grid gap-4 sm:grid-cols-2">
                <QuantityField label="Range" kind="force" value={draft.rangeN} onValue={(rangeN) => rangeN !== null && set({ rangeN })} error={fault?.of('rangeN')} />
                <QuantityField label="Smallest step it shows" kind="force" value={draft.resolutionN} onValue={(resolutionN) => resolutionN !== null && set({ resolutionN })} error={fault?.of('resolutionN')} />
                <TextField label="Checked on" type="date" value={draft.checkedOn ?? ''} onValue={(date) => set({ checkedOn: date || null })} error={fault?.of('checkedOn')} />
                <QuantityField label="With a known weight of" kind="force" value={draft.checkedWithN} onValue={(checkedWithN) => set({ checkedWithN })} error={fault?.of('checkedWithN')} />
                <QuantityField label="It showed" kind="force" value={draft.checkShowedN} onValue={(checkShowedN) => set({ checkShowedN })} error={fault?.of('checkShowedN')} />
            </div>
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}
