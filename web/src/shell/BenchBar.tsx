import { useSuspenseQueries } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useState } from 'react';

import { call, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, lotsQuery, platesQuery, printersQuery, useChange, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { QuantityField, SelectField } from '../ui/Field';
import { useQuantity } from '../ui/quantity';

/** What lies on the bench: chosen once, it prefills everything. */
export function BenchBar() {
    const { bench } = useSession();
    const [open, setOpen] = useState(false);
    const [printers, plates, agents, lots, catalogue] = useSuspenseQueries({ queries: [printersQuery, platesQuery, agentsQuery, lotsQuery, catalogueQuery] }).map((each) => each.data) as [
        Schemas['Printer'][],
        Schemas['Plate'][],
        Schemas['Agent'][],
        Schemas['Lot'][],
        Schemas['Catalogue'],
    ];
    const temperature = useQuantity('temperature');
    const side = plates.flatMap((plate) => plate.sides).find((each) => each.id === bench.plateSideId);
    const lot = lots.find((each) => each.id === bench.lotId);
    const material = catalogue.materials.find((each) => each.id === lot?.materialId);
    const items = [
        { what: 'Printer', is: printers.find((each) => each.id === bench.printerId)?.name },
        { what: 'Plate', is: side && `${side.label}, ${catalogue.surfaces.find((each) => each.id === side.fitting.surfaceId)?.name ?? ''}` },
        { what: 'Coat', is: agents.find((each) => each.id === bench.agentId)?.name ?? (side ? 'bare' : undefined) },
        { what: 'Material', is: lot && `${material?.name ?? ''} ${lot.label}` },
        { what: 'Room', is: temperature.text(bench.roomC) },
    ];
    return (
        <Popover.Root open={open} onOpenChange={setOpen}>
            <div className="no-print sticky bottom-0 z-30 border-t-4 border-[#b98a3c] bg-bench text-bench-ink">
                <Popover.Trigger className="mx-auto flex min-h-14 w-full max-w-[86rem] items-center gap-x-8 gap-y-0 overflow-x-auto px-4 py-2 text-left sm:px-8" aria-label="The bench: change what lies on it">
                    {items.map((item) => (
                        <span key={item.what} className="shrink-0 leading-tight">
                            <span className="block text-xs text-bench-soft">{item.what}</span>
                            <span className={item.is ? 'font-[650]' : 'text-bench-soft'}>{item.is ?? 'not chosen'}</span>
                        </span>
                    ))}
                    <span className="ml-auto shrink-0 text-sm underline underline-offset-4">Change</span>
                </Popover.Trigger>
            </div>
            <Popover.Portal>
                <Popover.Content side="top" align="end" sideOffset={6} className="z-50 w-[min(34rem,96vw)] rounded border border-strong bg-sheet p-5 text-ink shadow-2xl" aria-label="What lies on the bench">
                    <BenchForm bench={bench} printers={printers} plates={plates} agents={agents} lots={lots} catalogue={catalogue} onDone={() => setOpen(false)} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

type FormProps = { bench: Schemas['Bench']; printers: Schemas['Printer'][]; plates: Schemas['Plate'][]; agents: Schemas['Agent'][]; lots: Schemas['Lot'][]; catalogue: Schemas['Catalogue']; onDone: () => void };

function BenchForm({ bench, printers, plates, agents, lots, catalogue, onDone }: FormProps) {
    const [draft, setDraft] = useState(bench);
    const save = useChange((body: Schemas['Bench']) => call('PUT', '/bench', body), ['session'], onDone);
    const set = (part: Partial<Schemas['Bench']>) => setDraft({ ...draft, ...part });
    const inUse = <T extends { retired?: boolean }>(rows: T[]) => rows.filter((row) => !row.retired);
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    return (
        <form
            className="grid gap-4 sm:grid-cols-2"
            onSubmit={(event) => {
                event.preventDefault();
                save.mutate(draft);
            }}
        >
            <SelectField label="Printer" value={draft.printerId ?? ''} onValue={(id) => set({ printerId: id || null })} empty="not chosen" options={inUse(printers).map((p) => ({ value: p.id, label: p.name }))} />
            <SelectField
                label="Plate and side"
                value={draft.plateSideId ?? ''}
                onValue={(id) => set({ plateSideId: id || null })}
                empty="not chosen"
                options={inUse(plates).flatMap((p) => p.sides.map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.fitting.surfaceId)}` })))}
            />
            <SelectField label="Coat" value={draft.agentId ?? ''} onValue={(id) => set({ agentId: id || null })} empty="bare" options={inUse(agents).map((a) => ({ value: a.id, label: a.name }))} />
            <SelectField
                label="Material and lot"
                value={draft.lotId ?? ''}
                onValue={(id) => set({ lotId: id || null })}
                empty="not chosen"
                options={inUse(lots).map((l) => ({ value: l.id, label: `${catalogue.materials.find((m) => m.id === l.materialId)?.name ?? ''} ${l.label}, ${l.name}` }))}
            />
            <QuantityField label="Room" kind="temperature" value={draft.roomC} onValue={(roomC) => set({ roomC: roomC ?? draft.roomC })} />
            <div className="flex items-end gap-2">
                <Button type="submit" tone="main" disabled={save.isPending}>
                    Put on the bench
                </Button>
            </div>
        </form>
    );
}
