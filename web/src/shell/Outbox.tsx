import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

import { useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { useFigures } from '../ui/quantity';
import { useTerms } from '../ui/terms';
import { EFFORT_WORDS, OUTCOME_WORDS, RUN_STATUS_WORDS } from '../ui/words';
import { say } from '../words/say';
import { useLate } from './late';
import { dropRefused, flush, isJob, open, useOutbox, type Command, type Refused } from './outbox';

const RETRY_MS = 3_000;

/** Says what waits for the network, and keeps trying; whose entries they are, sees to them. */
export function Outbox() {
    const queries = useQueryClient();
    const session = useSession();
    const person = session.user?.id;
    const { sealKey } = session;
    const { waiting, refused, unkept } = useOutbox();
    useEffect(() => {
        if (!person) return;
        void open(person, sealKey, async (delivered) => {
            if ('job' in delivered) {
                await Promise.all(['jobs', 'care', 'overview', 'sides', 'choose', 'bench'].map((each) => queries.invalidateQueries({ queryKey: [each] })));
                return;
            }
            const { sheet } = delivered;
            const key = ['runs', sheet.run.id];
            // What was asked before knows less than this answer.
            await queries.cancelQueries({ queryKey: key });
            queries.setQueryData(key, sheet);
            ['comparisons', 'overview', 'care', 'choose'].forEach((each) => void queries.invalidateQueries({ queryKey: [each] }));
        });
        const timer = setInterval(() => void flush(), RETRY_MS);
        return () => clearInterval(timer);
    }, [person, sealKey, queries]);
    const late = useLate(waiting[0]?.touchedAt ?? null);
    if (!late && refused.length === 0) return null;
    return (
        <div className="mx-auto flex w-full max-w-[86rem] flex-col gap-2 px-4 pb-2" role="status">
            {late ? <Notice tone="caution">{unkept > 0 ? say('outbox.unkept', { unkept }) : say('outbox.waiting', { waiting: waiting.length })}</Notice> : null}
            {refused.map((each) => (
                <NotTaken key={each.id} refused={each} />
            ))}
        </div>
    );
}

/** What was not taken, beside what there is instead. */
function NotTaken({ refused }: { refused: Refused }) {
    const words = useCommandWords();
    const terms = useTerms();
    return (
        <Notice tone="fault">
            <p>{say('outbox.not_taken', { run: refused.run, what: words(refused.command), why: refused.message })}</p>
            {refused.theirs ? (
                <dl className="my-1 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4">
                    <dt>{say('draft.yours')}</dt>
                    <dd className="font-[650]">{words(refused.command)}</dd>
                    <dt>{say('draft.theirs')}</dt>
                    <dd className="font-[650]">{theirWords(refused.theirs, terms.step)}</dd>
                </dl>
            ) : null}
            <Button tone="quiet" onClick={() => void dropRefused(refused.id)}>
                {say('outbox.understood')}
            </Button>
        </Notice>
    );
}

function theirWords(theirs: NonNullable<Refused['theirs']>, stepWords: (step: string) => string): string {
    if (isJob(theirs)) return theirs.status === 'dropped' ? say('prints.not_printed') : theirs.outcome === null ? say('prints.nobody_said_yet') : OUTCOME_WORDS[theirs.outcome];
    const { status, step, outcome } = theirs;
    const state = status === 'running' ? stepWords(step) : RUN_STATUS_WORDS[status];
    return outcome === null ? state : say('outbox.state', { state, outcome: OUTCOME_WORDS[outcome] });
}

function useCommandWords(): (command: Command) => string {
    const figure = useFigures();
    const terms = useTerms();
    return (command) => {
        switch (command.kind) {
            case 'step':
                return terms.step(command.step);
            case 'outcome':
                return OUTCOME_WORDS[command.outcome];
            case 'reading':
                return say('outbox.reading', { measure: terms.measure(command.measure), value: figure('number').text(command.value), unit: command.unit });
            case 'answer':
                return command.effort === null ? OUTCOME_WORDS[command.outcome] : say('outbox.state', { state: OUTCOME_WORDS[command.outcome], outcome: EFFORT_WORDS[command.effort] ?? '' });
            case 'drop':
                return say('prints.not_printed');
            case 'mark':
                return say('outbox.mark');
            case 'job_photo':
            case 'photo':
                return say('outbox.photo');
            case 'finish':
                return say('outbox.finish');
            case 'void':
                return say('outbox.void', { reason: command.reason });
        }
    };
}
