import { useSuspenseQuery } from '@tanstack/react-query';
import { Suspense, useState } from 'react';

import type { Schemas } from '../api/client';
import { pairQuery, useMay } from '../api/queries';
import { FactForm } from '../choose/FactForm';
import { Button } from '../ui/Button';
import { say } from '../words/say';

type Ladder = NonNullable<Schemas['Judgement']['ladder']>;
type Window = NonNullable<Ladder['window']>;

/** What a ladder says of the window, and the way to hold it true here. */
export function LadderSays({ ladder, title }: { ladder: Ladder; title: string }) {
    const may = useMay();
    const [holds, setHolds] = useState(false);
    return (
        <section className="mb-5 border-l-4 border-brass bg-brass-wash px-5 py-3" aria-label={say('judge.the_ladder')}>
            <p className="text-sm font-[650]">{say('judge.the_ladder')}</p>
            {ladder.sentences.map((sentence, i) => (
                <p key={sentence} className={i < 2 ? 'text-lg font-[650]' : ''}>
                    {sentence}
                </p>
            ))}
            {ladder.window && may.test ? (
                <Button className="mt-2" onClick={() => setHolds(true)}>
                    {say('judge.hold_this_window_true_here')}
                </Button>
            ) : null}
            {holds && ladder.window ? (
                <Suspense>
                    <OwnWindow window={ladder.window} title={title} onDone={() => setHolds(false)} />
                </Suspense>
            ) : null}
        </section>
    );
}

function OwnWindow({ window, title, onDone }: { window: Window; title: string; onDone: () => void }) {
    const { materialId, surfaceId, agentKindId } = window;
    const { data: pair } = useSuspenseQuery(pairQuery(materialId, surfaceId));
    return <FactForm title={say('judge.own_window')} materialId={materialId} surfaceId={surfaceId} pair={pair} start={{ agentKindId: agentKindId ?? '', window: window.window, why: say('judge.by_the_ladder', { title }) }} onDone={onDone} />;
}
