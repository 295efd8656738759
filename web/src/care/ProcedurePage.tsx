import { useSuspenseQueries } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { proceduresQuery, sideCareQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { useKey } from '../ui/draft';
import { Fault, Notice } from '../ui/Notice';
import { duration } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';
import { Timer } from './Timer';
import { offerNoteBack } from './undoNote';

const route = getRouteApi('/care/$id/do/$procedure');

/** One procedure at the bench: a step after the other with its timer and its caution, and at the end the record. */
export function ProcedurePage() {
    const { id, procedure: procedureId } = route.useParams();
    const [{ data: side }, { data: all }] = useSuspenseQueries({ queries: [sideCareQuery(id), proceduresQuery(id)] });
    const procedure = all.find((each) => each.id === procedureId);
    const [done, setDone] = useState(0);
    if (!procedure) {
        return (
            <Sheet title={side.label}>
                <Empty>
                    <p>{say('care.not_for_this_side')}</p>
                    <Link to="/care/$id" params={{ id }}>{side.label}</Link>
                </Empty>
            </Sheet>
        );
    }
    return (
        <Sheet
            title={procedure.title}
            lead={say('care.on_side', { side: side.label, surface: side.surfaceName, minutes: duration(procedure.minutes) })}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/care/$id" params={{ id }}>{side.label}</Link>
                </Button>
            }
            margin={
                <>
                    <MarginNote title={say('care.at_hand')}>
                        <ul className="list-disc pl-5">
                            {procedure.tools.map((tool) => (
                                <li key={tool}>{tool}</li>
                            ))}
                        </ul>
                    </MarginNote>
                    <MarginNote title={say('care.then_it_notes')}>
                        <p>{say(`care.effect_${procedure.effect}`)}</p>
                    </MarginNote>
                </>
            }
        >
            <ol className="flex flex-col gap-3">
                {procedure.steps.map((step, i) => (
                    <Step key={step.do} step={step} number={i + 1} state={i < done ? 'done' : i === done ? 'now' : 'later'} onDone={() => setDone(i + 1)} onBack={() => setDone(i)} />
                ))}
            </ol>
            {done >= procedure.steps.length ? <Finish label={side.label} sideId={id} procedure={procedure} /> : null}
        </Sheet>
    );
}

function Step({ step, number, state, onDone, onBack }: { step: Schemas['Procedure']['steps'][number]; number: number; state: 'done' | 'now' | 'later'; onDone: () => void; onBack: () => void }) {
    return (
        <li className={`grid grid-cols-[2rem_minmax(0,1fr)] gap-3 px-3 py-3 ${state === 'now' ? 'border-l-4 border-accent bg-accent-wash' : 'border-l-4 border-transparent'} ${state === 'done' ? 'text-soft' : ''}`}>
            <span className="text-right text-xl text-soft">{number}</span>
            <div className="flex flex-col gap-3">
                <p className={state === 'now' ? 'text-xl font-[650]' : ''}>{step.do}</p>
                {step.caution && state !== 'done' ? <Notice tone="caution">{step.caution}</Notice> : null}
                {state === 'now' ? (
                    <div className="flex flex-wrap items-center gap-4">
                        {step.minutes === null ? null : <Timer minutes={step.minutes} />}
                        <Button tone="main" big onClick={onDone}>
                            {say('care.step_done')}
                        </Button>
                    </div>
                ) : state === 'done' ? (
                    <Button tone="quiet" className="self-start" onClick={onBack} aria-label={say('care.again_step', { number })}>
                        {say('care.again')}
                    </Button>
                ) : null}
            </div>
        </li>
    );
}

function Finish({ sideId, label, procedure }: { sideId: string; label: string; procedure: Schemas['Procedure'] }) {
    const may = useMay();
    const key = useKey();
    const navigate = useNavigate();
    const { effect } = procedure;
    const note = useChange(
        () => ask(api.POST('/api/plate-sides/{id}/care', { params: { path: { id: sideId } }, body: { id: key, kind: effect === 'none' || effect === 'new_sheet' ? 'wash' : effect, agentId: effect === 'coat' ? procedure.agentId : null, cleanerId: effect === 'coat' || effect === 'touch_up' ? null : procedure.cleanerId, note: procedure.title } })),
        ['care', 'sides', 'fix'],
        () => {
            offerNoteBack(label, key);
            void navigate({ to: '/care/$id', params: { id: sideId } });
        },
    );
    return (
        <div className="mt-6 border-l-4 border-sound bg-sound-wash px-4 py-4">
            <p className="mb-3 text-xl font-[650]">{say('care.all_steps_done')}</p>
            {effect === 'none' || effect === 'new_sheet' ? (
                <Button asChild tone="main" big>
                    {effect === 'new_sheet' ? <Link to="/shelf" search={{ tab: 'plate' }}>{say('care.lay_the_sheet_on_the_shelf')}</Link> : <Link to="/care/$id" params={{ id: sideId }}>{say('care.back_to_the_side')}</Link>}
                </Button>
            ) : (
                <Button tone="main" big onClick={() => note.mutate(undefined)} disabled={!may.test || note.isPending}>
                    {say('care.note_it')}
                </Button>
            )}
            <Fault error={note.error} />
        </div>
    );
}
