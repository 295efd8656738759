import { useState } from 'react';

import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/Field';
import { useFigures } from '../../ui/quantity';
import { useTerms } from '../../ui/terms';
import { say } from '../../words/say';
import { usePending } from './pending';
import { standing, useTouch, type Sheet } from './sheet';
import { isUsual, Unusual } from './Unusual';

/** A measure that is read off and typed; going on notes it too. */
export function TypedEntry({ sheet, measure, label, place = 1, onNoted }: { sheet: Sheet; measure: Schemas['Measure']; label?: string; place?: number; onNoted?: () => void }) {
    const terms = useTerms();
    const quantity = useFigures()(terms.figure(measure) ?? 'number');
    const touch = useTouch(sheet);
    const [value, setValue] = useState<number | null>(null);
    const [asks, setAsks] = useState(false);
    const reading = standing(sheet, measure, place);
    const note = async () => {
        if (value === null) return;
        setValue(null);
        setAsks(false);
        await touch({ kind: 'reading', measure, value, unit: quantity.symbol, atLeast: false, place });
        onNoted?.();
    };
    const usual = value === null || isUsual(sheet, measure, quantity.store(value));
    const ask = () => {
        setAsks(true);
        return Promise.reject(new Error(say('test.look_at_what_was_typed')));
    };
    usePending(`${measure}/${place}`, value === null ? null : usual ? note : ask);
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void (usual ? note() : ask().catch(() => undefined));
            }}
        >
            <div className="w-52">
                <NumberField
                    label={label ?? terms.measure(measure)}
                    unit={quantity.symbol}
                    value={value}
                    onValue={(next) => {
                        setValue(next);
                        setAsks(false);
                    }}
                    hint={reading ? say('test.noted', { value: quantity.text(reading.value) }) : undefined}
                />
            </div>
            <Button type="submit" disabled={value === null}>
                {say('test.note_it')}
            </Button>
            {asks && value !== null ? <Unusual sheet={sheet} measure={measure} stored={quantity.store(value)} quantity={quantity} onTake={() => void note()} onChange={() => setAsks(false)} /> : null}
        </form>
    );
}
