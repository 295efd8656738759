import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { catalogueQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { AreaField, CheckField, NumberField, QuantityField, SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { GRADE_WORDS, ROLE_WORDS } from '../ui/words';
import { isResin } from './request';

type Props = { title: string; materialId: string; surfaceId: string; pair: Schemas['PairingDetail'] | null; onDone: () => void };

const GRADES = Object.entries(GRADE_WORDS).map(([value, label]) => ({ value, label }));
const ROLES = Object.entries(ROLE_WORDS).map(([value, label]) => ({ value, label }));

/** The shop's own word on a pair: it counts in place of the catalogue's, which stays visible. */
export function FactForm({ title, materialId, surfaceId, pair, onDone }: Props) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const seconds = isResin(catalogue, materialId);
    const [id] = useState(newId);
    const [window, setWindow] = useState<(number | null)[]>(pair ? [...pair.window] : [null, null, null]);
    const known = (agentKindId: string) => {
        const way = pair?.treatments.find((t) => (t.agentKindId ?? '') === agentKindId);
        return { agentKindId, hold: way?.hold ?? 'fair', release: way?.release ?? 'fair', role: way?.role ?? 'none', barrier: way?.barrier ?? false };
    };
    const [draft, setDraft] = useState({ ...known(''), releaseC: pair?.releaseC ?? null, why: '' });
    const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
    const save = useChange(
        () =>
            call('POST', '/catalogue/facts', {
                ...draft,
                id,
                materialId,
                surfaceId,
                agentKindId: draft.agentKindId || null,
                role: draft.agentKindId === '' ? 'none' : draft.role,
                window: window.every((value) => value !== null) ? window : null,
            }),
        ['pairs'],
        onDone,
    );
    const fault = save.error instanceof Problem ? save.error : undefined;
    const words = ['Window from', 'start at', 'to'];
    return (
        <Dialog title={title} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate(undefined);
                }}
            >
                <p className="text-soft">Your word counts in place of the catalogue’s, which stays visible. Runs of your own speak louder than either.</p>
                <SelectField label="With" value={draft.agentKindId} onValue={(agentKindId) => set(known(agentKindId))} empty="bare" options={catalogue.agents.map((a) => ({ value: a.id, label: a.name }))} error={fault?.of('agentKindId')} />
                <div className="grid gap-4 sm:grid-cols-3">
                    <SelectField label="Holds" value={draft.hold} onValue={(hold) => set({ hold: hold as Schemas['Grade'] })} options={GRADES} />
                    <SelectField label="Lets go" value={draft.release} onValue={(release) => set({ release: release as Schemas['Grade'] })} options={GRADES} />
                    {draft.agentKindId === '' ? null : <SelectField label="The agent" value={draft.role} onValue={(role) => set({ role: role as Schemas['AgentRole'] })} options={ROLES} />}
                </div>
                <div className="grid gap-4 sm:grid-cols-4">
                    {words.map((label, i) =>
                        seconds ? (
                            <NumberField key={label} label={`${label}, s`} value={window[i] ?? null} onValue={(n) => setWindow(window.map((was, at) => (at === i ? n : was)))} error={i === 0 ? fault?.of('window') : undefined} />
                        ) : (
                            <QuantityField key={label} label={label} kind="temperature" value={window[i] ?? null} onValue={(n) => setWindow(window.map((was, at) => (at === i ? n : was)))} error={i === 0 ? fault?.of('window') : undefined} />
                        ),
                    )}
                    {seconds ? null : <QuantityField label="Off below" kind="temperature" value={draft.releaseC} onValue={(releaseC) => set({ releaseC })} error={fault?.of('releaseC')} />}
                </div>
                {draft.agentKindId !== '' ? <CheckField label="Keeps apart what would bond" checked={draft.barrier} onValue={(barrier) => set({ barrier })} /> : pair?.bonds ? <CheckField label="A sheet is given up for it (a lead’s word): it may be used bare" checked={draft.barrier} onValue={(barrier) => set({ barrier })} /> : null}
                <AreaField label="Why" value={draft.why} onValue={(why) => set({ why })} maxLength={500} error={fault?.of('why')} hint="What you saw, and how often." />
                <Fault error={save.error} />
                <div>
                    <Button type="submit" tone="main" disabled={save.isPending}>
                        Hold it true
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
