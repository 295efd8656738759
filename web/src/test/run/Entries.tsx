import { Inspection } from './Inspection';
import { OutcomeEntry } from './OutcomeEntry';
import { PullEntry } from './PullEntry';
import type { Sheet } from './sheet';
import { TypedEntry } from './TypedEntry';

/** What is entered at the step where the run is. */
export function Entries({ sheet }: { sheet: Sheet }) {
    switch (sheet.run.step) {
        case 'first_layer':
            return <OutcomeEntry sheet={sheet} />;
        case 'hot_pull':
        case 'cold_pull':
            return sheet.comparison.measures.includes('pull') ? <PullEntry sheet={sheet} /> : null;
        case 'cool':
            return <TypedEntry sheet={sheet} measure="release_temp" />;
        case 'inspect':
            return <Inspection sheet={sheet} />;
        default:
            return null;
    }
}
