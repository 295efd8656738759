import { useQueryClient, useSuspenseQuery } from '@tanstack/react-query';

import type { Schemas } from '../../api/client';
import { runQuery } from '../../api/queries';
import { post, useOutbox, type Command, type Entry } from '../../shell/outbox';
import { useFigures } from '../../ui/quantity';
import { useTerms } from '../../ui/terms';
import { say } from '../../words/say';

export type Sheet = Schemas['RunSheet'];
export type Reading = Sheet['readings'][number];

/** The sheet as the server has it, with what was touched since and waits to be sent. */
export function useRunSheet(id: string): { sheet: Sheet; /** What ends the run, and waits itself. */ end: Entry | null; /** When the server answered last, by its clock. */ asOf: string } {
    const { data } = useSuspenseQuery(runQuery(id));
    const figure = useFigures();
    const terms = useTerms();
    const mine = useOutbox().waiting.filter((entry) => entry.runId === id);
    const stored = (measure: Schemas['Measure'], value: number) => {
        const name = terms.figure(measure);
        return name ? figure(name).store(value) : value;
    };
    return { sheet: mine.reduce((sheet, entry) => touched(sheet, entry, stored), data), end: mine.find(({ command }) => command.kind === 'finish' || command.kind === 'void') ?? null, asOf: data.serverTime };
}

function touched(sheet: Sheet, { id, command, touchedAt }: Entry, stored: (measure: Schemas['Measure'], value: number) => number): Sheet {
    const { run } = sheet;
    switch (command.kind) {
        case 'step':
            // Both by the clock of this device: what lies between them is right, however it is set.
            return { ...sheet, serverTime: new Date().toISOString(), run: { ...run, status: 'running', step: command.step, stepBeganAt: new Date(touchedAt).toISOString() } };
        case 'outcome':
            return {
                ...sheet,
                steps: sheet.stepsByOutcome[command.outcome],
                missing: sheet.missingByOutcome[command.outcome].filter((measure) => !sheet.readings.some((each) => each.stands && each.measure === measure)),
                run: { ...run, outcome: command.outcome, outcomeNote: command.note },
            };
        case 'reading': {
            if (sheet.readings.some((each) => each.id === id)) return sheet;
            const { measure, value, unit, atLeast, place } = command;
            // What it comes to is the server's to say.
            if (command.againstHeight !== undefined) return { ...sheet, missing: sheet.missing.filter((each) => each !== measure) };
            const reading: Reading = { id, measure, value: stored(measure, value), atLeast, enteredValue: value, enteredUnit: unit, place, source: 'typed', simulated: false, enteredBy: '', at: new Date(touchedAt).toISOString(), amends: null, amendReason: '', stands: true };
            return { ...sheet, readings: [...sheet.readings, reading], missing: sheet.missing.filter((each) => each !== measure) };
        }
        case 'mark':
            return sheet.marks.some((each) => each.id === id) ? sheet : { ...sheet, marks: [...sheet.marks, { id, kind: command.mark, x: command.x, y: command.y, place: command.place, markedBy: '' }] };
        default:
            return sheet;
    }
}

/** Takes what is touched: kept at once, and sent as soon as the network is there. */
export function useTouch(sheet: Sheet): (command: Command) => Promise<void> {
    const queries = useQueryClient();
    const words = say('test.run_setup', { position: sheet.run.position, setup: sheet.setup.label });
    return (command) => {
        const rests = queries.getQueryData(runQuery(sheet.run.id).queryKey) ?? sheet;
        return post(rests.run, words, command);
    };
}

export function standing(sheet: Sheet, measure: Schemas['Measure'], place = 1): Reading | undefined {
    return sheet.readings.findLast((reading) => reading.measure === measure && reading.place === place && reading.stands);
}

/** Steps by their words; without a gauge the part is taken off rather than pulled. */
export function useStepWord(sheet: Sheet): (step: Schemas['Step']) => string {
    const terms = useTerms();
    const byHand = !sheet.comparison.measures.includes('pull');
    return (step) => (step === 'cold_pull' && byHand ? say('test.take_the_part_off') : step === 'hot_pull' && byHand ? say('test.take_it_off_hot') : terms.step(step));
}
