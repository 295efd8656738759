import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';

import type { Schemas } from '../api/client';
import { learnedQuery } from '../api/queries';
import { moment, useFigures } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

type Lesson = Schemas['Lesson'];

const WORDS: Record<Lesson['success'], [string, string]> = {
    held: [say('prints.hold_better'), say('prints.hold_worse')],
    released: [say('prints.release_better'), say('prints.release_worse')],
};

/** Where the shop's own prints say otherwise than practice, each beside what they say and what to do about it. */
export function Learned() {
    const { data } = useSuspenseQuery(learnedQuery);
    const answers = useFigures()('count').bare(data.answers);
    return (
        <Sheet
            title={say('prints.what_was_learned')}
            lead={data.lessons.length > 0 ? say('prints.learned_lead', { answers }) : say('prints.nothing_learned')}
            margin={
                <MarginNote title={say('prints.how_to_read_it')}>
                    <p>{say('prints.learned_how')}</p>
                    {data.learnedAt ? <p>{say('prints.learned_at', { when: moment(data.learnedAt) })}</p> : null}
                </MarginNote>
            }
        >
            <ul>
                {data.lessons.map((lesson) => (
                    <Row key={`${lesson.success}/${lesson.kind}/${lesson.what}`} lesson={lesson} />
                ))}
            </ul>
        </Sheet>
    );
}

function Row({ lesson }: { lesson: Lesson }) {
    const share = useFigures()('share');
    const [without, here] = [share.text(lesson.without), share.text(lesson.with)];
    return (
        <li className="grid gap-x-6 gap-y-1 border-b border-line py-3 md:grid-cols-[minmax(0,1fr)_16rem]">
            <div>
                <p>
                    <strong className={lesson.better ? 'text-sound' : 'text-fault'}>{WORDS[lesson.success][lesson.better ? 0 : 1]}</strong> <strong>{lesson.what}</strong>
                </p>
                <p>
                    {lesson.sentence} {lesson.kind === 'pair' || lesson.kind === 'chart' ? <Link to="/choose/catalogue">{lesson.advice}</Link> : lesson.advice}
                </p>
            </div>
            <div>
                <Moved without={lesson.without} here={lesson.with} better={lesson.better} />
                <p className="text-soft">
                    {say('prints.from_to', { without, with: here })} · {say('prints.surely', { surely: share.text(lesson.surely) })}
                </p>
            </div>
        </li>
    );
}

/** From the hollow mark to the full one, on the whole scale; its words stand below. */
function Moved({ without, here, better }: { without: number; here: number; better: boolean }) {
    const colour = better ? 'var(--sound)' : 'var(--fault)';
    const at = (share: number) => 6 + 244 * share;
    return (
        <svg viewBox="0 0 256 16" className="h-4 w-64 max-w-full" aria-hidden="true">
            <line x1={at(0)} x2={at(1)} y1={8} y2={8} stroke="var(--line-strong)" />
            <line x1={at(without)} x2={at(here)} y1={8} y2={8} stroke={colour} strokeWidth={4} />
            <circle cx={at(without)} cy={8} r={4.5} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
            <circle cx={at(here)} cy={8} r={5} fill={colour} />
        </svg>
    );
}
