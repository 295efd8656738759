import type { Schemas } from '../api/client';
import { say } from '../words/say';

const LOOK: Record<Schemas['Verdict'], { box: string; shape: string }> = {
    holds_and_lets_go: { box: 'bg-sound-wash text-sound border-sound', shape: 'M3 17H21M6 17V9a6 6 0 0 1 12 0V17M12 3V0' },
    holds_will_not_let_go: { box: 'bg-brass-wash text-brass border-brass', shape: 'M3 17H21M6 17V9a6 6 0 0 1 12 0V17M6 13L18 9M18 13L6 9' },
    does_not_hold: { box: 'bg-fault-wash text-fault border-fault', shape: 'M3 17H21M5 13L8 5a6 6 0 0 1 11 4L17 14' },
    not_yet_known: { box: 'bg-well text-ink border-strong', shape: 'M3 17H21M6 17V15M6 12V10M7 7L8 5M11 3.5H13M16 5L17 7M18 10V12M18 15V17' },
};

/** A verdict in words, with a mark whose shape tells it too: a seated arch, a locked one, a tipped one, a dotted one. */
export function VerdictWord({ verdict, words }: { verdict: Schemas['Verdict']; words: string }) {
    const look = LOOK[verdict];
    return (
        <span className={`inline-flex items-center gap-2 rounded-sm border-l-4 px-3 py-1.5 text-lg leading-tight font-[650] ${look.box}`}>
            <Shape verdict={verdict} />
            {words}
        </span>
    );
}

const WORDS: Record<Schemas['Verdict'], string> = {
    holds_and_lets_go: say('judge.holds_and_lets_go'),
    holds_will_not_let_go: say('judge.holds_but_will_not_let_go'),
    does_not_hold: say('judge.does_not_hold'),
    not_yet_known: say('judge.not_yet_known'),
};

/** The same in a line: the mark before the letter of the setup. */
export function VerdictMark({ label, verdict }: { label: string; verdict: Schemas['Verdict'] }) {
    return (
        <span className={`inline-flex items-center gap-1.5 bg-transparent! ${LOOK[verdict].box}`}>
            <Shape verdict={verdict} />
            <strong>{label}</strong>
            <span className="text-[0.9375rem]">{WORDS[verdict]}</span>
        </span>
    );
}

function Shape({ verdict }: { verdict: Schemas['Verdict'] }) {
    return (
        <svg viewBox="0 0 24 20" className="h-6 w-7 shrink-0" aria-hidden>
            <path d={LOOK[verdict].shape} fill="none" stroke="currentColor" strokeWidth="2.2" strokeLinecap="round" strokeLinejoin="round" />
        </svg>
    );
}
