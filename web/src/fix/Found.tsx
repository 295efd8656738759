import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { useKey } from '../ui/draft';
import { TextField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { say } from '../words/say';
import type { Where } from './Fix';

/** What it was is written down, and the record is put right with one touch. */
export function Found({ where, cause, onBack }: { where: Where; cause: Schemas['Suspect'] | null; onBack: () => void }) {
    const may = useMay();
    const key = useKey();
    const [note, setNote] = useState('');
    const remember = useChange(
        () => {
            const { symptomId, plateSideId, printerId, lotId, tried } = where;
            return ask(api.POST('/api/fix/cases', { body: { id: key, symptomId, plateSideId, printerId, lotId, tried, causeId: cause?.id ?? null, note } }));
        },
        ['fix'],
    );
    return (
        <section aria-label={say('fix.what_it_was')} className="border-l-4 border-sound bg-sound-wash px-4 py-4 sm:px-6">
            <p className="text-2xl font-[650]">{cause ? say('fix.it_was', { name: cause.name }) : say('fix.nothing_has_helped')}</p>
            {remember.isSuccess ? (
                <div className="mt-3 flex flex-col gap-3">
                    <p>{say('fix.remembered')}</p>
                    {cause ? <Record where={where} cause={cause} /> : <Further then="compare" words={say('fix.plan_a_comparison')} />}
                </div>
            ) : (
                <div className="mt-3 flex max-w-xl flex-col gap-3">
                    <TextField label={say('fix.a_note_for_the_next_time')} value={note} onValue={setNote} maxLength={500} />
                    <div className="flex flex-wrap gap-3">
                        <Button tone="main" big onClick={() => remember.mutate(undefined)} disabled={!may.test || remember.isPending}>
                            {say('fix.remember_it')}
                        </Button>
                        <Button tone="quiet" onClick={onBack}>
                            {say('fix.no_go_on')}
                        </Button>
                    </div>
                    <Fault error={remember.error} />
                </div>
            )}
        </section>
    );
}

/** What the record should say now. */
function Record({ where, cause }: { where: Where; cause: Schemas['Suspect'] }) {
    const key = useKey();
    const note = useChange(
        () => {
            if (cause.then === 'levelling') return ask(api.POST('/api/printers/{id}/changes', { params: { path: { id: where.printerId ?? '' } }, body: { id: key, kind: 'levelling', note: cause.name } }));
            return ask(api.POST('/api/plate-sides/{id}/care', { params: { path: { id: where.plateSideId ?? '' } }, body: { id: key, kind: cause.then === 'scuff' ? 'scuff' : 'wash', agentId: null, note: cause.name } }));
        },
        ['care', 'profiles', 'fix', 'sides'],
    );
    if (cause.thenWords === null) return null;
    const atOnce = cause.then === 'levelling' ? where.printerId !== null : (cause.then === 'wash' || cause.then === 'scuff') && where.plateSideId !== null;
    if (!atOnce) return <Further then={cause.then} words={cause.thenWords} />;
    return (
        <>
            {note.isSuccess ? (
                <Notice tone="sound">{cause.then === 'levelling' ? say('fix.noted_levelling') : say('fix.noted_care')}</Notice>
            ) : (
                <Button className="self-start" onClick={() => note.mutate(undefined)} disabled={note.isPending}>
                    {cause.thenWords}
                </Button>
            )}
            <Fault error={note.error} />
        </>
    );
}

/** Where it goes on. */
function Further({ then, words }: { then: Schemas['Suspect']['then']; words: string }) {
    const to = then === 'choose' ? '/choose' : then === 'compare' ? '/test/new' : then === 'measure' ? '/choose/heat' : then === 'dry' || then === 'new_sheet' ? '/shelf' : '/care';
    return (
        <Button asChild className="self-start">
            <Link to={to} search={then === 'dry' ? { tab: 'lot' } : then === 'new_sheet' ? { tab: 'plate' } : {}}>
                {words}
            </Link>
        </Button>
    );
}
