import { api, ask, type Schemas } from '../api/client';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { CheckField, DateField, QuantityField, TextField } from '../ui/Field';
import { date, flag, maybe, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import type { FormProps } from './rows';

type Thermometer = Schemas['Thermometer'];

const SHAPE = whole({ name: words(), address: text(), checkedOn: date(), checkedAtC: maybe(), checkShowedC: maybe(), retired: flag() });

function read(row: Thermometer | null) {
    return { name: row?.name ?? '', address: row?.address ?? '', checkedOn: row?.checkedOn ?? null, checkedAtC: row?.checkedAtC ?? null, checkShowedC: row?.checkShowedC ?? null, retired: row?.retired ?? false };
}

export function ThermometerForm({ row, onDone }: FormProps<Thermometer>) {
    const key = useKey();
    const draft = useDraft({
        start: () => read(row),
        schema: SHAPE,
        row,
        send: retiring(row, row?.name ?? '', ({ retired, ...body }, version) => (row ? ask(api.PUT('/api/thermometers/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/thermometers', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Thermometer),
        touches: ['thermometers'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.name }) : say('shelf.new_thermometer')} onDone={onDone}>
            <TextField label={say('shelf.name_in_the_shop')} {...at('name')} required />
            {row?.simulated ? <p>{say('shelf.this_thermometer_is_simulated')}</p> : <TextField label={say('shelf.address_host_and_port')} {...at('address')} placeholder={say('shelf.thermometer_local_4002')} required />}
            <p className="text-soft">{say('shelf.check_in_ice_water')}</p>
            <div className="grid gap-4 sm:grid-cols-3">
                <DateField label={say('shelf.checked_on')} {...at('checkedOn')} />
                <QuantityField label={say('shelf.at_a_known_temperature_of')} kind="temperature" {...at('checkedAtC')} />
                <QuantityField label={say('shelf.it_showed')} kind="temperature" {...at('checkShowedC')} />
            </div>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
