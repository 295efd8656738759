import { useSuspenseQuery } from '@tanstack/react-query';
import type { z } from 'zod/mini';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { as, flag, maybe, number, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { ChartField, readLine, sentLine, type Line } from './ChartField';
import { linesOf } from './OwnSurfaceForm';
import type { FormProps } from './rows';

type Range = [number | null, number | null];
type Drying = { hours: number | null; celsius: number | null; goodDays: number | null };
type Draft = Pick<Schemas['NewOwnMaterial'], 'name' | 'kind' | 'enclosure' | 'fumes' | 'source'> & {
    glassTransitionC: Range;
    bedC: Range;
    nozzleC: Range;
    crystallisesC: number | null;
    expansionUmMK: number | null;
    modulusGpa: number | null;
    drying: Drying;
    notes: string;
    lines: Line[];
    retired: boolean;
};

type New = Schemas['NewOwnMaterial'];

const SHAPE = whole({
    name: words(),
    kind: as<New['kind']>(),
    enclosure: as<New['enclosure']>(),
    fumes: flag(),
    source: text(),
    glassTransitionC: as<Range>(),
    bedC: as<Range>(),
    nozzleC: as<Range>(),
    crystallisesC: maybe(),
    expansionUmMK: number(),
    modulusGpa: number(),
    drying: as<Drying>(),
    notes: text(),
    lines: as<Line[]>(),
    retired: flag(),
});

/** What is half filled in goes as it is, and is refused by name. */
function sent({ lines, notes, glassTransitionC, bedC, nozzleC, drying, ...rest }: z.infer<typeof SHAPE>) {
    return {
        ...rest,
        glassTransitionC: filled(glassTransitionC),
        bedC: filled(bedC),
        nozzleC: filled(nozzleC),
        drying: Object.values(drying).every((value) => value === null) ? null : (drying as Schemas['Drying']),
        notes: linesOf(notes),
        chart: lines.map((line) => ({ ...sentLine(line), surfaceId: line.otherId })),
    };
}

const NONE: Range = [null, null];
const RANGES = [
    { key: 'bedC', label: say('shelf.bed') },
    { key: 'nozzleC', label: say('shelf.nozzle') },
    { key: 'glassTransitionC', label: say('shelf.softens') },
] as const;
const ENCLOSURES: { value: Draft['enclosure']; label: string }[] = [
    { value: 'no', label: say('shelf.needs_none') },
    { value: 'wanted', label: say('shelf.wanted') },
    { value: 'needed', label: say('shelf.needed') },
];
const KINDS: { value: Schemas['PrinterKind']; label: string }[] = [
    { value: 'filament', label: say('shelf.filament') },
    { value: 'resin', label: say('shelf.resin') },
];

function range(pair: number[] | null | undefined): Range {
    return pair ? [pair[0] ?? null, pair[1] ?? null] : NONE;
}

function draftOf(base: Schemas['OwnMaterial'] | null, row: Schemas['OwnMaterial'] | null): Draft {
    return {
        name: row?.name ?? '',
        kind: base?.kind ?? 'filament',
        enclosure: base?.enclosure ?? 'no',
        fumes: base?.fumes ?? false,
        source: base?.source ?? '',
        glassTransitionC: range(base?.glassTransitionC),
        bedC: range(base?.bedC),
        nozzleC: range(base?.nozzleC),
        crystallisesC: base?.crystallisesC ?? null,
        expansionUmMK: base?.expansionUmMK ?? null,
        modulusGpa: base?.modulusGpa ?? null,
        drying: base?.drying ?? { hours: null, celsius: null, goodDays: null },
        notes: (base?.notes ?? []).join('\n'),
        lines: base?.chart.map((line) => readLine(line, line.surfaceId)) ?? [],
        retired: row?.retired ?? false,
    };
}

/** A material that the catalogue does not have: its figures, and what its maker says of surfaces. */
export function OwnMaterialForm({ row, from, onDone }: FormProps<Schemas['OwnMaterial']>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const key = useKey();
    const draft = useDraft({
        start: () => draftOf(base, row),
        schema: SHAPE,
        row,
        send: (entered, version) => {
            const { retired, ...body } = sent(entered);
            return row ? ask(api.PUT('/api/own-materials/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/own-materials', { body: { ...body, id: key } }));
        },
        read: (theirs) => draftOf(theirs as Schemas['OwnMaterial'], theirs as Schemas['OwnMaterial']),
        touches: ['own-materials', 'catalogue', 'pairs'],
        after: onDone,
    });
    const { values, set, at, errorOf } = draft;
    const filament = values.kind === 'filament';
    const like = (id: string) => {
        const of = catalogue.materials.find((each) => each.id === id);
        if (!of) return;
        set({
            glassTransitionC: range(of.glass_transition_c),
            bedC: range(of.bed_c),
            nozzleC: range(of.nozzle_c),
            crystallisesC: of.crystallises_c ?? null,
            expansionUmMK: of.expansion_um_mk ?? null,
            modulusGpa: of.modulus_gpa ?? null,
            enclosure: of.enclosure ?? 'no',
            fumes: of.fumes ?? false,
            drying: of.moisture ? { hours: of.moisture.dry_hours, celsius: of.moisture.dry_c, goodDays: of.moisture.good_days } : values.drying,
        });
    };
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} wide title={row ? say('shelf.change', { row: row.name }) : from ? say('shelf.a_material_like', { from: from.name }) : say('shelf.new_material')} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label={say('shelf.name_by_what_it_is')} {...at('name')} required />
                {row ? null : <ChoiceRow label={say('shelf.it_is_a')} {...at('kind')} options={KINDS} />}
                {base ? null : <SelectField label={say('shelf.prints_like')} value="" onValue={like} empty={say('shelf.choose_to_fill_in')} options={catalogue.materials.filter((m) => (m.kind ?? 'filament') === values.kind).map((m) => ({ value: m.id, label: m.name }))} />}
            </div>
            {filament ? (
                <div className="grid grid-cols-2 gap-4 sm:grid-cols-6">
                    {RANGES.flatMap(({ key, label }) =>
                        [0, 1].map((place) => (
                            <QuantityField
                                key={`${key}${place}`}
                                label={place === 0 ? say('shelf.from_2', { label }) : say('shelf.to_2', { label })}
                                kind="temperature"
                                value={values[key][place] ?? null}
                                onValue={(value) => set({ [key]: values[key].map((was, i) => (i === place ? value : was)) as Range })}
                                name={`${key}.${place}`}
                                error={place === 0 ? errorOf(key) : undefined}
                            />
                        )),
                    )}
                </div>
            ) : null}
            <ChartField lines={values.lines} onLines={(lines) => set({ lines })} other={say('shelf.surface_2')} others={catalogue.surfaces.filter((s) => (s.kind ?? 'filament') === values.kind)} agents={catalogue.agents} field="surfaceId" seconds={!filament} />
            <div className="grid gap-4 sm:grid-cols-3">
                <NumberField label={say('shelf.expands_1e_6_k')} {...at('expansionUmMK')} hint={say('shelf.of_the_data_sheet_it_moves')} />
                <NumberField label={say('shelf.modulus_gpa')} {...at('modulusGpa')} />
                {filament ? <QuantityField label={say('shelf.crystallises_at')} kind="temperature" {...at('crystallisesC')} placeholder={say('shelf.it_does_not')} /> : <span />}
                <NumberField label={say('shelf.dry_for_hours')} value={values.drying.hours} onValue={(hours) => set({ drying: { ...values.drying, hours } })} placeholder={say('shelf.not_said')} name="drying.hours" />
                <QuantityField label={say('shelf.dry_at')} kind="temperature" value={values.drying.celsius} onValue={(celsius) => set({ drying: { ...values.drying, celsius } })} placeholder={say('shelf.not_said')} name="drying.celsius" />
                <NumberField label={say('shelf.stays_dry_days')} value={values.drying.goodDays} whole onValue={(goodDays) => set({ drying: { ...values.drying, goodDays } })} placeholder={say('shelf.not_said')} name="drying.goodDays" />
            </div>
            <ChoiceRow label={say('shelf.enclosure')} {...at('enclosure')} options={ENCLOSURES} />
            <CheckField label={say('shelf.gives_off_fumes_that_want_extraction')} {...at('fumes')} />
            <div className="grid gap-4 sm:grid-cols-2">
                <AreaField label={say('shelf.notes_one_a_line')} {...at('notes')}  />
                <TextField label={say('shelf.where_it_says_so')} {...at('source')} maxLength={120} placeholder={say('shelf.data_sheet_2026')} />
            </div>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}

/** A range that nobody filled in is none. */
function filled(range: Range): number[] | null {
    return range[0] === null && range[1] === null ? null : (range as number[]);
}
