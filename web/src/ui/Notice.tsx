import { CircleAlert, CircleCheck, Hand, Info } from 'lucide-react';
import type { ReactNode } from 'react';

import { Problem } from '../api/client';
import { say } from '../words/say';

type Tone = 'note' | 'caution' | 'fault' | 'sound';

const LOOK: Record<Tone, { box: string; icon: typeof Info; word: string }> = {
    note: { box: 'border-strong bg-well', icon: Info, word: say('ui.note') },
    caution: { box: 'border-brass bg-brass-wash', icon: Hand, word: say('ui.caution') },
    fault: { box: 'border-fault bg-fault-wash', icon: CircleAlert, word: say('ui.not_done') },
    sound: { box: 'border-sound bg-sound-wash', icon: CircleCheck, word: say('ui.done') },
};

export function Notice({ tone = 'note', children }: { tone?: Tone; children: ReactNode }) {
    const look = LOOK[tone];
    const Icon = look.icon;
    return (
        <div role={tone === 'fault' ? 'alert' : 'note'} className={`flex gap-3 rounded-sm border-l-4 px-3 py-2 ${look.box}`}>
            <Icon className="mt-0.5 size-5 shrink-0" aria-label={look.word} />
            <div className="min-w-0">{children}</div>
        </div>
    );
}

/** The cautions of one step, in one place. */
export function Cautions({ sentences }: { sentences: string[] }) {
    if (sentences.length === 0) return null;
    return (
        <Notice tone="caution">
            {sentences.map((sentence) => (
                <p key={sentence}>{sentence}</p>
            ))}
        </Notice>
    );
}

/** What went wrong with the last change, sentence by sentence. */
export function Fault({ error }: { error: Error | null | undefined }) {
    if (!error) return null;
    const more = error instanceof Problem ? error.errors.filter((each) => each.message !== error.message) : [];
    return (
        <Notice tone="fault">
            <p>{error.message}</p>
            {more.length > 0 ? (
                <ul className="mt-1 list-disc pl-5">
                    {more.map((each) => (
                        <li key={each.field + each.message}>
                            {each.field === '' || each.field === 'evidence' ? '' : `${each.field}: `}
                            {each.message}
                        </li>
                    ))}
                </ul>
            ) : null}
        </Notice>
    );
}
