import { useEffect, useState } from 'react';

import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { say } from '../words/say';
import type { usePartReader } from './usePartReader';

/** A part that is being read, or could not be. */
export function PartState({ state }: { state: ReturnType<typeof usePartReader>['state'] }) {
    if (state.kind === 'none') return null;
    return state.kind === 'failed' ? (
        <Fault error={state.error} />
    ) : (
        <p className="flex flex-wrap items-center gap-3 text-soft">
            <Waiting name={state.name} />
            <Button tone="quiet" onClick={() => state.stop.abort()}>{say('choose.cancel')}</Button>
        </p>
    );
}

/** How long it has been at it, once that is longer than one waits without a word. */
function Waiting({ name }: { name: string }) {
    const [seconds, setSeconds] = useState(0);
    useEffect(() => {
        const timer = setInterval(() => setSeconds((was) => was + 1), 1000);
        return () => clearInterval(timer);
    }, []);
    return (
        <span className="flex flex-wrap items-center gap-3">{say('choose.reading_for', { name, secondsIf: seconds > 0, seconds: (seconds > 0) ? seconds : '' })}
            {seconds > 0 ? <progress className="h-2 w-40" aria-label={say('choose.reading', { name })} /> : null}
        </span>
    );
}
