import { useSuspenseQueries } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import type { RefObject } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, lotsQuery, sidesQuery, printersQuery, useSession } from '../api/queries';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { QuantityField, SelectField } from '../ui/Field';
import { as, number, whole } from '../ui/shape';
import { say } from '../words/say';

type Values = Omit<Schemas['Bench'], 'roomC'> & { roomC: number | null };

const SHAPE = whole({ printerId: as<string | null>(), plateSideId: as<string | null>(), agentId: as<string | null>(), lotId: as<string | null>(), roomC: number() });

/** Opens above the strip, and gives the focus back to it. */
export function BenchPanel({ strip, onDone }: { strip: RefObject<HTMLButtonElement | null>; onDone: () => void }) {
    return (
        <Popover.Root open onOpenChange={(open) => !open && onDone()}>
            <Popover.Anchor className="mx-auto max-w-[86rem]" />
            <Popover.Portal>
                <Popover.Content
                    side="top"
                    align="end"
                    sideOffset={62}
                    className="z-50 w-[min(34rem,96vw)] rounded border border-strong bg-sheet p-5 text-ink shadow-2xl"
                    aria-label={say('shell.what_lies_on_the_bench')}
                    // The strip closes it by itself.
                    onInteractOutside={(event) => strip.current?.contains(event.target as Node) && event.preventDefault()}
                    onCloseAutoFocus={(event) => {
                        event.preventDefault();
                        strip.current?.focus();
                    }}
                >
                    <BenchForm onDone={onDone} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

function BenchForm({ onDone }: { onDone: () => void }) {
    const { bench } = useSession();
    const [{ data: printers }, { data: sides }, { data: agents }, { data: lots }, { data: catalogue }] = useSuspenseQueries({ queries: [printersQuery, sidesQuery, agentsQuery, lotsQuery, catalogueQuery] });
    const draft = useDraft({ start: (): Values => ({ ...bench }), schema: SHAPE, send: (body) => ask(api.PUT('/api/bench', { body })), touches: ['session', 'bench'], after: onDone });
    const { values, set, at } = draft;
    const inUse = <T extends { retired?: boolean }>(rows: T[]) => rows.filter((row) => !row.retired);
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    return (
        <DraftForm draft={draft} send={say('shell.put_on_the_bench')} className="grid items-end gap-4 sm:grid-cols-2">
            <SelectField label={say('shell.printer')} value={values.printerId} onValue={(id) => set({ printerId: id || null })} empty={say('shell.not_chosen')} options={inUse(printers).map((p) => ({ value: p.id, label: p.name }))} />
            <SelectField label={say('shell.plate_and_side')} value={values.plateSideId} onValue={(id) => set({ plateSideId: id || null })} empty={say('shell.not_chosen')} options={sides.map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.surfaceId)}` }))} />
            <SelectField label={say('shell.coat')} value={values.agentId} onValue={(id) => set({ agentId: id || null })} empty={say('shell.bare')} options={inUse(agents).map((a) => ({ value: a.id, label: a.name }))} />
            <SelectField label={say('shell.material_and_lot')} value={values.lotId} onValue={(id) => set({ lotId: id || null })} empty={say('shell.not_chosen')} options={lots.map((l) => ({ value: l.id, label: `${catalogue.materials.find((m) => m.id === l.materialId)?.name ?? ''} ${l.label}, ${l.name}` }))} />
            <QuantityField label={say('shell.room')} kind="temperature" {...at('roomC')} />
        </DraftForm>
    );
}
