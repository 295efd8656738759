import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, nextNameQuery } from '../api/queries';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, CheckField, DateField, QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { date, flag, maybe, picked, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import { type FormProps } from './rows';

type Lot = Schemas['Lot'];

const SHAPE = whole({ label: words(), materialId: picked(), name: words(), openedOn: date(), driedOn: date(), labelBedC: maybe(), labelNozzleC: maybe(), note: text(), retired: flag() });

function read(row: Lot | null, base: Lot | null, number = '') {
    return { label: row?.label ?? number, materialId: base?.materialId ?? '', name: base?.name ?? '', openedOn: row?.openedOn ?? null, driedOn: row?.driedOn ?? null, labelBedC: row?.labelBedC ?? null, labelNozzleC: row?.labelNozzleC ?? null, note: row?.note ?? '', retired: row?.retired ?? false };
}

export function LotForm({ row, from, onDone }: FormProps<Lot>) {
    const { data: next } = useSuspenseQuery(nextNameQuery('lot', from?.label ?? ''));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const number = from ? next.name : '';
    const key = useKey();
    const draft = useDraft({
        start: () => read(row, row ?? from, number),
        schema: SHAPE,
        row,
        send: retiring(row, row?.label ?? '', ({ retired, ...body }, version) => (row ? ask(api.PUT('/api/lots/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/lots', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Lot, theirs as Lot),
        touches: ['lots'],
        after: onDone,
    });
    const { values, at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.label }) : from ? say('shelf.a_lot_like', { from: from.label }) : say('shelf.new_lot')} onDone={onDone}>
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label={say('shelf.lot_number')} {...at('label')} required />
                <SelectField label={say('shelf.material')} {...at('materialId')} empty={say('shelf.choose')} options={inUse(catalogue.materials, values.materialId)} />
                <TextField label={say('shelf.name_in_the_shop')} {...at('name')} required />
                <DateField label={say('shelf.opened')} {...at('openedOn')} />
                <QuantityField label={say('shelf.its_label_says_bed')} kind="temperature" {...at('labelBedC')} placeholder={say('shelf.not_said')} />
                <QuantityField label={say('shelf.its_label_says_nozzle')} kind="temperature" {...at('labelNozzleC')} placeholder={say('shelf.not_said')} />
                <DateField label={say('shelf.dried')} {...at('driedOn')} />
            </div>
            <AreaField label={say('shelf.note')} {...at('note')} maxLength={500} />
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
