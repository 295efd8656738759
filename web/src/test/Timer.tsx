import { useEffect, useState } from 'react';

import { say } from '../words/say';

/** While it counts, and when it is over; of cooling by the sum: whoever pulls feels or measures it first. */
const WORDS: Record<'soak' | 'cool' | 'look', [string, string]> = {
    soak: [say('test.to_soak'), say('test.soaked_go_on')],
    cool: [say('test.to_cool'), say('test.cool_by_the_sum')],
    look: [say('test.to_look_again'), say('test.look_again_now')],
};

/** So far may the clock of a device run from the time that passes, ms, before it is said. */
const JUMPED = 30_000;

/**
 * Counts a step down from the moment it began: as long as it was by the clock that says when, and from then on by the time that passes here, whatever
 * the clock of the device says; then says that it is over. For another moment, and when the server has answered anew, it is another one.
 */
export function Timer({ seconds, since, serverTime, waitsFor }: { seconds: number; since: string; serverTime: string; waitsFor: 'soak' | 'cool' | 'look' }) {
    const [begun] = useState(() => ({ before: new Date(serverTime).getTime() - new Date(since).getTime(), passed: performance.now(), clock: Date.now() }));
    const [now, setNow] = useState<{ passed: number; clock: number }>(begun);
    useEffect(() => {
        const timer = setInterval(() => setNow({ passed: performance.now(), clock: Date.now() }), 500);
        return () => clearInterval(timer);
    }, []);
    const passed = now.passed - begun.passed;
    // Put right, or asleep meanwhile: then nobody here knows how long it was.
    const jumped = Math.abs(now.clock - begun.clock - passed) > JUMPED;
    const left = Math.ceil(seconds - (begun.before + passed) / 1000);
    const over = left <= 0;
    const shown = Math.max(0, left);
    return (
        <div role="timer" aria-live="off" className={`flex min-w-48 flex-col items-center justify-center border-2 px-6 py-3 ${over ? 'border-sound bg-sound-wash' : 'border-accent'}`}>
            <span className="text-5xl font-[650]">
                {Math.floor(shown / 60)}:{String(shown % 60).padStart(2, '0')}
            </span>
            <span className="text-soft">{WORDS[waitsFor][over ? 1 : 0]}</span>
            {jumped ? <span className="max-w-56 text-center text-sm text-fault">{say('test.clock_jumped')}</span> : null}
        </div>
    );
}
