import { useState } from 'react';

import { api, ask, type Schemas } from '../../api/client';
import { useMay } from '../../api/queries';
import { ChoiceRow } from '../../ui/ChoiceRow';
import { useDraft, useKey } from '../../ui/draft';
import { DraftDialog } from '../../ui/DraftForm';
import { AreaField, CheckField, NumberField, optionsOf } from '../../ui/Field';
import { duration, useFigures } from '../../ui/quantity';
import { SeatStrip } from '../../ui/SeatStrip';
import { as, flag, number, optional, whole, words } from '../../ui/shape';
import { MarginNote } from '../../ui/Sheet';
import { useTerms } from '../../ui/terms';
import { EFFORT_WORDS, OUTCOME_WORDS } from '../../ui/words';
import { say } from '../../words/say';
import type { Reading, Sheet } from './sheet';

/** The seat, and what was noted so far. */
export function Noted({ sheet }: { sheet: Sheet }) {
    const terms = useTerms();
    const text = useReadingText();
    const may = useMay();
    const [amending, setAmending] = useState<Reading | null>(null);
    return (
        <>
            {sheet.strip ? (
                <MarginNote title={say('test.the_seat')}>
                    <SeatStrip strip={sheet.strip} label={sheet.setup.name} />
                </MarginNote>
            ) : null}
            <MarginNote title={say('test.noted_so_far')}>
                {sheet.readings.length === 0 ? <p>{say('test.nothing_yet')}</p> : null}
                <ul className="flex flex-col gap-2">
                    {sheet.readings.map((reading) => (
                        <li key={reading.id} className={reading.stands ? 'text-ink' : 'line-through'}>
                            <span className="flex items-baseline justify-between gap-2">
                                <span>
                                    {reading.measure === 'lift' && sheet.plate.places.length > 1 ? say('test.measure_of_part', { measure: terms.measure(reading.measure), part: reading.place }) : terms.measure(reading.measure)}: <strong>{text(reading)}</strong>
                                </span>
                                {reading.stands && may.test && sheet.run.status !== 'void' ? (
                                    <button className="min-h-11 px-1 text-accent underline underline-offset-4" onClick={() => setAmending(reading)} aria-label={say('test.amend', { measure: terms.measure(reading.measure) })}>
                                        {say('test.amend_2')}
                                    </button>
                                ) : null}
                            </span>
                            {reading.simulated ? <span className="block text-sm text-soft">{say('test.simulated_gauge_proves_nothing_outside_the')}</span> : null}
                            {reading.amendReason ? <span className="block text-sm text-soft">{reading.amendReason}</span> : null}
                        </li>
                    ))}
                </ul>
                <p className="text-sm">{say('test.nothing_is_deleted_an_amendment_leaves')}</p>
                {amending ? <Amend reading={amending} onDone={() => setAmending(null)} /> : null}
            </MarginNote>
        </>
    );
}

function useReadingText(): (reading: Reading) => string {
    const figure = useFigures();
    const terms = useTerms();
    return ({ measure, value, atLeast }) => {
        const kind = terms.figure(measure);
        if (kind) return say('test.reading_at_least', { atLeast, value: figure(kind).text(value) });
        if (measure === 'print_minutes') return duration(value);
        if (measure === 'effort') return EFFORT_WORDS[value]?.toLowerCase() ?? '';
        return terms.added(measure)?.levels[value] ?? say(value > 0.5 ? 'ui.yes' : 'ui.no');
    };
}

const SHAPE = whole({ value: number(), atLeast: flag(), reason: words(), outcome: optional(as<Schemas['Outcome']>()) });
type Values = { value: number | null; atLeast: boolean; reason: string; outcome?: Schemas['Outcome'] };

function Amend({ reading, onDone }: { reading: Reading; onDone: () => void }) {
    const terms = useTerms();
    const key = useKey();
    const draft = useDraft({
        start: (): Values => ({ value: reading.measure === 'held' ? null : reading.enteredValue, atLeast: reading.atLeast, reason: '' }),
        schema: SHAPE,
        send: (body) => ask(api.POST('/api/readings/{id}/amendments', { params: { path: { id: reading.id } }, body: { ...body, id: key, unit: reading.enteredUnit } })),
        touches: ['runs', 'comparisons'],
        after: onDone,
    });
    const { values, set, at } = draft;
    return (
        <DraftDialog draft={draft} send={say('test.amend_2')} title={say('test.amend_3', { measure: terms.measure(reading.measure) })} onDone={onDone}>
            {reading.measure === 'held' ? (
                <ChoiceRow label={say('test.how_did_the_print_end')} value={values.outcome ?? null} onValue={(outcome) => set({ outcome, value: outcome === 'held' ? 1 : 0 })} options={optionsOf(OUTCOME_WORDS)} />
            ) : (
                <NumberField label={say('test.right_value')} {...(reading.enteredUnit === '' ? {} : { unit: reading.enteredUnit })} {...at('value')} />
            )}
            {reading.measure === 'pull_hot' || reading.measure === 'pull_cold' ? <CheckField label={say('test.at_least_the_part_broke_or')} {...at('atLeast')} /> : null}
            <AreaField label={say('test.why')} {...at('reason')} required maxLength={300} />
        </DraftDialog>
    );
}
