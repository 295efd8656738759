import { api, ask, type Schemas } from '../api/client';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { CheckField, DateField, QuantityField, TextField } from '../ui/Field';
import { date, flag, maybe, number, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import type { FormProps } from './rows';

type Gauge = Schemas['Gauge'];

const SHAPE = whole({ name: words(), address: text(), rangeN: number(), resolutionN: number(), checkedOn: date(), checkedWithN: maybe(), checkShowedN: maybe(), retired: flag() });

function read(row: Gauge | null, base: Gauge | null) {
    return { name: base?.name ?? '', address: base?.address ?? '', rangeN: base ? base.rangeN : (200 as number | null), resolutionN: base ? base.resolutionN : (0.1 as number | null), checkedOn: row?.checkedOn ?? null, checkedWithN: row?.checkedWithN ?? null, checkShowedN: row?.checkShowedN ?? null, retired: row?.retired ?? false };
}

export function GaugeForm({ row, from, onDone }: FormProps<Gauge>) {
    const key = useKey();
    const draft = useDraft({
        start: () => read(row, row ?? from),
        schema: SHAPE,
        row,
        send: retiring(row, row?.name ?? '', ({ retired, ...body }, version) => (row ? ask(api.PUT('/api/gauges/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/gauges', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Gauge, theirs as Gauge),
        touches: ['gauges'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.name }) : say('shelf.new_gauge')} onDone={onDone}>
            <TextField label={say('shelf.name_in_the_shop')} {...at('name')} required />
            {row?.simulated ? <p>{say('shelf.this_gauge_is_simulated_what_it')}</p> : <TextField label={say('shelf.address_host_and_port')} {...at('address')} placeholder={say('shelf.gauge_local_4001')} required />}
            <div className="grid gap-4 sm:grid-cols-2">
                <QuantityField label={say('shelf.range')} kind="force" {...at('rangeN')} />
                <QuantityField label={say('shelf.smallest_step_it_shows')} kind="force" {...at('resolutionN')} />
                <DateField label={say('shelf.checked_on')} {...at('checkedOn')} />
                <QuantityField label={say('shelf.with_a_known_weight_of')} kind="force" {...at('checkedWithN')} />
                <QuantityField label={say('shelf.it_showed')} kind="force" {...at('checkShowedN')} />
            </div>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
