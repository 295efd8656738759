import { useState } from 'react';

import { Button } from '../../ui/Button';
import { CheckField, NumberField } from '../../ui/Field';
import { useQuantity } from '../../ui/quantity';
import { say } from '../../words/say';
import { GaugePull } from '../GaugePull';
import { usePending } from './pending';
import { standing, useTouch, type Reading, type Sheet } from './sheet';
import { isUsual, Unusual } from './Unusual';

/** Who asks for a field wants to type in it. */
const intoItsField = (form: HTMLFormElement | null) => form?.querySelector('input')?.focus();

/** The pull of this run, by the gauge or typed. */
export function PullEntry({ sheet, begins, onTaken }: { sheet: Sheet; /** The gauge is asked at once. */ begins: boolean; onTaken: () => Promise<void> }) {
    const measure = sheet.run.pull === 'hot' ? 'pull_hot' : 'pull_cold';
    const force = useQuantity('force');
    const touch = useTouch(sheet);
    const [byHand, setByHand] = useState(false);
    const [value, setValue] = useState<number | null>(null);
    const [atLeast, setAtLeast] = useState(false);
    const [asks, setAsks] = useState(false);
    const reading = standing(sheet, measure);
    const note = (typed: number) => {
        setByHand(false);
        setAsks(false);
        return touch({ kind: 'reading', measure, value: typed, unit: force.symbol, atLeast, place: 1 });
    };
    const take = (typed: number) => void note(typed).then(onTaken);
    const ask = () => {
        setAsks(true);
        return Promise.reject(new Error(say('test.look_at_what_was_typed')));
    };
    usePending(measure, byHand && value !== null ? () => (isUsual(sheet, measure, force.store(value)) ? note(value) : ask()) : null);
    return (
        <div className="flex flex-col gap-4">
            {reading ? (
                <p className="text-2xl font-[650]">
                    {say('test.reading_at_least', { atLeast: reading.atLeast, value: force.text(reading.value) })} <span className="text-base font-normal text-soft">{source(reading)}</span>
                </p>
            ) : null}
            <GaugePull runId={sheet.run.id} again={reading !== undefined} begins={begins && reading === undefined} onTaken={onTaken} limitN={sheet.comparison.pullLimitN} atLeast={sheet.run.pull === 'hot' && !sheet.setup.takenHot} />
            {byHand ? (
                <form
                    ref={intoItsField}
                    className="flex flex-wrap items-end gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (value === null) return;
                        if (isUsual(sheet, measure, force.store(value))) take(value);
                        else setAsks(true);
                    }}
                >
                    <div className="w-44">
                        <NumberField
                            label={say('test.peak_of_the_pull')}
                            unit={force.symbol}
                            value={value}
                            onValue={(next) => {
                                setValue(next);
                                setAsks(false);
                            }}
                        />
                    </div>
                    <CheckField label={say('test.at_least_the_part_broke_or')} checked={atLeast} onValue={setAtLeast} />
                    <Button type="submit" disabled={value === null}>
                        {say('test.take_it')}
                    </Button>
                    {asks && value !== null ? <Unusual sheet={sheet} measure={measure} stored={force.store(value)} quantity={force} onTake={() => take(value)} onChange={() => setAsks(false)} /> : null}
                </form>
            ) : (
                <Button tone="quiet" className="self-start" onClick={() => setByHand(true)}>
                    {say('test.type_the_reading_in')}
                </Button>
            )}
        </div>
    );
}

function source(reading: Reading): string {
    if (reading.source !== 'gauge') return say('test.taken_by_hand');
    return reading.simulated ? say('test.taken_from_the_simulated_gauge') : say('test.taken_from_the_gauge');
}
