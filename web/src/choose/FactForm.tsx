import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, CheckField, NumberField, optionsOf, QuantityField, SelectField } from '../ui/Field';
import { as, flag, list, maybe, text, whole, words } from '../ui/shape';
import { GRADE_WORDS, ROLE_WORDS } from '../ui/words';
import { say } from '../words/say';
import { isResin } from './request';

type Props = { title: string; materialId: string; surfaceId: string; pair: Schemas['PairingDetail'] | null; /** What was found out, to begin from. */ start?: { agentKindId: string; window: number[]; why: string }; onDone: () => void };

type Way = { agentKindId: string; hold: Schemas['Grade']; release: Schemas['Grade']; role: Schemas['AgentRole']; barrier: boolean; openPrinter: boolean };
type Values = Way & { window: (number | null)[]; releaseC: number | null; why: string };

const GRADES = optionsOf(GRADE_WORDS);
const ROLES = optionsOf(ROLE_WORDS);
const SHAPE = whole({ agentKindId: text(), hold: as<Schemas['Grade']>(), release: as<Schemas['Grade']>(), role: as<Schemas['AgentRole']>(), barrier: flag(), openPrinter: flag(), window: list(maybe()), releaseC: maybe(), why: words() });

/** The shop's own word on a pair: it counts in place of the catalogue's, which stays visible. */
export function FactForm({ title, materialId, surfaceId, pair, start, onDone }: Props) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const seconds = isResin(catalogue, materialId);
    const key = useKey();
    const known = (agentKindId: string): Way => {
        const way = pair?.treatments.find((t) => (t.agentKindId ?? '') === agentKindId);
        return { agentKindId, hold: way?.hold ?? 'fair', release: way?.release ?? 'fair', role: way?.role ?? 'none', barrier: way?.barrier ?? false, openPrinter: false };
    };
    const draft = useDraft({
        start: (): Values => ({ ...known(start?.agentKindId ?? ''), window: start?.window ?? (pair ? [...pair.window] : [null, null, null]), releaseC: pair?.releaseC ?? null, why: start?.why ?? '' }),
        schema: SHAPE,
        send: ({ window, role, agentKindId, ...body }) =>
            ask(api.POST('/api/catalogue/facts', { body: { ...body, id: key, materialId, surfaceId, agentKindId: agentKindId || null, role: agentKindId === '' ? 'none' : role, window: window.every((value) => value !== null) ? window : null } })),
        touches: ['pairs'],
        after: onDone,
    });
    const { values, set, at, errorOf } = draft;
    const bounds = [say('choose.window_from'), say('choose.start_at'), say('choose.window_to')];
    return (
        <DraftDialog draft={draft} send={say('choose.hold_it_true')} title={title} onDone={onDone}>
            <p className="text-soft">{say('choose.your_word_counts_in_place_of')}</p>
            <SelectField label={say('choose.with')} name="agentKindId" value={values.agentKindId} onValue={(agentKindId) => set(known(agentKindId))} empty={say('choose.bare')} options={catalogue.agents.map((a) => ({ value: a.id, label: a.name }))} />
            <div className="grid gap-4 sm:grid-cols-3">
                <SelectField label={say('choose.holds')} {...at('hold')} options={GRADES} />
                <SelectField label={say('choose.lets_go')} {...at('release')} options={GRADES} />
                {values.agentKindId === '' ? null : <SelectField label={say('choose.the_agent')} {...at('role')} options={ROLES} />}
            </div>
            <div className="grid gap-4 sm:grid-cols-4">
                {bounds.map((label, i) => {
                    const props = { label, name: `window.${i}`, value: values.window[i] ?? null, onValue: (n: number | null) => set({ window: values.window.map((was, place) => (place === i ? n : was)) }), error: i === 0 ? errorOf('window') : undefined };
                    return seconds ? <NumberField key={label} {...props} unit={say('unit.s')} /> : <QuantityField key={label} {...props} kind="temperature" />;
                })}
                {seconds ? null : <QuantityField label={say('choose.off_below')} kind="temperature" {...at('releaseC')} />}
            </div>
            {values.agentKindId !== '' ? <CheckField label={say('choose.keeps_apart_what_would_bond')} {...at('barrier')} /> : pair?.bonds ? <CheckField label={say('choose.a_sheet_is_given_up_for')} {...at('barrier')} /> : null}
            {catalogue.materials.find((m) => m.id === materialId)?.enclosure === 'needed' ? <CheckField label={say('choose.goes_without_a_chamber')} {...at('openPrinter')} /> : null}
            <AreaField label={say('choose.why')} {...at('why')} maxLength={500} hint={say('choose.what_you_saw_and_how_often')} />
        </DraftDialog>
    );
}
