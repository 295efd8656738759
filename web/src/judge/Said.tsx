import { Link } from '@tanstack/react-router';

import type { Schemas } from '../api/client';
import { MarginNote } from '../ui/Sheet';
import { say } from '../words/say';
import { ProposeStep } from './Proposing';

type Judgement = Schemas['Judgement'];

/** What differs and matters, in a sentence each; what is left over folds away. */
export function Differences({ differences, all = false }: { differences: Judgement['differences']; all?: boolean }) {
    const told = differences.filter((each) => each.meaning === 'matters' || each.meaning === 'real');
    const shown = all ? differences : told.slice(0, 3);
    const folded = differences.filter((each) => !shown.includes(each));
    if (differences.length === 0) {
        return null;
    }
    return (
        <section className="mb-6" aria-label={say('judge.what_differs')}>
            <h2 className="mb-1 text-lg">{say('judge.what_differs')}</h2>
            {shown.length === 0 ? <p>{say('judge.no_difference_is_shown')}</p> : null}
            <Sentences of={shown.map((each) => each.sentence)} />
            {folded.length > 0 ? (
                <details>
                    <summary className="flex min-h-11 cursor-pointer items-center">{say('judge.further_differences', { count: folded.length })}</summary>
                    <Sentences of={folded.map((each) => each.sentence)} />
                </details>
            ) : null}
        </section>
    );
}

/** What to do with the verdict, each with the way there. */
export function NextSteps({ judgement }: { judgement: Judgement }) {
    const { nextSteps, comparison } = judgement;
    return nextSteps.length === 0 ? null : (
        <MarginNote title={say('judge.what_to_do_next')}>
            <ul className="flex flex-col">
                {nextSteps.map((step) => (
                    <li key={step.sentence} className="flex min-h-11 items-center">
                        <Step step={step} comparison={comparison} />
                    </li>
                ))}
            </ul>
        </MarginNote>
    );
}

function Step({ step, comparison }: { step: Judgement['nextSteps'][number]; comparison: Judgement['comparison'] }) {
    const look = 'font-[650] underline underline-offset-2';
    switch (step.do) {
        case 'propose':
            return step.setupId ? <ProposeStep setupId={step.setupId} sentence={step.sentence} /> : null;
        case 'plan_again':
            return (
                <Link className={look} to="/test/new" search={{ after: comparison.id, ...(step.setupId ? { setup: step.setupId } : {}), ...(step.runs ? { runs: step.runs } : {}) }}>
                    {step.sentence}
                </Link>
            );
        case 'finish':
        case 'run':
            return (
                <Link className={look} to="/test/$id" params={{ id: comparison.id }}>
                    {step.sentence}
                </Link>
            );
        case 'choose':
            return (
                <Link className={look} to="/choose" search={{ material: comparison.materialId }}>
                    {step.sentence}
                </Link>
            );
        default:
            return <span>{step.sentence}</span>;
    }
}

/** What stands against taking it for more than it is. */
export function WeakPoints({ points }: { points: string[] }) {
    return points.length === 0 ? null : (
        <MarginNote title={say('judge.weak_points')}>
            <Sentences of={points} />
        </MarginNote>
    );
}

function Sentences({ of }: { of: string[] }) {
    return (
        <ul className="list-disc pl-5">
            {of.map((sentence) => (
                <li key={sentence}>{sentence}</li>
            ))}
        </ul>
    );
}
