import { api, ask, type Schemas } from '../api/client';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { CheckField, QuantityField, TextField } from '../ui/Field';
import { flag, number, text, whole, words } from '../ui/shape';
import { say } from '../words/say';
import { retiring } from './retiring';
import type { FormProps } from './rows';

type Feeler = Schemas['Feeler'];
type Values = { name: string; thicknessMm: number | null; givesMm: number | null; drag: string; retired: boolean };

const SHAPE = whole({ name: words(), thicknessMm: number(), givesMm: number(), drag: text(), retired: flag() });

function read(row: Feeler | null): Values {
    return { name: row?.name ?? '', thicknessMm: row?.thicknessMm ?? null, givesMm: row?.givesMm ?? 0, drag: row?.drag ?? '', retired: row?.retired ?? false };
}

/** A shim, card or feeler with which nought is set by hand; the offset to type follows from it. */
export function FeelerForm({ row, onDone }: FormProps<Feeler>) {
    const key = useKey();
    const draft = useDraft({
        start: () => read(row),
        schema: SHAPE,
        row,
        send: retiring(row, row?.name ?? '', ({ retired, ...body }, version) => (row ? ask(api.PUT('/api/feelers/{id}', { params: { path: { id: row.id } }, body: { ...body, retired, version } })) : ask(api.POST('/api/feelers', { body: { ...body, id: key } })))),
        read: (theirs) => read(theirs as Feeler),
        touches: ['feelers'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('shelf.save')} title={row ? say('shelf.change', { row: row.name }) : say('shelf.new', { tab: say('shelf.a_feeler') })} onDone={onDone}>
            <TextField label={say('shelf.name_in_the_shop')} {...at('name')} required />
            <div className="grid gap-4 sm:grid-cols-3">
                <QuantityField label={say('shelf.thickness')} kind="length" {...at('thicknessMm')} />
                <QuantityField label={say('shelf.gives')} kind="length" {...at('givesMm')} hint={say('shelf.steel_gives_nothing')} />
                <TextField label={say('shelf.wanted_drag')} {...at('drag')} maxLength={60} placeholder={say('shelf.just_felt')} />
            </div>
            {row ? <CheckField label={say('shelf.retired')} {...at('retired')} /> : null}
        </DraftDialog>
    );
}
