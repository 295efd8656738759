import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { AreaField, CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { ChartField, readLine, sentLine, type Line } from './ChartField';
import { FormDialog, useSave, type FormProps } from './FormDialog';
import { linesOf } from './OwnSurfaceForm';

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
    retired?: boolean;
};

const NONE: Range = [null, null];
const RANGES = [
    { key: 'bedC', label: 'Bed' },
    { key: 'nozzleC', label: 'Nozzle' },
    { key: 'glassTransitionC', label: 'Softens' },
] as const;
const ENCLOSURES: { value: Draft['enclosure']; label: string }[] = [
    { value: 'no', label: 'needs none' },
    { value: 'wanted', label: 'wanted' },
    { value: 'needed', label: 'needed' },
];
const KINDS: { value: Schemas['PrinterKind']; label: string }[] = [
    { value: 'filament', label: 'filament' },
    { value: 'resin', label: 'resin' },
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
        ...(row ? { retired: row.retired } : {}),
    };
}

/** A material that the catalogue does not have: its figures, and what its maker says of surfaces. */
export function OwnMaterialForm({ row, from, onDone }: FormProps<Schemas['OwnMaterial']>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const [draft, setDraft] = useState<Draft>(() => draftOf(base, row));
    const saving = useSave<Draft>('/own-materials', row, ['own-materials', 'catalogue', 'pairs'], onDone, ({ lines, notes, glassTransitionC, bedC, nozzleC, drying, ...rest }) => ({
        ...rest,
        glassTransitionC: filled(glassTransitionC),
        bedC: filled(bedC),
        nozzleC: filled(nozzleC),
        drying: Object.values(drying).every((value) => value === null) ? null : drying,
        notes: linesOf(notes),
        chart: lines.map((line) => ({ ...sentLine(line), surfaceId: line.otherId })),
    }));
    const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    const filament = draft.kind === 'filament';
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
            drying: of.moisture ? { hours: of.moisture.dry_hours, celsius: of.moisture.dry_c, goodDays: of.moisture.good_days } : draft.drying,
        });
    };
    return (
        <FormDialog wide read={(theirs) => draftOf(theirs as Schemas['OwnMaterial'], theirs as Schemas['OwnMaterial'])} title={row ? `Change ${row.name}` : from ? `A material like ${from.name}` : 'New material'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label="Name, by what it is" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
                {row ? null : <ChoiceRow label="It is a" value={draft.kind} onValue={(kind) => set({ kind })} options={KINDS} />}
                {base ? null : <SelectField label="Prints like" value="" onValue={like} empty="Choose to fill in …" options={catalogue.materials.filter((m) => (m.kind ?? 'filament') === draft.kind).map((m) => ({ value: m.id, label: m.name }))} />}
            </div>
            {filament ? (
                <div className="grid grid-cols-2 gap-4 sm:grid-cols-6">
                    {RANGES.flatMap(({ key, label }) =>
                        [0, 1].map((at) => (
                            <QuantityField
                                key={`${key}${at}`}
                                label={at === 0 ? `${label} from` : `${label} to`}
                                kind="temperature"
                                value={draft[key][at] ?? null}
                                onValue={(value) => set({ [key]: draft[key].map((was, i) => (i === at ? value : was)) as Range })}
                                error={fault?.of(`${key}.${at}`) ?? (at === 0 ? fault?.of(key) : undefined)}
                            />
                        )),
                    )}
                </div>
            ) : null}
            <ChartField lines={draft.lines} onLines={(lines) => set({ lines })} other="Surface" others={catalogue.surfaces.filter((s) => (s.kind ?? 'filament') === draft.kind)} agents={catalogue.agents} seconds={!filament} fault={fault} />
            <div className="grid gap-4 sm:grid-cols-3">
                <NumberField label="Expands, 1e-6/K" value={draft.expansionUmMK} onValue={(expansionUmMK) => set({ expansionUmMK })} hint="Of the data sheet; it moves the warp." error={fault?.of('expansionUmMK')} />
                <NumberField label="Modulus, GPa" value={draft.modulusGpa} onValue={(modulusGpa) => set({ modulusGpa })} error={fault?.of('modulusGpa')} />
                {filament ? <QuantityField label="Crystallises at" kind="temperature" value={draft.crystallisesC} onValue={(crystallisesC) => set({ crystallisesC })} placeholder="it does not" error={fault?.of('crystallisesC')} /> : <span />}
                <NumberField label="Dry for, hours" value={draft.drying.hours} onValue={(hours) => set({ drying: { ...draft.drying, hours } })} placeholder="not said" error={fault?.of('drying.hours') ?? fault?.of('drying')} />
                <QuantityField label="Dry at" kind="temperature" value={draft.drying.celsius} onValue={(celsius) => set({ drying: { ...draft.drying, celsius } })} placeholder="not said" error={fault?.of('drying.celsius')} />
                <NumberField label="Stays dry, days" value={draft.drying.goodDays} onValue={(n) => set({ drying: { ...draft.drying, goodDays: n === null ? null : Math.round(n) } })} placeholder="not said" error={fault?.of('drying.goodDays')} />
            </div>
            <ChoiceRow label="Enclosure" value={draft.enclosure} onValue={(enclosure) => set({ enclosure })} options={ENCLOSURES} />
            <CheckField label="Gives off fumes that want extraction" checked={draft.fumes} onValue={(fumes) => set({ fumes })} />
            <div className="grid gap-4 sm:grid-cols-2">
                <AreaField label="Notes, one a line" value={draft.notes} onValue={(notes) => set({ notes })} error={fault?.errors.find((each) => each.field.startsWith('notes'))?.message} />
                <TextField label="Where it says so" value={draft.source} onValue={(source) => set({ source })} maxLength={120} placeholder="data sheet, 2026" />
            </div>
            {row ? <CheckField label="Retired" checked={draft.retired ?? false} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

/** A range that nobody filled in is none. */
function filled(range: Range): Range | null {
    return range[0] === null && range[1] === null ? null : range;
}
