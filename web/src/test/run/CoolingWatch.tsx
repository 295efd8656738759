import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';

import { api, ask, type Schemas } from '../../api/client';
import { coolingQuery, thermometersQuery, useChange } from '../../api/queries';
import { Button } from '../../ui/Button';
import { ChoiceRow } from '../../ui/ChoiceRow';
import { Fault, Notice } from '../../ui/Notice';
import { useQuantity } from '../../ui/quantity';
import { say } from '../../words/say';
import { TimeTrace } from '../TimeTrace';
import { standing, type Sheet } from './sheet';
import { TypedEntry } from './TypedEntry';

type Cooling = NonNullable<Schemas['CoolingOfRun']['cooling']>;

/** What the thermometer shows of a run, while it is watched. */
export function useCooling(sheet: Sheet): Cooling | null {
    const asks = (sheet.run.step === 'cool' || sheet.run.step === 'cold_pull') && sheet.run.status === 'running';
    const { data } = useQuery({ ...coolingQuery(sheet.run.id), enabled: asks });
    return asks ? (data?.cooling ?? null) : null;
}

/** Watched while it cools: the temperature at which the part lets go is caught by a touch, or by the gauge that pulls it off. */
export function CoolingEntry({ sheet }: { sheet: Sheet }) {
    // Out of reach, it is still typed in.
    const { data: shelf = [] } = useQuery(thermometersQuery);
    const cooling = useCooling(sheet);
    const [types, setTypes] = useState(false);
    const temperature = useQuantity('temperature');
    const reading = standing(sheet, 'release_temp');
    const inUse = shelf.filter((each) => !each.retired);
    const live = cooling?.state === 'waiting' || cooling?.state === 'watching';
    if (inUse.length === 0) return <TypedEntry sheet={sheet} measure="release_temp" />;
    return (
        <div className="flex flex-col gap-4">
            {reading ? (
                <p className="text-2xl font-[650]">
                    {say('test.came_off_at', { value: temperature.text(reading.value) })} <span className="text-base font-normal text-soft">{source(reading)}</span>
                </p>
            ) : null}
            {live ? <Watched cooling={cooling} taken={reading !== undefined} /> : <Begin sheet={sheet} thermometers={inUse} failed={cooling?.state === 'failed' ? cooling.message : null} again={cooling !== null} />}
            {types || !live ? (
                <TypedEntry sheet={sheet} measure="release_temp" />
            ) : (
                <Button tone="quiet" className="self-start" onClick={() => setTypes(true)}>
                    {say('test.type_the_reading_in')}
                </Button>
            )}
        </div>
    );
}

function Begin({ sheet, thermometers, failed, again }: { sheet: Sheet; thermometers: Schemas['Thermometer'][]; failed: string | null; again: boolean }) {
    const [chosen, setChosen] = useState(thermometers[0]?.id ?? '');
    const thermometer = thermometers.find((each) => each.id === chosen);
    const begin = useChange((id: string) => ask(api.POST('/api/runs/{id}/cooling', { params: { path: { id: sheet.run.id } }, body: { id, thermometerId: chosen } })), ['cooling']);
    return (
        <div className="flex flex-col gap-3">
            {failed ? <Notice tone="fault">{failed}</Notice> : null}
            {thermometers.length > 1 ? <ChoiceRow label={say('test.thermometer')} value={chosen} onValue={setChosen} options={thermometers.map((each) => ({ value: each.id, label: each.name }))} /> : null}
            <Button big tone={again ? 'plain' : 'main'} className="self-start" onClick={() => begin.mutate(v7())} disabled={begin.isPending || thermometer === undefined}>
                {again ? say('test.watch_it_again') : say('test.watch_it_cool')}
            </Button>
            {thermometer?.simulated ? <p className="text-sm text-soft">{say('test.thermometer_is_simulated', { thermometer: thermometer.name })}</p> : null}
            <Fault error={begin.error} />
        </div>
    );
}

function Watched({ cooling, taken }: { cooling: Cooling; taken: boolean }) {
    const temperature = useQuantity('temperature');
    const take = useChange(() => ask(api.POST('/api/coolings/{id}/reading', { params: { path: { id: cooling.id } } })), ['runs', 'cooling']);
    const hot = cooling.celsius !== null && cooling.releaseC !== null && cooling.celsius > cooling.releaseC;
    return (
        <div className="flex max-w-4xl flex-col gap-3" data-state={cooling.state}>
            <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
                <p className="text-6xl leading-none font-[650]">{cooling.celsius === null ? '–' : temperature.bare(cooling.celsius)}</p>
                <p className="text-soft">
                    {temperature.symbol}, {cooling.celsius === null ? say('test.waiting_for_the_thermometer') : hot ? say('test.still_hot') : cooling.releaseC === null ? say('test.on_the_plate') : say('test.cold_enough')}
                    {hot && cooling.secondsLeft !== null ? <span className="block">{say('test.cold_enough_in', { minutes: Math.max(1, Math.ceil(cooling.secondsLeft / 60)) })}</span> : null}
                </p>
                {taken ? null : (
                    <Button tone="main" big onClick={() => take.mutate(undefined)} disabled={take.isPending || cooling.celsius === null}>
                        {say('test.it_let_go_now')}
                    </Button>
                )}
            </div>
            <Curve cooling={cooling} />
            <Fault error={take.error} />
        </div>
    );
}

/** Beside the pull: what will be noted when the gauge pulls the part off. */
export function CoolingBeside({ sheet }: { sheet: Sheet }) {
    const cooling = useCooling(sheet);
    const temperature = useQuantity('temperature');
    if (cooling?.state !== 'watching' || cooling.celsius === null || standing(sheet, 'release_temp')) return null;
    return <p className="mb-3 text-lg">{say('test.thermometer_shows_and_will_be_noted', { shows: temperature.text(cooling.celsius) })}</p>;
}

function Curve({ cooling }: { cooling: Cooling }) {
    const temperature = useQuantity('temperature');
    const values = [...cooling.samples.map((each) => each[1] ?? 0), ...(cooling.releaseC === null ? [] : [cooling.releaseC])];
    return (
        <TimeTrace
            samples={cooling.samples}
            label={cooling.celsius === null ? say('test.waiting_for_the_thermometer') : say('test.curve_of_the_cooling', { now: temperature.text(cooling.celsius) })}
            quantity={temperature}
            range={[Math.min(...values, 25) - 3, Math.max(...values, 40) + 3]}
            seconds={30}
            limit={cooling.releaseC === null ? null : { at: cooling.releaseC, words: say('test.lets_go_from', { release: temperature.text(cooling.releaseC) }) }}
            mark={null}
        />
    );
}

function source(reading: Sheet['readings'][number]): string {
    if (reading.source !== 'thermometer') return say('test.taken_by_hand');
    return reading.simulated ? say('test.taken_from_the_simulated_thermometer') : say('test.taken_from_the_thermometer');
}
