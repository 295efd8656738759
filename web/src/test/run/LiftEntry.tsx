import { useState } from 'react';

import { Button } from '../../ui/Button';
import { ChoiceRow } from '../../ui/ChoiceRow';
import { NumberField } from '../../ui/Field';
import { useFigures } from '../../ui/quantity';
import { say } from '../../words/say';
import { usePending } from './pending';
import { standing, useTouch, type Sheet } from './sheet';
import { TypedEntry } from './TypedEntry';

/** The lift of both ends: the gap under them, or by calliper against the middle of the part. */
export function LiftEntry({ sheet }: { sheet: Sheet }) {
    return sheet.plate.places.length > 1 ? <LiftOfParts sheet={sheet} /> : <LiftOfEnds sheet={sheet} />;
}

/** On a full plate: the worst lift of each part, one after the other. */
function LiftOfParts({ sheet }: { sheet: Sheet }) {
    const length = useFigures()('length');
    const parts = sheet.plate.places.map((each) => each.place);
    const open = parts.find((part) => standing(sheet, 'lift', part) === undefined);
    const [chosen, setChosen] = useState<number | null>(null);
    const part = chosen ?? open ?? 1;
    return (
        <div className="flex flex-col gap-3">
            <ChoiceRow
                label={say('test.lift_of_which_part')}
                value={String(part)}
                onValue={(value) => setChosen(Number(value))}
                options={parts.map((each) => {
                    const reading = standing(sheet, 'lift', each);
                    return { value: String(each), label: reading ? say('test.part_lifted', { part: each, lift: length.text(reading.value) }) : String(each) };
                })}
            />
            <TypedEntry key={part} sheet={sheet} measure="lift" label={say('test.worst_lift_of_part', { part })} place={part} onNoted={() => setChosen(null)} />
        </div>
    );
}

function LiftOfEnds({ sheet }: { sheet: Sheet }) {
    const [by, setBy] = useState<'gap' | 'calliper'>('gap');
    return (
        <div className="flex flex-col gap-3">
            <ChoiceRow
                label={say('test.how_is_the_lift_read')}
                value={by}
                onValue={setBy}
                options={[
                    { value: 'gap', label: say('test.gap_under_the_ends') },
                    { value: 'calliper', label: say('test.by_calliper') },
                ]}
            />
            {by === 'calliper' ? (
                <ByCalliper sheet={sheet} />
            ) : (
                <div className="flex flex-wrap gap-x-8 gap-y-4">
                    <TypedEntry sheet={sheet} measure="lift" label={say('test.lift_at_one_end')} />
                    <TypedEntry sheet={sheet} measure="lift" label={say('test.lift_at_the_other_end')} place={2} />
                </div>
            )}
        </div>
    );
}

function ByCalliper({ sheet }: { sheet: Sheet }) {
    const touch = useTouch(sheet);
    const length = useFigures()('length');
    const [middle, setMiddle] = useState<number | null>(null);
    const [one, setOne] = useState<number | null>(null);
    const [other, setOther] = useState<number | null>(null);
    const ready = middle !== null && (one !== null || other !== null);
    const note = async () => {
        if (middle === null) return;
        for (const [place, end] of [[1, one], [2, other]] as const) {
            if (end !== null) await touch({ kind: 'reading', measure: 'lift', value: end, againstHeight: middle, unit: length.symbol, atLeast: false, place });
        }
        setOne(null);
        setOther(null);
    };
    usePending('lift/calliper', ready ? note : null);
    const noted = (place: number) => {
        const reading = standing(sheet, 'lift', place);
        return reading ? say('test.lift_noted', { value: length.text(reading.value) }) : undefined;
    };
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void note();
            }}
        >
            <div className="w-44">
                <NumberField label={say('test.height_in_the_middle')} unit={length.symbol} value={middle} onValue={setMiddle} />
            </div>
            <div className="w-44">
                <NumberField label={say('test.height_at_one_end')} unit={length.symbol} value={one} onValue={setOne} hint={noted(1)} />
            </div>
            <div className="w-44">
                <NumberField label={say('test.height_at_the_other_end')} unit={length.symbol} value={other} onValue={setOther} hint={noted(2)} />
            </div>
            <Button type="submit" disabled={!ready}>
                {say('test.note_it')}
            </Button>
        </form>
    );
}
