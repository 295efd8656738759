import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, nextNameQuery, printersQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, CheckField, DateField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { LayersField, type Layers } from '../ui/LayersField';
import { as, date, flag, list, maybe, number, picked, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import { HOLD_DOWNS, type FormProps } from './rows';

type Plate = Schemas['Plate'];
type Side = { face: 'front' | 'back'; surfaceId: string; surfaceLot: string; limitC: number | null; soakC: number | null };
type Values = Omit<Required<Schemas['EditedPlate']>, 'version' | 'widthMm' | 'depthMm'> & { widthMm: number | null; depthMm: number | null; /** Of a plate that is there already they are changed by new sheets. */ sides: Side[] };

const SIDE = { surfaceId: picked(), surfaceLot: text(), limitC: maybe(), soakC: maybe() };
const SHAPE = whole({
    number: words(),
    widthMm: number(),
    depthMm: number(),
    heldBy: as<Schemas['HoldDown']>(),
    round: flag(),
    printerId: as<string | null>(),
    note: text(),
    layers: as<Layers>(),
    marked: flag(),
    slicerType: text(),
    price: maybe(),
    purchasedOn: date(),
    washPrints: maybe(),
    retired: flag(),
    sides: list(whole({ face: as<Side['face']>(), ...SIDE })),
});

const NO_SHEET = { surfaceId: '', surfaceLot: '', limitC: null, soakC: null };

function read(row: Plate): Values {
    return {
        number: row.number,
        widthMm: row.widthMm,
        depthMm: row.depthMm,
        heldBy: row.heldBy,
        round: row.round,
        printerId: row.printerId ?? null,
        note: row.note,
        layers: row.layers,
        marked: row.marked,
        slicerType: row.slicerType,
        price: row.price ?? null,
        purchasedOn: row.purchasedOn ?? null,
        washPrints: row.washPrints ?? null,
        retired: row.retired,
        sides: [],
    };
}

const sheets = (plate: Plate): Side[] => plate.sides.map(({ face, fitting }) => ({ face, surfaceId: fitting.surfaceId, surfaceLot: fitting.surfaceLot, limitC: fitting.limitC ?? null, soakC: fitting.soakC ?? null }));

export function PlateForm({ row, from, onDone }: FormProps<Plate>) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: next } = useSuspenseQuery(nextNameQuery('plate', from?.number ?? ''));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const start = (): Values => {
        if (row) return read(row);
        const fresh = { number: next.name, note: '', washPrints: null, purchasedOn: new Date().toISOString().slice(0, 10), retired: false };
        if (from) return { ...read(from), ...fresh, sides: sheets(from) };
        const printer = printers.find((p) => !p.retired && p.kind === 'filament');
        return { ...fresh, widthMm: printer?.bedWidthMm ?? 220, depthMm: printer?.bedDepthMm ?? 220, heldBy: 'magnet', round: false, printerId: printer?.id ?? null, layers: [], marked: true, slicerType: '', price: null, sides: [{ face: 'front', ...NO_SHEET }] };
    };
    const draft = useDraft({
        start,
        schema: SHAPE,
        row,
        send: retiring(row, row?.number ?? '', ({ sides, retired, ...body }, version) => (row ? ask(api.PUT('/api/plates/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/plates', { body: { ...body, sides, id: key } })))),
        read: (theirs) => read(theirs as Plate),
        touches: ['plates', 'care'],
        after: onDone,
    });
    const { values, set, at } = draft;
    const { sides } = values;
    const side = (place: number, part: Partial<Side>, more: Partial<Values> = {}) => set({ ...more, sides: sides.map((each, i) => (i === place ? { ...each, ...part } : each)) });
    // What a plate of this kind is usually made of, as the catalogue has it.
    const usual = (surfaceId: string): Layers => (catalogue.surfaces.find((s) => s.id === surfaceId)?.plate ?? []).map(([of, mm]) => ({ of: String(of), mm: Number(mm) }));
    const heldBy = (surfaceId: string): Partial<Values> => {
        const surface = catalogue.surfaces.find((s) => s.id === surfaceId);
        return surface ? { heldBy: surface.held_by } : {};
    };
    const takePrinter = (id: string) => {
        const printer = printers.find((p) => p.id === id);
        set({ printerId: id || null, ...(printer && !row ? { widthMm: printer.bedWidthMm, depthMm: printer.bedDepthMm } : {}) });
    };
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change_plate', { number: row.number }) : from ? say('shelf.a_plate_like', { number: from.number }) : say('shelf.new_plate')} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label={say('shelf.number')} {...at('number')} required />
                <SelectField label={say('shelf.belongs_to')} value={values.printerId} onValue={takePrinter} empty={say('shelf.no_printer')} options={printers.map((p) => ({ value: p.id, label: p.name }))} name="printerId" />
                <QuantityField label={say('shelf.width')} kind="length" {...at('widthMm')} />
                <QuantityField label={say('shelf.depth')} kind="length" {...at('depthMm')} />
            </div>
            {sides.map((each, i) => (
                <fieldset key={each.face} className="grid gap-4 border-l-4 border-line pl-4 sm:grid-cols-3">
                    <legend className="sr-only">{each.face}</legend>
                    <SelectField label={say('shelf.surface', { face: each.face })} value={each.surfaceId} onValue={(surfaceId) => side(i, { surfaceId }, i === 0 ? { layers: usual(surfaceId), ...heldBy(surfaceId) } : {})} empty={say('shelf.choose')} options={inUse(catalogue.surfaces, each.surfaceId)} name={`sides.${i}.surfaceId`} />
                    <TextField label={say('shelf.sheet_or_lot')} value={each.surfaceLot} onValue={(surfaceLot) => side(i, { surfaceLot })} />
                    <QuantityField label={say('shelf.own_limit')} kind="temperature" value={each.limitC} onValue={(limitC) => side(i, { limitC })} placeholder={say('shelf.of_its_kind')} />
                    <QuantityField label={say('shelf.own_soak_test')} kind="temperature" value={each.soakC} onValue={(soakC) => side(i, { soakC })} placeholder={say('shelf.none')} hint={say('shelf.what_the_sheet_stood_for_an')} />
                </fieldset>
            ))}
            {sides.length === 1 ? (
                <div>
                    <Button tone="quiet" onClick={() => set({ sides: [...sides, { face: 'back', ...NO_SHEET }] })}>{say('shelf.it_has_a_usable_back')}</Button>
                </div>
            ) : null}
            <LayersField label={say('shelf.layers_with_the_front_up')} layers={values.layers} onLayers={(layers) => set({ layers })} materials={catalogue.layers} name="layers" />
            <div className="grid items-end gap-x-4 gap-y-2 sm:grid-cols-2">
                <SelectField label={say('shelf.held_on_the_printer_by')} {...at('heldBy')} options={HOLD_DOWNS} />
                <CheckField label={say('shelf.round_its_width_is_the_diameter')} checked={values.round} onValue={(round) => set({ round, ...(round ? { depthMm: values.widthMm } : {}) })} />
                <CheckField label={say('shelf.carries_the_mark_some_printers_look')} {...at('marked')} />
            </div>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label={say('shelf.plate_type_in_the_slicer')} {...at('slicerType')} maxLength={60} />
                <NumberField label={say('shelf.price')} {...at('price')} placeholder={say('shelf.unknown')} />
                <DateField label={say('shelf.bought_on')} {...at('purchasedOn')} />
                <NumberField label={say('shelf.washed_after')} {...at('washPrints')} whole placeholder={say('shelf.as_usual')} />
            </div>
            <AreaField label={say('shelf.note')} {...at('note')} maxLength={500} />
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
