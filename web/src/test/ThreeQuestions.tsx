import { Check } from 'lucide-react';
import { Checkbox, RadioGroup } from 'radix-ui';
import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { SelectField } from '../ui/Field';
import { say } from '../words/say';

export type Asked = { kind: string; measures: ('pull' | 'lift')[]; /** Null: changed by hand. */ sure: Schemas['Sureness'] | null };

/** What is to be known, by which measures, and how surely: from these three the whole plan follows. */
export function ThreeQuestions({ begun, asked, onAsked }: { begun: Pick<Schemas['BegunPlan'], 'kinds' | 'sureness' | 'resin'>; asked: Asked; onAsked: (next: Partial<Asked>) => void }) {
    const measure = (name: 'pull' | 'lift') => onAsked({ measures: asked.measures.includes(name) ? asked.measures.filter((each) => each !== name) : [...asked.measures, name] });
    const kind = begun.kinds.find((each) => each.key === asked.kind);
    return (
            <div className="grid gap-x-5 gap-y-4 md:grid-cols-3">
                <SelectField label={say('test.the_question')} value={asked.kind} onValue={(next) => onAsked({ kind: next })} options={begun.kinds.map((each) => ({ value: each.key, label: each.words }))} hint={kind?.answer} />
                <Group label={say('test.how_will_you_tell')}>
                    <div role="group" aria-label={say('test.how_will_you_tell')} className="flex flex-col gap-1.5">
                        <Tick on words={begun.resin ? say('test.eyes_and_fingers_resin') : say('test.eyes_and_fingers')} />
                        {begun.resin ? null : (
                            <>
                                <Tick on={asked.measures.includes('lift')} onTouch={() => measure('lift')} words={say('test.and_lift_by_calliper')} />
                                <Tick on={asked.measures.includes('pull')} onTouch={() => measure('pull')} words={say('test.and_pull_by_gauge')} />
                            </>
                        )}
                    </div>
                </Group>
                <Pick label={say('test.how_sure')} value={asked.sure} onValue={(next) => onAsked({ sure: next as Schemas['Sureness'] })} options={begun.sureness.map(({ key, words, asks }) => ({ key, words, more: asks }))} />
            </div>
    );
}

const TILE = 'flex min-h-11 w-full items-start gap-2 rounded border border-strong bg-sheet px-3 py-2 text-left leading-snug hover:bg-well data-[state=checked]:border-accent data-[state=checked]:bg-accent data-[state=checked]:text-accent-ink';

function Group({ label, children }: { label: string; children: ReactNode }) {
    return (
        <div className="flex flex-col gap-1.5">
            <span aria-hidden className="text-sm font-[650]">
                {label}
            </span>
            {children}
        </div>
    );
}

/** One of several. */
function Pick({ label, value, onValue, options }: { label: string; value: string | null; onValue: (value: string) => void; options: { key: string; words: string; more?: string }[] }) {
    return (
        <Group label={label}>
            <RadioGroup.Root aria-label={label} value={value ?? ''} onValueChange={onValue} className="flex flex-col gap-1.5">
                {options.map(({ key, words, more }) => (
                    <RadioGroup.Item key={key} value={key} aria-label={words} aria-description={more} className={TILE}>
                        <Words on={key === value} words={words} more={more} />
                    </RadioGroup.Item>
                ))}
            </RadioGroup.Root>
        </Group>
    );
}

/** With or without. */
function Tick({ on, words, onTouch }: { on: boolean; words: string; /** None: it always counts. */ onTouch?: () => void }) {
    return (
        <Checkbox.Root checked={on} aria-label={words} aria-readonly={onTouch === undefined} onCheckedChange={() => onTouch?.()} className={TILE}>
            <Words on={on} words={words} />
        </Checkbox.Root>
    );
}

function Words({ on, words, more }: { on: boolean; words: string; more?: string | undefined }) {
    return (
        <>
            <Check aria-hidden className={`mt-0.5 size-4 shrink-0 ${on ? '' : 'invisible'}`} />
            <span>
                <span className="font-[650]">{words}</span>
                {more ? <span className="block text-sm">{more}</span> : null}
            </span>
        </>
    );
}
