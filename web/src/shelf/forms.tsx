import { useSuspenseQuery } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { catalogueQuery, printersQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { AreaField, CheckField, QuantityField, SelectField, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { Conflict } from './Conflict';

type Stored = { id: string; version: number };

/** Saves a shelf row, new or changed; a stale change shows both versions and can be sent again on top of the newer one. */
function useSave<Draft extends object>(path: string, row: Stored | null, touches: string[], onDone: () => void) {
    const [id] = useState(newId);
    // Read when it is sent: the button that keeps mine sets it just before.
    const version = useRef(row?.version ?? 0);
    const save = useChange((draft: Draft) => (row ? call('PUT', `${path}/${row.id}`, { ...draft, version: version.current }) : call('POST', path, { ...draft, id })), touches, onDone);
    const fault = save.error instanceof Problem ? save.error : undefined;
    const onVersion = (newer: number) => {
        version.current = newer;
    };
    return { save, fault, onVersion };
}

function FormDialog<Draft extends object>({ title, draft, setDraft, saving, onDone, children }: { title: string; draft: Draft; setDraft: (draft: Draft) => void; saving: ReturnType<typeof useSave<Draft>>; onDone: () => void; children: ReactNode }) {
    return (
        <Dialog title={title} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    saving.save.mutate(draft);
                }}
            >
                {children}
                {saving.fault?.theirs ? (
                    <Conflict
                        mine={draft}
                        theirs={saving.fault.theirs}
                        onTakeTheirs={(theirs) => {
                            setDraft(theirs as Draft);
                            saving.save.reset();
                        }}
                        onVersion={saving.onVersion}
                    />
                ) : (
                    <Fault error={saving.save.error} />
                )}
                <div>
                    <Button type="submit" tone="main" disabled={saving.save.isPending}>
                        Save
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

export function PrinterForm({ row, onDone }: { row: Schemas['Printer'] | null; onDone: () => void }) {
    const [draft, setDraft] = useState({
        name: row?.name ?? '',
        kind: row?.kind ?? ('filament'),
        bedWidthMm: row?.bedWidthMm ?? 220,
        bedDepthMm: row?.bedDepthMm ?? 220,
        maxBedC: row ? (row.maxBedC ?? null) : 100,
        maxNozzleC: row?.maxNozzleC ?? 260,
        enclosed: row?.enclosed ?? false,
        magnetLimitC: row ? (row.magnetLimitC ?? null) : 80,
        retired: row?.retired ?? false,
    });
    const saving = useSave<typeof draft>('/printers', row, ['printers'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.name}` : 'New printer'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
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
                <QuantityField label="Bed width" kind="length" value={draft.bedWidthMm} onValue={(n) => set({ bedWidthMm: n ?? 0 })} error={fault?.of('bedWidthMm')} />
                <QuantityField label="Bed depth" kind="length" value={draft.bedDepthMm} onValue={(n) => set({ bedDepthMm: n ?? 0 })} error={fault?.of('bedDepthMm')} />
                <QuantityField label="Bed reaches" kind="temperature" value={draft.maxBedC} onValue={(maxBedC) => set({ maxBedC })} placeholder="no heater" error={fault?.of('maxBedC')} />
                <QuantityField label="Nozzle reaches" kind="temperature" value={draft.maxNozzleC} onValue={(n) => set({ maxNozzleC: n ?? 0 })} error={fault?.of('maxNozzleC')} />
                <QuantityField label="Magnets stand" kind="temperature" value={draft.magnetLimitC} onValue={(magnetLimitC) => set({ magnetLimitC })} placeholder="no magnets" hint="Their rated limit, or what your own soak test has shown." error={fault?.of('magnetLimitC')} />
            </div>
            <CheckField label="Enclosed" checked={draft.enclosed} onValue={(enclosed) => set({ enclosed })} />
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

type PlateDraft = { number: string; widthMm: number; depthMm: number; magnetic: boolean; printerId: string | null; note: string; retired?: boolean; sides?: SideDraft[] };
type SideDraft = { face: 'front' | 'back'; surfaceId: string; surfaceLot: string; limitC: number | null };

export function PlateForm({ row, onDone }: { row: Schemas['Plate'] | null; onDone: () => void }) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({
        number: row?.number ?? '',
        widthMm: row?.widthMm ?? 220,
        depthMm: row?.depthMm ?? 220,
        magnetic: row?.magnetic ?? true,
        printerId: row?.printerId ?? null,
        note: row?.note ?? '',
        ...(row ? { retired: row.retired } : { sides: [{ face: 'front', surfaceId: '', surfaceLot: '', limitC: null }] }),
    } as PlateDraft);
    const saving = useSave<typeof draft>('/plates', row, ['plates', 'care'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    const sides = draft.sides;
    const side = (at: number, part: Partial<SideDraft>) => sides && set({ sides: sides.map((each, i) => (i === at ? { ...each, ...part } : each)) });
    return (
        <FormDialog title={row ? `Change plate ${row.number}` : 'New plate'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Number" value={draft.number} onValue={(number) => set({ number })} error={fault?.of('number')} required />
                <SelectField label="Belongs to" value={draft.printerId ?? ''} onValue={(id) => set({ printerId: id || null })} empty="no printer" options={printers.map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
                <QuantityField label="Width" kind="length" value={draft.widthMm} onValue={(n) => set({ widthMm: n ?? 0 })} error={fault?.of('widthMm')} />
                <QuantityField label="Depth" kind="length" value={draft.depthMm} onValue={(n) => set({ depthMm: n ?? 0 })} error={fault?.of('depthMm')} />
            </div>
            <CheckField label="Held by the printer's magnets" checked={draft.magnetic} onValue={(magnetic) => set({ magnetic })} />
            {sides?.map((each, i) => (
                <fieldset key={each.face} className="grid gap-4 border-l-4 border-line pl-4 sm:grid-cols-3">
                    <legend className="sr-only">{each.face}</legend>
                    <SelectField label={`Surface, ${each.face}`} value={each.surfaceId} onValue={(surfaceId) => side(i, { surfaceId })} empty="Choose …" options={catalogue.surfaces.map((s) => ({ value: s.id, label: s.name }))} error={fault?.of(`sides.${i}.surfaceId`)} />
                    <TextField label="Sheet or lot" value={each.surfaceLot} onValue={(surfaceLot) => side(i, { surfaceLot })} />
                    <QuantityField label="Own limit" kind="temperature" value={each.limitC} onValue={(limitC) => side(i, { limitC })} placeholder="of its kind" />
                </fieldset>
            ))}
            {sides?.length === 1 ? (
                <div>
                    <Button tone="quiet" onClick={() => set({ sides: [...sides, { face: 'back', surfaceId: '', surfaceLot: '', limitC: null }] })}>
                        It has a usable back
                    </Button>
                </div>
            ) : null}
            <AreaField label="Note" value={draft.note} onValue={(note) => set({ note })} maxLength={500} />
            {row ? <CheckField label="Retired" checked={draft.retired ?? false} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function FittingForm({ side, onDone }: { side: Schemas['PlateSide']; onDone: () => void }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ surfaceId: side.fitting.surfaceId, surfaceLot: '', limitC: null as number | null });
    const saving = useSave<typeof draft>(`/plate-sides/${side.id}/fittings`, null, ['plates', 'care'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    return (
        <FormDialog title={`A new sheet on ${side.label}`} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <p>From now on this side is a new surface. Its earlier runs stay in their comparisons, but no longer speak for it.</p>
            <SelectField label="Surface" value={draft.surfaceId} onValue={(surfaceId) => set({ surfaceId })} options={catalogue.surfaces.map((s) => ({ value: s.id, label: s.name }))} error={saving.fault?.of('surfaceId')} />
            <TextField label="Sheet or lot" value={draft.surfaceLot} onValue={(surfaceLot) => set({ surfaceLot })} />
            <QuantityField label="Own limit" kind="temperature" value={draft.limitC} onValue={(limitC) => set({ limitC })} placeholder="of its kind" />
        </FormDialog>
    );
}

export function AgentForm({ row, onDone }: { row: Schemas['Agent'] | null; onDone: () => void }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ kindId: row?.kindId ?? '', name: row?.name ?? '', batch: row?.batch ?? '', openedOn: row?.openedOn ?? null, retired: row?.retired ?? false });
    const saving = useSave<typeof draft>('/agents', row, ['agents'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.name}` : 'New agent'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <SelectField label="Kind" value={draft.kindId} onValue={(kindId) => set({ kindId })} empty="Choose …" options={catalogue.agents.map((a) => ({ value: a.id, label: a.name }))} error={fault?.of('kindId')} />
            <TextField label="Name in the shop" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Batch" value={draft.batch} onValue={(batch) => set({ batch })} />
                <TextField label="Opened on" type="date" value={draft.openedOn ?? ''} onValue={(date) => set({ openedOn: date || null })} error={fault?.of('openedOn')} />
            </div>
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}

export function LotForm({ row, onDone }: { row: Schemas['Lot'] | null; onDone: () => void }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ label: row?.label ?? '', materialId: row?.materialId ?? '', name: row?.name ?? '', driedOn: row?.driedOn ?? null, note: row?.note ?? '', retired: row?.retired ?? false });
    const saving = useSave<typeof draft>('/lots', row, ['lots'], onDone);
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const { fault } = saving;
    return (
        <FormDialog title={row ? `Change ${row.label}` : 'New lot'} draft={draft} setDraft={setDraft} saving={saving} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label="Lot number" value={draft.label} onValue={(label) => set({ label })} error={fault?.of('label')} required />
                <SelectField label="Material" value={draft.materialId} onValue={(materialId) => set({ materialId })} empty="Choose …" options={catalogue.materials.map((m) => ({ value: m.id, label: m.name }))} error={fault?.of('materialId')} />
                <TextField label="Name in the shop" value={draft.name} onValue={(name) => set({ name })} error={fault?.of('name')} required />
                <TextField label="Dried on" type="date" value={draft.driedOn ?? ''} onValue={(date) => set({ driedOn: date || null })} error={fault?.of('driedOn')} />
            </div>
            <AreaField label="Note" value={draft.note} onValue={(note) => set({ note })} maxLength={500} />
            {row ? <CheckField label="Retired" checked={draft.retired} onValue={(retired) => set({ retired })} /> : null}
        </FormDialog>
    );
}
