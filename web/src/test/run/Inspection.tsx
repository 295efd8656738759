import { ChoiceRow } from '../../ui/ChoiceRow';
import { EFFORT_WORDS } from '../../ui/words';
import { say } from '../../words/say';
import { LiftEntry } from './LiftEntry';
import { HarmedPlaces } from './Marks';
import { Photos } from './Photos';
import { standing, useTouch, type Sheet } from './sheet';

/** What part and plate show. */
export function Inspection({ sheet }: { sheet: Sheet }) {
    const touch = useTouch(sheet);
    const effort = standing(sheet, 'effort');
    const damage = standing(sheet, 'damage');
    const note = (measure: 'effort' | 'damage', value: string) => touch({ kind: 'reading', measure, value: Number(value), unit: '', atLeast: false, place: 1 });
    return (
        <div className="flex flex-col gap-5">
            {sheet.run.pull === 'cold' || sheet.setup.takenHot || 'pull_hot' in sheet.run.notTaken ? (
                <ChoiceRow label={say('test.how_hard_was_it_to_take')} value={effort ? String(effort.value) : null} onValue={(value) => note('effort', value)} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} />
            ) : null}
            <ChoiceRow
                label={say('test.is_the_plate_damaged')}
                value={damage ? String(damage.value) : null}
                onValue={(value) => note('damage', value)}
                options={[
                    { value: '0', label: say('test.no') },
                    { value: '1', label: say('test.marked_torn_or_chipped') },
                ]}
            />
            <HarmedPlaces sheet={sheet} />
            {sheet.steps.includes('wash') ? null : <LiftEntry sheet={sheet} />}
            <Photos sheet={sheet} />
        </div>
    );
}
