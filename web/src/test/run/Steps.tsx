import { useEffect, useRef } from 'react';

import { say } from '../../words/say';
import { useStepWord, type Sheet } from './sheet';

/** All steps of the run, and where it is. */
export function Steps({ sheet }: { sheet: Sheet }) {
    const { run } = sheet;
    const stepWord = useStepWord(sheet);
    const at = run.status === 'done' ? sheet.steps.length : sheet.steps.indexOf(run.step);
    const current = useRef<HTMLLIElement>(null);
    useEffect(() => {
        current.current?.scrollIntoView({ inline: 'center', block: 'nearest' });
    }, [at]);
    return (
        <ol className="mb-6 flex overflow-x-auto overflow-y-hidden border-b-2 border-line" aria-label={say('test.steps_of_this_run')}>
            {sheet.steps.map((step, i) => (
                <li
                    key={step}
                    ref={i === at ? current : null}
                    aria-current={i === at ? 'step' : undefined}
                    className={`shrink-0 px-3 pb-2 whitespace-nowrap ${i === at ? '-mb-0.5 border-b-4 border-accent font-[650]' : i < at ? 'text-soft' : ''}`}
                >
                    {i < at ? '✓ ' : ''}
                    {stepWord(step)}
                </li>
            ))}
        </ol>
    );
}
