import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { dropRefused, flush, pending, refused, subscribe } from './outbox';

const RETRY_MS = 3_000;

/** Says what waits for the network, and keeps trying. */
export function Outbox() {
    const queries = useQueryClient();
    const [, redraw] = useState(0);
    useEffect(() => {
        const stop = subscribe(() => redraw((n) => n + 1));
        const timer = setInterval(() => {
            if (pending().length > 0) void flush().then((sent) => (sent > 0 ? queries.invalidateQueries({ queryKey: ['runs'] }) : undefined));
        }, RETRY_MS);
        return () => {
            stop();
            clearInterval(timer);
        };
    }, [queries]);
    const waiting = pending().length;
    const said = refused();
    if (waiting === 0 && said.length === 0) return null;
    return (
        <div className="mx-auto flex w-full max-w-[86rem] flex-col gap-2 px-4 pb-2" aria-live="polite">
            {waiting > 0 ? <Notice tone="caution">{waiting === 1 ? 'One entry waits' : `${waiting} entries wait`} for the network. Go on: they are kept here and sent by themselves.</Notice> : null}
            {said.map((each) => (
                <Notice key={each.id} tone="fault">
                    <p>
                        “{each.words}” was not taken: {each.message}
                    </p>
                    <Button tone="quiet" onClick={() => dropRefused(each.id)}>
                        Understood
                    </Button>
                </Notice>
            ))}
        </div>
    );
}
