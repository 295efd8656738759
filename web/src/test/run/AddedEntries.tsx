import { ChoiceRow } from '../../ui/ChoiceRow';
import { useTerms, type AddedMeasure } from '../../ui/terms';
import { say } from '../../words/say';
import { standing, useTouch, type Sheet } from './sheet';
import { TypedEntry } from './TypedEntry';

/** What a shop notes at this step beyond what every shop does. */
export function AddedEntries({ sheet }: { sheet: Sheet }) {
    const mine = useTerms().measures.filter((measure) => measure.step === sheet.run.step);
    if (mine.length === 0) return null;
    const noted = mine.filter((measure) => standing(sheet, measure.key)).length;
    return (
        <details className="mt-5">
            <summary className="flex min-h-11 cursor-pointer items-center font-[650] text-accent underline underline-offset-4">{say('test.more_to_note', { noted })}</summary>
            <div className="flex flex-col gap-4">
            {mine.map((measure) => (measure.scale === 'continuous' ? <TypedEntry key={measure.key} sheet={sheet} measure={measure.key} /> : <Levels key={measure.key} sheet={sheet} measure={measure} />))}
            </div>
        </details>
    );
}

function Levels({ sheet, measure }: { sheet: Sheet; measure: AddedMeasure }) {
    const touch = useTouch(sheet);
    const words = useTerms().measure(measure.key);
    const reading = standing(sheet, measure.key);
    const levels = measure.scale === 'yes_no' ? [say('ui.no'), say('ui.yes')] : measure.levels;
    return (
        <ChoiceRow
            label={words}
            value={reading ? String(reading.value) : null}
            onValue={(value) => void touch({ kind: 'reading', measure: measure.key, value: Number(value), unit: measure.unit, atLeast: false, place: 1 })}
            options={levels.map((label, i) => ({ value: String(i), label }))}
        />
    );
}
