import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { say } from '../words/say';

export type Asked = { kind: string; measures: ('pull' | 'lift')[]; /** Null: changed by hand. */ sure: Schemas['Sureness'] | null };

/** What is to be known, by which measures, and how surely: from these three the whole plan follows. */
export function ThreeQuestions({ begun, asked, onAsked }: { begun: Pick<Schemas['BegunPlan'], 'kinds' | 'sureness' | 'resin'>; asked: Asked; onAsked: (next: Partial<Asked>) => void }) {
    const measure = (name: 'pull' | 'lift') => onAsked({ measures: asked.measures.includes(name) ? asked.measures.filter((each) => each !== name) : [...asked.measures, name] });
    const kind = begun.kinds.find((each) => each.key === asked.kind);
    return (
        <>
            <div className="grid gap-x-5 gap-y-4 md:grid-cols-3">
                <Group label={say('test.the_question')} one>
                    {begun.kinds.map((each) => (
                        <Choice key={each.key} on={each.key === asked.kind} onTouch={() => onAsked({ kind: each.key })} words={each.words} />
                    ))}
                </Group>
                <Group label={say('test.how_will_you_tell')}>
                    <Choice on disabled many words={begun.resin ? say('test.eyes_and_fingers_resin') : say('test.eyes_and_fingers')} onTouch={() => undefined} />
                    {begun.resin ? null : (
                        <>
                            <Choice many on={asked.measures.includes('lift')} onTouch={() => measure('lift')} words={say('test.and_lift_by_calliper')} />
                            <Choice many on={asked.measures.includes('pull')} onTouch={() => measure('pull')} words={say('test.and_pull_by_gauge')} />
                        </>
                    )}
                </Group>
                <Group label={say('test.how_sure')} one>
                    {begun.sureness.map((each) => (
                        <Choice key={each.key} on={each.key === asked.sure} onTouch={() => onAsked({ sure: each.key })} words={each.words} more={each.asks} />
                    ))}
                </Group>
            </div>
            {kind ? <p className="mt-2 text-soft">{kind.answer}</p> : null}
        </>
    );
}

function Group({ label, one = false, children }: { label: string; /** One of them, else any. */ one?: boolean; children: ReactNode }) {
    return (
        <div role={one ? 'radiogroup' : 'group'} aria-label={label} className="flex flex-col gap-1.5">
            <span aria-hidden className="text-sm font-[650]">
                {label}
            </span>
            {children}
        </div>
    );
}

function Choice({ on, words, more, many = false, disabled = false, onTouch }: { on: boolean; words: string; more?: string; many?: boolean; disabled?: boolean; onTouch: () => void }) {
    return (
        <button
            type="button"
            role={many ? 'checkbox' : 'radio'}
            aria-checked={on}
            aria-label={words}
            aria-description={more}
            aria-disabled={disabled}
            onClick={disabled ? undefined : onTouch}
            className={`flex min-h-11 items-start gap-2 rounded border px-3 py-2 text-left leading-snug ${on ? 'border-accent bg-accent text-accent-ink' : 'border-strong bg-sheet hover:bg-well'}`}
        >
            <Check aria-hidden className={`mt-0.5 size-4 shrink-0 ${on ? '' : 'invisible'}`} />
            <span>
                <span className="font-[650]">{words}</span>
                {more ? <span className="block text-sm">{more}</span> : null}
            </span>
        </button>
    );
}
