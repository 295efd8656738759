import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { AreaField, CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { LayersField } from '../ui/LayersField';
import { ChartField, readLine, sentLine, type Line } from './ChartField';
import { FormDialog, More, useSave, type FormProps } from './FormDialog';

type Draft = Omit<Schemas['NewOwnSurface'], 'id' | 'chart' | 'cautions' | 'limitC'> & { retired?: boolean; lines: Line[]; cautions: string; limitC: number | null };

const FINISHES = [
    { value: 'gloss', label: 'gloss' },
    { value: 'satin', label: 'satin' },
    { value: 'texture', label: 'textured' },
    { value: 'pattern', label: 'patterned' },
];
const KINDS: { value: Schemas['PrinterKind']; label: string }[] = [
    { value: 'filament', label: 'filament' },
    { value: 'resin', label: 'resin' },
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
        releaseWay: base?.releaseWay ?? 'Let it cool, then try it with a light touch.',
        doneHot: base?.doneHot ?? '',
        cautions: (base?.cautions ?? []).join('\n'),
        source: base?.source ?? '',
        lines: base?.chart.map((line) => readLine(line, line.materialId)) ?? [],
        ...(row ? { retired: row.retired } : {}),
    };
}

/** A kind of surface that the catalogue does not have: limits, build, and what its maker says. */
export function OwnSurfaceForm({ row, from, onDone }: FormProps<Schemas['OwnSurface']>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const base = row ?? from;
    const [draft, setDraft] = useState<Draft>(() => draftOf(base, row));
    const saving = useSave<Draft>('/own-surfaces', row, ['own-surfaces', 'catalogue', 'pairs'], onDone, ({ lines, cautions, ...rest }) => ({
        ...rest,
        cautions: linesOf(cautions),
        chart: lines.map((line) => ({ ...sentLine(line), materialId: line.otherId })),
    }));
    const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    const tick = (list: 'cleaners' | 'harmedBy', id: string, on: boolean) => set({ [list]: on ? [...draft[list], id] : draft[list].filter((each) => each !== id) });
    const like = (id: string) => {
        const surface = catalogue.surfaces.find((each) => each.id === id);
        if (surface) set({ layers: (surface.plate ?? []).map(([of, mm]) => ({ of: String(of), mm: Number(mm) })), flexes: surface.flexes, cleaners: surface.cleaners, harmedBy: surface.harmed_by ?? [], cleaning: surface.cleaning, releaseWay: surface.release_way });
    };
    return (
        <FormDialog wide read={(theirs) => draftOf(theirs as Schemas['OwnSurface'], theirs as Schemas['OwnSurface'])} title={row ? `Change ${row.name}` : from ? `A surface like ${from.name}` : 'New kind of surface'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-3">
                <TextField label="Name, by what it is" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
                {row ? null : <ChoiceRow label="For" value={draft.kind} onValue={(kind) => set({ kind })} options={KINDS} />}
                {base ? null : <SelectField label="Built and cleaned like" value="" onValue={like} empty="Choose to fill in …" options={catalogue.surfaces.filter((s) => (s.kind ?? 'filament') === draft.kind).map((s) => ({ value: s.id, label: s.name }))} />}
                <QuantityField label="Stands up to" kind="temperature" value={draft.limitC} onValue={(limitC) => set({ limitC })} placeholder="as its maker says" error={fault?.of('limitC')} />
                <QuantityField label="First-layer nozzle up to" kind="temperature" value={draft.nozzleLimitC ?? null} onValue={(nozzleLimitC) => set({ nozzleLimitC })} placeholder="any" error={fault?.of('nozzleLimitC')} />
                <NumberField label="Lasts about, prints" value={draft.lifePrints} onValue={(n) => set({ lifePrints: Math.round(n ?? 0) })} error={fault?.of('lifePrints')} />
            </div>
            <ChartField lines={draft.lines} onLines={(lines) => set({ lines })} other="Material" others={catalogue.materials.filter((m) => (m.kind ?? 'filament') === draft.kind)} agents={catalogue.agents} seconds={draft.kind === 'resin'} fault={fault} />
            <LayersField label="A plate of it is made of" layers={draft.layers} onLayers={(layers) => set({ layers: layers.map(({ of, mm }) => ({ of, mm })) })} materials={catalogue.layers} error={(i) => fault?.of(`layers.${i}.of`) ?? fault?.of(`layers.${i}.mm`)} />
            {fault?.of('layers') ? <p className="text-sm font-[650] text-fault">{fault.of('layers')}</p> : null}
            <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
                <SelectField label="Leaves a finish of" value={draft.finish} onValue={(finish) => set({ finish: finish as Draft['finish'] })} options={FINISHES} />
                <span />
                <CheckField label="May be flexed" checked={draft.flexes} onValue={(flexes) => set({ flexes })} />
                <CheckField label="May go into a freezer" checked={draft.freezes} onValue={(freezes) => set({ freezes })} />
                <CheckField label="Is scuffed before first use" checked={draft.wantsScuff} onValue={(wantsScuff) => set({ wantsScuff })} />
                <CheckField label="Works with the bed off" checked={draft.worksCold} onValue={(worksCold) => set({ worksCold })} />
                <CheckField label="Needs a raft" checked={draft.raftRequired} onValue={(raftRequired) => set({ raftRequired })} />
                <CheckField label="Blinds an inductive probe" checked={draft.blindsInductiveProbe} onValue={(blindsInductiveProbe) => set({ blindsInductiveProbe })} />
            </div>
            <div className="grid gap-4 sm:grid-cols-2">
                <Ticks legend="Cleaned with" all={catalogue.cleaners} ticked={draft.cleaners} onTick={(id, on) => tick('cleaners', id, on)} error={fault?.of('cleaners')} />
                <Ticks legend="Spoilt by" all={catalogue.cleaners} ticked={draft.harmedBy} onTick={(id, on) => tick('harmedBy', id, on)} error={fault?.of('harmedBy')} />
                <TextField label="How it is cleaned" value={draft.cleaning} onValue={(cleaning) => set({ cleaning })} error={fault?.of('cleaning')} maxLength={300} required />
                <TextField label="How a part comes off" value={draft.releaseWay} onValue={(releaseWay) => set({ releaseWay })} error={fault?.of('releaseWay')} maxLength={300} required />
            </div>
            <More title="More that the maker says" fields={['grip', 'doneHot', 'cautions', 'alcoholMaxPercent', 'source']} fault={fault}>
                <div className="grid gap-4 sm:grid-cols-2">
                    <TextField label="What it grips by" value={draft.grip} onValue={(grip) => set({ grip })} maxLength={200} />
                    <TextField label="What pulling off hot does" value={draft.doneHot} onValue={(doneHot) => set({ doneHot })} maxLength={300} />
                    <NumberField label="Alcohol up to, %" value={draft.alcoholMaxPercent ?? null} onValue={(alcoholMaxPercent) => set({ alcoholMaxPercent })} placeholder="any" error={fault?.of('alcoholMaxPercent')} />
                    <TextField label="Where it says so" value={draft.source} onValue={(source) => set({ source })} maxLength={120} placeholder="leaflet in the box, 2026" />
                </div>
                <AreaField label="Cautions, one a line" value={draft.cautions} onValue={(cautions) => set({ cautions })} error={fault?.errors.find((each) => each.field.startsWith('cautions'))?.message} />
            </More>
            {row ? <CheckField label="Retired" checked={draft.retired ?? false} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function linesOf(text: string): string[] {
    return text.split('\n').map((line) => line.trim()).filter((line) => line !== '');
}

function Ticks({ legend, all, ticked, onTick, error }: { legend: string; all: { id: string; name: string }[]; ticked: string[]; onTick: (id: string, on: boolean) => void; error: string | undefined }) {
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
