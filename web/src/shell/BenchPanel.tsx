import { useSuspenseQueries, useSuspenseQuery } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import type { RefObject } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, lotsQuery, sidesQuery, printersQuery, useChange, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { QuantityField, SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
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
                    <Printers onDone={onDone} />
                    <BenchForm onDone={onDone} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** Another printer in one touch; its plate, coat and lot come with it. */
function Printers({ onDone }: { onDone: () => void }) {
    const { bench } = useSession();
    const { data: printers } = useSuspenseQuery(printersQuery);
    const change = useChange((printerId: string) => ask(api.PUT('/api/bench/printer', { body: { printerId } })), ['session', 'bench'], onDone);
    return (
        <section aria-label={say('shell.over_to')} className="mb-4 border-b border-line pb-4">
            <p className="mb-1 text-sm font-[650]">{say('shell.over_to')}</p>
            <div className="flex flex-wrap gap-2">
                {printers.filter((each) => !each.retired).map((each) => (
                    <Button key={each.id} tone={each.id === bench.printerId ? 'main' : 'plain'} aria-pressed={each.id === bench.printerId} disabled={change.isPending} onClick={() => change.mutate(each.id)}>
                        {each.name}
                    </Button>
                ))}
            </div>
            <Fault error={change.error} />
        </section>
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
