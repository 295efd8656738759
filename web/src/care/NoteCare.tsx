import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, SelectField, type Option } from '../ui/Field';
import { as, text, whole } from '../ui/shape';
import { say } from '../words/say';
import { offerNoteBack } from './undoNote';

type CareKind = Schemas['CareKind'];
type CareValues = { kind: CareKind; agentId: string | null; cleanerId: string | null; note: string };

const CARE = whole({ kind: as<CareKind>(), agentId: as<string | null>(), cleanerId: as<string | null>(), note: text() });
const KINDS: Option<CareKind>[] = [
    { value: 'wash', label: say('care.washed') },
    { value: 'wipe', label: say('care.wiped') },
    { value: 'scuff', label: say('care.scuffed') },
    { value: 'coat', label: say('care.coated') },
];

/** What was done to a side of a plate. */
export function NoteCare({ side, kind, onDone }: { side: { plateSideId: string; label: string; cleaning: string }; kind: CareKind; onDone: () => void }) {
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const draft = useDraft({
        start: (): CareValues => ({ kind, agentId: kind === 'coat' ? (agents[0]?.id ?? null) : null, cleanerId: null, note: '' }),
        schema: CARE,
        send: (body) => ask(api.POST('/api/plate-sides/{id}/care', { params: { path: { id: side.plateSideId } }, body: { ...body, id: key } })),
        touches: ['care'],
        after: () => {
            offerNoteBack(side.label, key);
            onDone();
        },
    });
    const { values, set, at } = draft;
    return (
        <DraftDialog draft={draft} send={say('care.note_it')} title={say('care.care_for', { side: side.label })} onDone={onDone}>
            <p>{side.cleaning}</p>
            <ChoiceRow label={say('care.what_was_done')} name="kind" value={values.kind} onValue={(next) => set({ kind: next, agentId: next === 'coat' ? (values.agentId ?? agents[0]?.id ?? null) : null, cleanerId: next === 'coat' ? null : values.cleanerId })} options={KINDS} />
            {values.kind === 'coat' ? (
                <SelectField label={say('care.with')} {...at('agentId')} options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
            ) : (
                <SelectField label={say('care.with')} name="cleanerId" value={values.cleanerId} onValue={(id) => set({ cleanerId: id || null })} empty={say('care.not_said')} options={catalogue.cleaners.map((c) => ({ value: c.id, label: c.name }))} />
            )}
            <AreaField label={say('care.note')} {...at('note')} maxLength={500} />
        </DraftDialog>
    );
}
