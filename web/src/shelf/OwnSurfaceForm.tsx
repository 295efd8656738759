import { useSuspenseQuery } from '@tanstack/react-query';
import type { z } from 'zod/mini';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog, More, useDrawn } from '../ui/DraftForm';
import { AreaField, CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { LayersField } from '../ui/LayersField';
import { as, flag, maybe, number, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { ChartField, readLine, sentLine, type Line } from './ChartField';
import type { FormProps } from './rows';

type New = Schemas['NewOwnSurface'];
type Draft = Omit<New, 'id' | 'chart' | 'cautions' | 'limitC' | 'lifePrints'> & { retired: boolean; lines: Line[]; cautions: string; limitC: number | null; lifePrints: number | null };

const SHAPE = whole({
    name: words(),
    kind: as<New['kind']>(),
    limitC: number(),
    nozzleLimitC: maybe(),
    alcoholMaxPercent: maybe(),
    finish: as<New['finish']>(),
    flexes: flag(),
    freezes: flag(),
    layers: as<New['layers']>(),
    cleaners: as<New['cleaners']>(),
    harmedBy: as<New['harmedBy']>(),
    lifePrints: number(),
    raftRequired: flag(),
    blindsInductiveProbe: flag(),
    wantsScuff: flag(),
    worksCold: flag(),
    grip: text(),
    cleaning: words(),
    releaseWay: words(),
    doneHot: text(),
    cautions: text(),
    source: text(),
    lines: as<Line[]>(),
    retired: flag(),
});

function sent({ lines, cautions, ...rest }: z.infer<typeof SHAPE>) {
    return { ...rest, cautions: linesOf(cautions), chart: lines.map((line) => ({ ...sentLine(line), materialId: line.otherId })) };
}

const FINISHES: { value: New['finish']; label: string }[] = [
    { value: 'gloss', label: say('shelf.gloss') },
    { value: 'satin', label: say('shelf.satin') },
    { value: 'texture', label: say('shelf.textured') },
    { value: 'pattern', label: say('shelf.patterned') },
];
const KINDS: { value: Schemas['PrinterKind']; label: string }[] = [
    { value: 'filament', label: say('shelf.filament') },
    { value: 'resin', label: say('shelf.resin') },
];

function draftOf(base: Schemas['OwnSurface'] | null, row: Schemas['OwnSurface'] | null): Draft {
    return {
        name: row?.name ?? '',
        kind: base?.kind ?? 'filament',
        limitC: base?.limitC ?? null,
        nozzleLimitC: base?.nozzleLimitC ?? null,
        alcoholMaxPercent: base?.alcoholMaxPercent ?? null,
        finish: base?.finish ?? 'satin',
        flexes: base?.flexes ?? false,
        freezes: base?.freezes ?? false,
        layers: base?.layers ?? [],
        cleaners: base?.cleaners ?? [],
        harmedBy: base?.harmedBy ?? [],
        lifePrints: base?.lifePrints ?? 200,
        raftRequired: base?.raftRequired ?? false,
        blindsInductiveProbe: base?.blindsInductiveProbe ?? false,
        wantsScuff: base?.wantsScuff ?? false,
        worksCold: base?.worksCold ?? false,
        grip: base?.grip ?? '',
        cleaning: base?.cleaning ?? '',
        releaseWay: base?.releaseWay ?? say('shelf.let_it_cool_then_try_it'),
        doneHot: base?.doneHot ?? '',
        cautions: (base?.cautions ?? []).join('\n'),
        source: base?.source ?? '',
        lines: base?.chart.map((line) => readLine(line, line.materialId)) ?? [],
        retired: row?.retired ?? false,
    };
}

/** A kind of surface that the catalogue does not have: limits, build, and what its maker says. */
export function OwnSurfaceForm({ row, from, onDone }: FormProps<Schemas['OwnSurface']>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const key = useKey();
    const draft = useDraft({
        start: () => draftOf(base, row),
        schema: SHAPE,
        row,
        send: (entered, version) => {
            const { retired, ...body } = sent(entered);
            return row ? ask(api.PUT('/api/own-surfaces/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/own-surfaces', { body: { ...body, id: key } }));
        },
        read: (theirs) => draftOf(theirs as Schemas['OwnSurface'], theirs as Schemas['OwnSurface']),
        touches: ['own-surfaces', 'catalogue', 'pairs'],
        after: onDone,
    });
    const { values, set, at } = draft;
    const tick = (list: 'cleaners' | 'harmedBy', id: string, on: boolean) => set({ [list]: on ? [...values[list], id] : values[list].filter((each) => each !== id) });
    const like = (id: string) => {
        const surface = catalogue.surfaces.find((each) => each.id === id);
        if (surface) set({ layers: (surface.plate ?? []).map(([of, mm]) => ({ of: String(of), mm: Number(mm) })), flexes: surface.flexes, cleaners: surface.cleaners, harmedBy: surface.harmed_by ?? [], cleaning: surface.cleaning, releaseWay: surface.release_way });
    };
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} wide title={row ? say('shelf.change', { row: row.name }) : from ? say('shelf.a_surface_like', { from: from.name }) : say('shelf.new_kind_of_surface')} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label={say('shelf.name_by_what_it_is')} {...at('name')} required />
                {row ? null : <ChoiceRow label={say('shelf.for')} {...at('kind')} options={KINDS} />}
                {base ? null : <SelectField label={say('shelf.built_and_cleaned_like')} value="" onValue={like} empty={say('shelf.choose_to_fill_in')} options={catalogue.surfaces.filter((s) => (s.kind ?? 'filament') === values.kind).map((s) => ({ value: s.id, label: s.name }))} />}
                <QuantityField label={say('shelf.stands_up_to')} kind="temperature" {...at('limitC')} placeholder={say('shelf.as_its_maker_says')} />
                <QuantityField label={say('shelf.first_layer_nozzle_up_to')} kind="temperature" {...at('nozzleLimitC')} placeholder={say('shelf.any')} />
                <NumberField label={say('shelf.lasts_about_prints')} whole {...at('lifePrints')} />
            </div>
            <ChartField lines={values.lines} onLines={(lines) => set({ lines })} other={say('shelf.material')} others={catalogue.materials.filter((m) => (m.kind ?? 'filament') === values.kind)} agents={catalogue.agents} field="materialId" seconds={values.kind === 'resin'} />
            <LayersField label={say('shelf.a_plate_of_it_is_made')} layers={values.layers} onLayers={(layers) => set({ layers: layers.map(({ of, mm }) => ({ of, mm })) })} materials={catalogue.layers} name="layers" />
            <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
                <SelectField label={say('shelf.leaves_a_finish_of')} {...at('finish')} options={FINISHES} />
                <span />
                <CheckField label={say('shelf.may_be_flexed')} {...at('flexes')} />
                <CheckField label={say('shelf.may_go_into_a_freezer')} {...at('freezes')} />
                <CheckField label={say('shelf.is_scuffed_before_first_use')} {...at('wantsScuff')} />
                <CheckField label={say('shelf.works_with_the_bed_off')} {...at('worksCold')} />
                <CheckField label={say('shelf.needs_a_raft')} {...at('raftRequired')} />
                <CheckField label={say('shelf.blinds_an_inductive_probe')} {...at('blindsInductiveProbe')} />
            </div>
            <div className="grid gap-4 sm:grid-cols-2">
                <Ticks legend={say('shelf.cleaned_with')} name="cleaners" all={catalogue.cleaners} ticked={values.cleaners} onTick={(id, on) => tick('cleaners', id, on)} />
                <Ticks legend={say('shelf.spoilt_by')} name="harmedBy" all={catalogue.cleaners} ticked={values.harmedBy} onTick={(id, on) => tick('harmedBy', id, on)} />
                <TextField label={say('shelf.how_it_is_cleaned')} {...at('cleaning')} maxLength={300} required />
                <TextField label={say('shelf.how_a_part_comes_off')} {...at('releaseWay')} maxLength={300} required />
            </div>
            <More title={say('shelf.more_that_the_maker_says')} fields={['grip', 'doneHot', 'cautions', 'alcoholMaxPercent', 'source']}>
                <div className="grid gap-4 sm:grid-cols-2">
                    <TextField label={say('shelf.what_it_grips_by')} {...at('grip')} maxLength={200} />
                    <TextField label={say('shelf.what_pulling_off_hot_does')} {...at('doneHot')} maxLength={300} />
                    <NumberField label={say('shelf.alcohol_up_to')} {...at('alcoholMaxPercent')} placeholder={say('shelf.any')} />
                    <TextField label={say('shelf.where_it_says_so')} {...at('source')} maxLength={120} placeholder={say('shelf.leaflet_in_the_box_2026')} />
                </div>
                <AreaField label={say('shelf.cautions_one_a_line')} {...at('cautions')}  />
            </More>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}

export function linesOf(text: string): string[] {
    return text.split('\n').map((line) => line.trim()).filter((line) => line !== '');
}

function Ticks({ legend, name: field, all, ticked, onTick }: { legend: string; name: string; all: { id: string; name: string }[]; ticked: string[]; onTick: (id: string, on: boolean) => void }) {
    const { error } = useDrawn(field, { label: legend, show: (each) => all.filter(({ id }) => Array.isArray(each) && each.includes(id)).map(({ name }) => name).join(', ') || '–' });
    return (
        <fieldset>
            <legend className="text-sm font-[650]">{legend}</legend>
            <div className="flex flex-wrap gap-x-5">
                {all.map(({ id, name }) => (
                    <CheckField key={id} label={name} checked={ticked.includes(id)} onValue={(on) => onTick(id, on)} />
                ))}
            </div>
            {error ? <p className="text-sm font-[650] text-fault">{error}</p> : null}
        </fieldset>
    );
}
