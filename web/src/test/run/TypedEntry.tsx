import { useState } from 'react';

import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/Field';
import { useFigures } from '../../ui/quantity';
import { useTerms } from '../../ui/terms';
import { say } from '../../words/say';
import { standing, useTouch, type Sheet } from './sheet';

/** A measure that is read off and typed. */
export function TypedEntry({ sheet, measure, label, place = 1 }: { sheet: Sheet; measure: Schemas['Measure']; label?: string; place?: number }) {
    const terms = useTerms();
    const quantity = useFigures()(terms.figure(measure) ?? 'number');
    const touch = useTouch(sheet);
    const [value, setValue] = useState<number | null>(null);
    const reading = standing(sheet, measure, place);
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                if (value === null) return;
                void touch({ kind: 'reading', measure, value, unit: quantity.symbol, atLeast: false, place });
                setValue(null);
            }}
        >
            <div className="w-52">
                <NumberField label={label ?? terms.measure(measure)} unit={quantity.symbol} value={value} onValue={setValue} hint={reading ? say('test.noted', { value: quantity.text(reading.value) }) : undefined} />
            </div>
            <Button type="submit" disabled={value === null}>
                {say('test.note_it')}
            </Button>
        </form>
    );
}
