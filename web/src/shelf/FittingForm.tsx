import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { maybe, picked, text, whole } from '../ui/shape';
import { say } from '../words/say';

const SHAPE = whole({ surfaceId: picked(), surfaceLot: text(), limitC: maybe(), soakC: maybe() });

/** A new sheet on an old side is a new surface. */
export function FittingForm({ side, onDone }: { side: Schemas['PlateSide']; onDone: () => void }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const draft = useDraft({
        start: () => ({ surfaceId: side.fitting.surfaceId, surfaceLot: '', limitC: null as number | null, soakC: null as number | null }),
        schema: SHAPE,
        send: (body) => ask(api.POST('/api/plate-sides/{id}/fittings', { params: { path: { id: side.id } }, body: { ...body, id: key } })),
        touches: ['plates', 'care'],
        after: onDone,
    });
    const { values, at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={say('shelf.a_new_sheet_on', { side: side.label })} onDone={onDone}>
            <p>{say('shelf.from_now_on_this_side_is')}</p>
            <SelectField label={say('shelf.surface_2')} {...at('surfaceId')} options={inUse(catalogue.surfaces, values.surfaceId)} />
            <TextField label={say('shelf.sheet_or_lot')} {...at('surfaceLot')} />
            <QuantityField label={say('shelf.own_limit')} kind="temperature" {...at('limitC')} placeholder={say('shelf.of_its_kind')} />
            <QuantityField label={say('shelf.own_soak_test')} kind="temperature" {...at('soakC')} placeholder={say('shelf.none')} hint={say('shelf.what_the_sheet_stood_for_an')} />
        </DraftDialog>
    );
}
