import { useEffect, useState } from 'react';

import { say } from '../words/say';

/** Counts a step down from the moment it began, by the server's clock; then says that it is over. */
export function Timer({ seconds, since, serverTime, cools }: { seconds: number; since: string; serverTime: string; /** By the sum: whoever pulls feels or measures it first. */ cools: boolean }) {
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
            <span className="text-soft">{cools ? (over ? say('test.cool_by_the_sum') : say('test.to_cool')) : over ? say('test.soaked_go_on') : say('test.to_soak')}</span>
        </div>
    );
}
