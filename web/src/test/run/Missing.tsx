import { useState } from 'react';

import { api, ask, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { useDraft } from '../../ui/draft';
import { DraftDialog } from '../../ui/DraftForm';
import { AreaField } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { whole, words } from '../../ui/shape';
import { useTerms } from '../../ui/terms';
import { say } from '../../words/say';
import type { Sheet } from './sheet';

/** What the plan wants and nobody has said: entered at its step, or marked here with the reason. */
export function Missing({ sheet }: { sheet: Sheet }) {
    const terms = useTerms();
    const [measure, setMeasure] = useState<Schemas['Measure'] | null>(null);
    return (
        <Notice>
            <p className="mb-2">{say('test.the_plan_wants_these_and_nobody')}</p>
            <div className="flex flex-wrap gap-2">
                {sheet.missing
                    .filter((each) => each !== 'held')
                    .map((each) => (
                        <Button key={each} onClick={() => setMeasure(each)}>
                            {say('test.not_taken', { each: terms.measure(each) })}
                        </Button>
                    ))}
            </div>
            {measure ? <NotTaken sheet={sheet} measure={measure} onDone={() => setMeasure(null)} /> : null}
        </Notice>
    );
}

const SHAPE = whole({ reason: words() });

function NotTaken({ sheet, measure, onDone }: { sheet: Sheet; measure: Schemas['Measure']; onDone: () => void }) {
    const terms = useTerms();
    const draft = useDraft({
        start: () => ({ reason: '' }),
        schema: SHAPE,
        row: sheet.run,
        send: (body, version) => ask(api.POST('/api/runs/{id}/not-taken', { params: { path: { id: sheet.run.id } }, body: { ...body, measure, version } })),
        read: () => ({ reason: '' }),
        touches: ['runs'],
        after: onDone,
    });
    return (
        <DraftDialog draft={draft} send={say('test.mark_it')} title={say('test.not_taken_2', { measure: terms.measure(measure) })} onDone={onDone}>
            <AreaField label={say('test.why_it_was_not_taken')} {...draft.at('reason')} required maxLength={300} />
        </DraftDialog>
    );
}
