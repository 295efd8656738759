import { useQueryClient, useSuspenseQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useRef } from 'react';

import { api, ask, Problem } from '../api/client';
import { catalogueQuery, useSession } from '../api/queries';
import { useDraft, useKey } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { CheckField, QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { flag, maybe, number, picked, text, whole, words } from '../ui/shape';
import { say } from '../words/say';

const SHAPE = whole({
    printer: whole({ name: words(), bedWidthMm: number(), bedDepthMm: number(), maxBedC: maybe(), maxNozzleC: number(), magnetLimitC: maybe(), enclosed: flag() }),
    plate: whole({ number: words(), surfaceId: picked() }),
    agent: whole({ kindId: text() }),
    lot: whole({ label: words(), materialId: picked(), name: words() }),
    roomC: number(),
});

/** A usual shop: what most have, to be changed where it is another. */
const USUAL = {
    printer: { name: say('first.printer_1'), bedWidthMm: 220, bedDepthMm: 220, maxBedC: 100, maxNozzleC: 260, magnetLimitC: 80, enclosed: false },
    plate: { number: 'P1', surfaceId: 'pei_textured' },
    agent: { kindId: '' },
    lot: { label: 'L-1', materialId: 'pla', name: say('first.first_spool') },
};

type Values = Omit<typeof USUAL, 'printer'> & { printer: { name: string; bedWidthMm: number | null; bedDepthMm: number | null; maxBedC: number | null; maxNozzleC: number | null; magnetLimitC: number | null; enclosed: boolean }; roomC: number | null };

/** What a field is called here, of what stands against it where it was sent. */
async function under<Answer>(part: string, sent: Promise<Answer>): Promise<Answer> {
    try {
        return await sent;
    } catch (fault) {
        if (!(fault instanceof Problem)) throw fault;
        throw new Problem(fault.status, fault.title, fault.message, fault.errors.map((each) => ({ ...each, field: `${part}.${each.field}` })));
    }
}

/** The first printer, plate, agent and lot on one page, to the first answer in Choose. */
export function FirstShop() {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { bench } = useSession();
    const queries = useQueryClient();
    const navigate = useNavigate();
    const keys = { printer: useKey(), plate: useKey(), agent: useKey(), lot: useKey() };
    // What is on the shelf already is not put there again when a later part has to be mended.
    const there = useRef<{ printer?: string; side?: string | undefined; agent?: string | null; lot?: string }>({});
    const draft = useDraft({
        start: (): Values => ({ ...USUAL, roomC: bench.roomC }),
        schema: SHAPE,
        touches: ['printers', 'plates', 'agents', 'lots', 'session', 'bench', 'overview'],
        send: async ({ printer, plate, agent, lot, roomC }) => {
            const shelf = there.current;
            const surface = catalogue.surfaces.find((each) => each.id === plate.surfaceId);
            shelf.printer ??= (await under('printer', ask(api.POST('/api/printers', { body: { ...printer, kind: 'filament', id: keys.printer } })))).id;
            shelf.side ??= (
                await under(
                    'plate',
                    ask(
                        api.POST('/api/plates', {
                            body: {
                                id: keys.plate,
                                number: plate.number,
                                widthMm: printer.bedWidthMm,
                                depthMm: printer.bedDepthMm,
                                heldBy: surface?.held_by ?? 'clips',
                                printerId: shelf.printer,
                                note: '',
                                layers: (surface?.plate ?? []).map(([of, mm]) => ({ of: String(of), mm: Number(mm) })),
                                sides: [{ face: 'front', surfaceId: plate.surfaceId, surfaceLot: '', limitC: null }],
                            },
                        }),
                    ),
                )
            ).sides[0]?.id;
            const kind = catalogue.agents.find((each) => each.id === agent.kindId);
            shelf.agent ??= kind ? (await under('agent', ask(api.POST('/api/agents', { body: { id: keys.agent, kindId: kind.id, name: kind.name, batch: '', openedOn: null } })))).id : null;
            shelf.lot ??= (await under('lot', ask(api.POST('/api/lots', { body: { id: keys.lot, ...lot, driedOn: null, note: '' } })))).id;
            return ask(api.PUT('/api/bench', { body: { printerId: shelf.printer, plateSideId: shelf.side ?? null, agentId: null, lotId: shelf.lot, roomC } }));
        },
        after: () => void queries.invalidateQueries().then(() => navigate({ to: '/choose' })),
    });
    const { values, set } = draft;
    const put = <Part extends 'printer' | 'plate' | 'agent' | 'lot'>(part: Part, change: Partial<Values[Part]>) => set({ [part]: { ...values[part], ...change } });
    const { printer, plate, agent, lot } = values;
    return (
        <DraftForm draft={draft} send={say('first.put_on_the_shelf_and_choose')} big className="flex flex-col gap-6">
            <Part title={say('first.your_printer')} words={say('first.on_its_plate_or_in_its_papers')}>
                <TextField label={say('shelf.name')} name="printer.name" value={printer.name} onValue={(name) => put('printer', { name })} />
                <QuantityField label={say('first.bed_width')} kind="length" name="printer.bedWidthMm" value={printer.bedWidthMm} onValue={(bedWidthMm) => put('printer', { bedWidthMm })} />
                <QuantityField label={say('first.bed_depth')} kind="length" name="printer.bedDepthMm" value={printer.bedDepthMm} onValue={(bedDepthMm) => put('printer', { bedDepthMm })} />
                <QuantityField label={say('first.bed_up_to')} kind="temperature" name="printer.maxBedC" value={printer.maxBedC} onValue={(maxBedC) => put('printer', { maxBedC })} placeholder={say('first.no_heater')} />
                <QuantityField label={say('first.nozzle_up_to')} kind="temperature" name="printer.maxNozzleC" value={printer.maxNozzleC} onValue={(maxNozzleC) => put('printer', { maxNozzleC })} />
                <QuantityField label={say('first.magnets_stand')} kind="temperature" name="printer.magnetLimitC" value={printer.magnetLimitC} onValue={(magnetLimitC) => put('printer', { magnetLimitC })} placeholder={say('first.no_magnets')} />
                <CheckField label={say('first.closed_box')} checked={printer.enclosed} onValue={(enclosed) => put('printer', { enclosed })} />
            </Part>
            <Part title={say('first.a_plate_for_it')} words={say('first.number_it_on_the_plate')}>
                <TextField label={say('shelf.number')} name="plate.number" value={plate.number} onValue={(number) => put('plate', { number })} />
                <SelectField label={say('first.surface_on_top')} name="plate.surfaceId" value={plate.surfaceId} onValue={(surfaceId) => put('plate', { surfaceId })} options={inUse(catalogue.surfaces.filter((each) => each.kind !== 'resin'), plate.surfaceId)} />
                <SelectField label={say('first.agent_if_any')} name="agent.kindId" value={agent.kindId} onValue={(kindId) => put('agent', { kindId })} empty={say('first.none')} options={inUse(catalogue.agents)} />
            </Part>
            <Part title={say('first.a_lot_to_print')} words={say('first.a_lot_is_one_spool')}>
                <TextField label={say('shelf.lot_number')} name="lot.label" value={lot.label} onValue={(label) => put('lot', { label })} />
                <SelectField label={say('shelf.material')} name="lot.materialId" value={lot.materialId} onValue={(materialId) => put('lot', { materialId })} options={inUse(catalogue.materials.filter((each) => each.kind !== 'resin'), lot.materialId)} />
                <TextField label={say('shelf.name_in_the_shop')} name="lot.name" value={lot.name} onValue={(name) => put('lot', { name })} />
                <QuantityField label={say('first.room_at_the_bench')} kind="temperature" {...draft.at('roomC')} />
            </Part>
        </DraftForm>
    );
}

function Part({ title, words: lead, children }: { title: string; words: string; children: React.ReactNode }) {
    return (
        <fieldset className="border-l-4 border-accent pl-4">
            <legend className="text-lg font-[650]">{title}</legend>
            <p className="mb-2 text-soft">{lead}</p>
            <div className="grid items-end gap-4 sm:grid-cols-2 xl:grid-cols-4">{children}</div>
        </fieldset>
    );
}
