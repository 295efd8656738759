import { useEffect, useState } from 'react';

import { say } from '../words/say';

/** While it counts, and when it is over; of cooling by the sum: whoever pulls feels or measures it first. */
const WORDS: Record<'soak' | 'cool' | 'look', [string, string]> = {
    soak: [say('test.to_soak'), say('test.soaked_go_on')],
    cool: [say('test.to_cool'), say('test.cool_by_the_sum')],
    look: [say('test.to_look_again'), say('test.look_again_now')],
};

/** Counts a step down from the moment it began, by the server's clock; then says that it is over. */
export function Timer({ seconds, since, serverTime, waitsFor }: { seconds: number; since: string; serverTime: string; waitsFor: 'soak' | 'cool' | 'look' }) {
    const [offset] = useState(() => new Date(serverTime).getTime() - Date.now());
    const [now, setNow] = useState(() => Date.now());
    useEffect(() => {
        const timer = setInterval(() => setNow(Date.now()), 500);
        return () => clearInterval(timer);
    }, []);
    const left = Math.ceil(seconds - (now + offset - new Date(since).getTime()) / 1000);
    const over = left <= 0;
    const shown = Math.max(0, left);
    return (
        <div role="timer" aria-live="off" className={`flex min-w-48 flex-col items-center justify-center border-2 px-6 py-3 ${over ? 'border-sound bg-sound-wash' : 'border-accent'}`}>
            <span className="text-5xl font-[650]">
                {Math.floor(shown / 60)}:{String(shown % 60).padStart(2, '0')}
            </span>
            <span className="text-soft">{WORDS[waitsFor][over ? 1 : 0]}</span>
        </div>
    );
}
