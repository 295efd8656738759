import { useState } from 'react';

import { Button } from '../../ui/Button';
import { ChoiceRow } from '../../ui/ChoiceRow';
import { NumberField, optionsOf, TextField } from '../../ui/Field';
import { duration } from '../../ui/quantity';
import { OUTCOME_WORDS } from '../../ui/words';
import { say, tell } from '../../words/say';
import { FailedParts } from './Marks';
import { usePending } from './pending';
import { standing, useTouch, type Sheet } from './sheet';

/** How the print ended, and where. */
export function OutcomeEntry({ sheet, onHeld }: { sheet: Sheet; /** There is nothing more to say here: the run goes on. */ onHeld: () => Promise<void> }) {
    const touch = useTouch(sheet);
    const { outcome, outcomeNote, printMinutes } = sheet.run;
    const [note, setNote] = useState(outcomeNote);
    return (
        <div className="flex max-w-2xl flex-col gap-3">
            <ChoiceRow label={say('test.how_did_the_print_end')} value={outcome} onValue={(next) => void touch({ kind: 'outcome', outcome: next, note }).then(() => (next === 'held' && outcome === null ? onHeld() : undefined))} options={optionsOf(OUTCOME_WORDS)} />
            {outcome === 'came_off' || outcome === 'lifted' ? <TextField label={say('test.at_which_layer_or_time')} maxLength={80} value={note} onValue={setNote} onBlur={() => note !== outcomeNote && touch({ kind: 'outcome', outcome, note })} /> : null}
            {outcome !== null && outcome !== 'held' && sheet.plate.places.length > 1 ? <FailedParts sheet={sheet} /> : null}
            {printMinutes === null && sheet.printAsked === null ? null : <PrintTime sheet={sheet} minutes={printMinutes} />}
        </div>
    );
}

/** The clock runs on until somebody says how the print ended; who says it late writes how long it really took. */
export function PrintTime({ sheet, minutes }: { sheet: Sheet; /** Null: the clock does not say it. */ minutes: number | null }) {
    const touch = useTouch(sheet);
    const [value, setValue] = useState<number | null>(null);
    const note = async () => {
        if (value === null) return;
        setValue(null);
        await touch({ kind: 'reading', measure: 'print_minutes', value, unit: 'min', atLeast: false, place: 1 });
    };
    usePending('print_minutes', value === null ? null : note);
    const took = standing(sheet, 'print_minutes') ? 'test.the_print_took' : 'test.the_print_took_by_the_clock';
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void note();
            }}
        >
            <p className="w-full">{minutes === null ? sheet.printAsked : tell(took, { minutes: duration(minutes), b: (words) => <strong>{words}</strong> })}</p>
            <div className="w-52">
                <NumberField label={minutes === null ? say('test.it_took') : say('test.it_took_less')} unit={say('unit.min')} value={value} onValue={setValue} />
            </div>
            <Button type="submit" disabled={value === null}>
                {say('test.note_it')}
            </Button>
        </form>
    );
}
