import { CoolingBeside, CoolingEntry } from './CoolingWatch';
import { FileCheck } from './FileCheck';
import { Inspection } from './Inspection';
import { OutcomeEntry, PrintTime } from './OutcomeEntry';
import { PullEntry } from './PullEntry';
import type { Sheet } from './sheet';

/** What is entered at the step where the run is. */
export function Entries({ sheet, arrived, onNext }: { sheet: Sheet; /** Somebody has just come to this step. */ arrived: boolean; onNext: () => Promise<void> }) {
    switch (sheet.run.step) {
        case 'print':
            return sheet.steps.includes('heat_and_soak') ? <FileCheck sheet={sheet} /> : null;
        case 'first_layer':
            return <OutcomeEntry sheet={sheet} onHeld={onNext} />;
        case 'hot_pull':
        case 'cold_pull':
            return (
                <>
                    {sheet.run.step === 'cold_pull' ? <CoolingBeside sheet={sheet} /> : null}
                    {sheet.comparison.measures.includes('pull') ? <PullEntry key={sheet.run.step} sheet={sheet} begins={arrived} onTaken={onNext} /> : null}
                    {sheet.run.step === 'hot_pull' || !sheet.steps.includes('cool') ? <LatePrintTime sheet={sheet} /> : null}
                </>
            );
        case 'cool':
            return (
                <>
                    <CoolingEntry sheet={sheet} />
                    <LatePrintTime sheet={sheet} />
                </>
            );
        case 'inspect':
            return <Inspection sheet={sheet} />;
        default:
            return null;
    }
}

/** Who said late that it held says here how long the print really took. */
function LatePrintTime({ sheet }: { sheet: Sheet }) {
    return sheet.run.printMinutes === null && sheet.printAsked === null ? null : (
        <div className="mt-5 max-w-2xl">
            <PrintTime sheet={sheet} minutes={sheet.run.printMinutes} />
        </div>
    );
}
