import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, SelectField, type Option } from '../ui/Field';
import { as, maybe, text, whole } from '../ui/shape';
import { say } from '../words/say';
import { offerNoteBack } from './undoNote';

type CareKind = Schemas['CareKind'];
type CareValues = { kind: CareKind; agentId: string | null; cleanerId: string | null; spot: number | null; note: string };

const CARE = whole({ kind: as<CareKind>(), agentId: as<string | null>(), cleanerId: as<string | null>(), spot: maybe(), note: text() });
const KINDS: Option<CareKind>[] = [
    { value: 'wash', label: say('care.washed') },
    { value: 'wipe', label: say('care.wiped') },
    { value: 'scuff', label: say('care.scuffed') },
    { value: 'coat', label: say('care.coated') },
    { value: 'touch_up', label: say('care.touched_up') },
];

/** What was done to a side of a plate. */
export function NoteCare({ side, spots, kind, onDone }: { side: { plateSideId: string; label: string; cleaning: string }; /** Where a coat may be touched up. */ spots?: Schemas['SideCare']['spots']; kind: CareKind; onDone: () => void }) {
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const key = useKey();
    const draft = useDraft({
        start: (): CareValues => ({ kind, agentId: kind === 'coat' ? (agents[0]?.id ?? null) : null, cleanerId: null, spot: null, note: '' }),
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
            <ChoiceRow label={say('care.what_was_done')} name="kind" value={values.kind} onValue={(next) => set({ kind: next, agentId: next === 'coat' ? (values.agentId ?? agents[0]?.id ?? null) : null, cleanerId: next === 'coat' || next === 'touch_up' ? null : values.cleanerId })} options={KINDS} />
            {values.kind === 'coat' ? (
                <SelectField label={say('care.with')} {...at('agentId')} options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
            ) : values.kind === 'touch_up' ? (
                spots ? <SelectField label={say('care.where')} name="spot" value={values.spot === null ? '' : String(values.spot)} onValue={(spot) => set({ spot: spot === '' ? null : Number(spot) })} empty={say('care.wherever_parts_stood')} options={spots.map((each) => ({ value: String(each.value), label: each.words }))} /> : null
            ) : (
                <SelectField label={say('care.with')} name="cleanerId" value={values.cleanerId} onValue={(id) => set({ cleanerId: id || null })} empty={say('care.not_said')} options={catalogue.cleaners.map((c) => ({ value: c.id, label: c.name }))} />
            )}
            <AreaField label={say('care.note')} {...at('note')} maxLength={500} />
        </DraftDialog>
    );
}
