import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';

import { api, ask, type Schemas } from '../api/client';
import { gaugesQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Fault, Notice } from '../ui/Notice';
import { useQuantity } from '../ui/quantity';
import { say } from '../words/say';
import { TimeTrace } from './TimeTrace';

const POLL_MS = 250;

/** A pull on the gauge: watched live, its peak taken over as the reading. */
export function GaugePull({ runId, again, begins, onTaken, limitN, atLeast }: { runId: string; again: boolean; /** At once, where one gauge is at hand. */ begins: boolean; onTaken: () => Promise<void>; limitN: number | null; /** The limit is to be reached; else it is not to be passed. */ atLeast: boolean }) {
    const queries = useQueryClient();
    const force = useQuantity('force');
    const { data: shelf } = useQuery(gaugesQuery);
    const gauges = shelf?.filter((gauge) => !gauge.retired) ?? [];
    const [picked, setPicked] = useState<string | null>(null);
    const gaugeId = picked ?? gauges[0]?.id ?? null;
    const gauge = gauges.find((each) => each.id === gaugeId);
    const [captureId, setCaptureId] = useState<string | null>(null);
    const begin = useChange((id: string) => ask(api.POST('/api/runs/{id}/captures', { params: { path: { id: runId } }, body: { id, gaugeId } })), [], (capture) => setCaptureId(capture.id));
    const { data: capture } = useQuery({
        queryKey: ['captures', captureId],
        queryFn: () => ask(api.GET('/api/captures/{id}', { params: { path: { id: captureId ?? '' } } })),
        enabled: captureId !== null,
        staleTime: 0,
        refetchInterval: (query) => (query.state.data?.state === 'ended' || query.state.data?.state === 'failed' ? false : POLL_MS),
    });
    const [readingId, setReadingId] = useState(() => v7());
    const take = useChange(
        (partBroke: boolean) => ask(api.POST('/api/captures/{id}/reading', { params: { path: { id: captureId ?? '' } }, body: { id: readingId, partBroke } })),
        ['runs'],
        () => {
            setCaptureId(null);
            setReadingId(v7());
            queries.removeQueries({ queryKey: ['captures'] });
            void onTaken();
        },
    );
    const asked = useRef(false);
    const { mutate: askTheGauge } = begin;
    const one = gauges.length === 1;
    useEffect(() => {
        if (!begins || !one || asked.current) return;
        asked.current = true;
        askTheGauge(v7());
    }, [begins, one, askTheGauge]);
    // Out of reach, it is still typed in.
    if (shelf === undefined) return null;
    if (gauge === undefined) {
        return <p className="text-soft">{say('test.no_gauge_is_on_the_shelf')}</p>;
    }
    if (captureId === null || !capture) {
        return (
            <div className="flex flex-col gap-3">
                {gauges.length > 1 ? <ChoiceRow label={say('test.gauge')} value={gauge.id} onValue={setPicked} options={gauges.map((each) => ({ value: each.id, label: each.name }))} /> : null}
                <Button tone={again ? 'plain' : 'main'} big className="self-start" onClick={() => begin.mutate(v7())} disabled={begin.isPending || captureId !== null}>
                    {again ? say('test.pull_again_with_the_gauge') : say('test.pull_with_the_gauge')}
                </Button>
                {gauge.simulated ? <p className="text-sm text-soft">{say('test.is_simulated_what_it_says_proves', { gauge: gauge.name })}</p> : null}
                <Fault error={begin.error} />
            </div>
        );
    }
    const ended = capture.state === 'ended';
    return (
        <div className="flex max-w-4xl flex-col gap-3" data-state={capture.state}>
            {capture.state === 'failed' ? (
                <Notice tone="fault">
                    <p>{capture.message}</p>
                    <Button onClick={() => setCaptureId(null)}>{say('test.understood')}</Button>
                </Notice>
            ) : (
                <>
                    <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
                        <p className="text-6xl leading-none font-[650]">{capture.peakN === null ? '–' : force.bare(capture.peakN)}</p>
                        <p className="text-soft">
                            {force.symbol}, {ended ? say('test.peak') : capture.state === 'waiting' ? say('test.waiting_for_the_gauge') : say('test.pull_now_slowly_and_level')}
                        </p>
                        {ended ? (
                            <div className="flex flex-col gap-2">
                                <p className="font-[650]">{say('test.what_let_go')}</p>
                                <div className="flex flex-wrap gap-2">
                                    <Button tone="main" big onClick={() => take.mutate(false)} disabled={take.isPending}>{say('test.the_part_came_off_the_plate')}</Button>
                                    <Button big onClick={() => take.mutate(true)} disabled={take.isPending}>{say('test.the_part_broke_at_least_this')}</Button>
                                    <Button big tone="quiet" onClick={() => setCaptureId(null)}>{say('test.pull_again')}</Button>
                                </div>
                            </div>
                        ) : null}
                    </div>
                    <Trace capture={capture} limitN={limitN} atLeast={atLeast} />
                    {ended && capture.onsetMilliseconds !== null && capture.riseNPerS !== null ? <p className="text-sm text-soft">{say('test.onset_and_rise', { onset: capture.onsetMilliseconds / 1000, rise: force.text(capture.riseNPerS) })}</p> : null}
                    {capture.toppedOut ? <Notice tone="caution">{say('test.the_gauge_topped_out_the_reading')}</Notice> : null}
                    <Fault error={take.error} />
                </>
            )}
        </div>
    );
}

function Trace({ capture, limitN, atLeast }: { capture: Schemas['Capture']; limitN: number | null; atLeast: boolean }) {
    const force = useQuantity('force');
    return (
        <TimeTrace
            samples={capture.samples}
            label={capture.peakN === null ? say('test.no_force_yet') : say('test.trace_of_the_pull_peak', { peakN: force.text(capture.peakN) })}
            quantity={force}
            range={[0, Math.max(20, (capture.peakN ?? 0) * 1.15, (limitN ?? 0) * 1.3)]}
            seconds={2.5}
            limit={limitN === null ? null : { at: limitN, words: atLeast ? say('test.limit_at_least', { limit: force.text(limitN) }) : say('test.limit_at_most', { limit: force.text(limitN) }) }}
            mark={capture.peakN}
        />
    );
}
