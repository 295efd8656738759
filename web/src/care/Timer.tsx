import { useEffect, useState } from 'react';

import { Button } from '../ui/Button';
import { say } from '../words/say';

/** Counts a step down; it goes by the clock, so that a sleeping tablet does not stop it. */
export function Timer({ minutes }: { minutes: number }) {
    const [ends, setEnds] = useState<number | null>(null);
    const [now, setNow] = useState(() => Date.now());
    useEffect(() => {
        if (ends === null) return;
        const tick = setInterval(() => setNow(Date.now()), 250);
        return () => clearInterval(tick);
    }, [ends]);
    const left = ends === null ? minutes * 60 : Math.max(0, Math.ceil((ends - now) / 1000));
    return (
        <span className="flex items-center gap-3">
            <span role="timer" className={`text-3xl font-[650] ${left === 0 ? 'text-sound' : ''}`}>
                {say('care.clock', { minutes: Math.floor(left / 60), seconds: String(left % 60).padStart(2, '0') })}
            </span>
            <Button
                onClick={() => {
                    setNow(Date.now());
                    setEnds(ends === null ? Date.now() + minutes * 60_000 : null);
                }}
            >
                {ends === null ? say('care.start_timer') : say('care.reset_timer')}
            </Button>
        </span>
    );
}
