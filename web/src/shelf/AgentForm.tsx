import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { CheckField, DateField, NumberField, SelectField, TextField } from '../ui/Field';
import { date, flag, maybe, picked, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import type { FormProps } from './rows';

type Agent = Schemas['Agent'];

const SHAPE = whole({ kindId: picked(), name: words(), batch: text(), openedOn: date(), expiresOn: date(), dataSheet: text(), price: maybe(), coats: maybe(), retired: flag() });

function read(row: Agent | null, base: Agent | null) {
    return { kindId: base?.kindId ?? '', name: base?.name ?? '', batch: row?.batch ?? '', openedOn: row?.openedOn ?? null, expiresOn: row?.expiresOn ?? null, dataSheet: base?.dataSheet ?? '', price: base?.price ?? null, coats: base?.coats ?? null, retired: row?.retired ?? false };
}

export function AgentForm({ row, from, onDone }: FormProps<Agent>) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const draft = useDraft({
        start: () => read(row, row ?? from),
        schema: SHAPE,
        row,
        send: retiring(row, row?.name ?? '', ({ retired, ...body }, version) => (row ? ask(api.PUT('/api/agents/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/agents', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Agent, theirs as Agent),
        touches: ['agents'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.name }) : from ? say('shelf.another_batch_of', { from: from.name }) : say('shelf.new_agent')} onDone={onDone}>
            <SelectField label={say('shelf.kind')} {...at('kindId')} empty={say('shelf.choose')} options={catalogue.agents.map((a) => ({ value: a.id, label: a.name }))} />
            <TextField label={say('shelf.name_in_the_shop')} {...at('name')} required />
            <div className="grid gap-4 sm:grid-cols-2">
                <TextField label={say('shelf.batch')} {...at('batch')} />
                <DateField label={say('shelf.opened')} {...at('openedOn')} />
                <DateField label={say('shelf.expires')} {...at('expiresOn')} />
                <TextField label={say('shelf.data_sheet')} {...at('dataSheet')} maxLength={300} hint={say('shelf.where_it_is_kept')} />
                <NumberField label={say('shelf.price')} {...at('price')} placeholder={say('shelf.unknown')} />
                <NumberField label={say('shelf.gives_so_many_coats')} {...at('coats')} whole placeholder={say('shelf.unknown')} name="coats" />
            </div>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
