import { useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask } from '../../api/client';
import { useChange } from '../../api/queries';
import { Button } from '../../ui/Button';
import { useDraft } from '../../ui/draft';
import { DraftDialog } from '../../ui/DraftForm';
import { AreaField } from '../../ui/Field';
import { Fault } from '../../ui/Notice';
import { whole, words } from '../../ui/shape';
import { say } from '../../words/say';
import { useTouch, type Sheet } from './sheet';

const SHAPE = whole({ reason: words() });

/** Ends by hand that this run keeps its printer. */
export function FreePrinter({ sheet }: { sheet: Sheet }) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button tone="quiet" onClick={() => setOpen(true)}>
                {say('test.free', { printer: sheet.comparison.printerName })}
            </Button>
            {open ? <FreeIt sheet={sheet} onDone={() => setOpen(false)} /> : null}
        </>
    );
}

function FreeIt({ sheet, onDone }: { sheet: Sheet; onDone: () => void }) {
    const draft = useDraft({
        start: () => ({ reason: '' }),
        schema: SHAPE,
        row: sheet.run,
        send: (body, version) => ask(api.POST('/api/runs/{id}/leave-printer', { params: { path: { id: sheet.run.id } }, body: { ...body, version } })),
        read: () => ({ reason: '' }),
        touches: ['runs'],
        after: onDone,
    });
    return (
        <DraftDialog draft={draft} send={say('test.free_it')} title={say('test.free', { printer: sheet.comparison.printerName })} onDone={onDone}>
            <p>{say('test.this_run_holds_the_printer_from')}</p>
            <AreaField label={say('test.why')} {...draft.at('reason')} required maxLength={300} />
        </DraftDialog>
    );
}

/** Goes on with a run that was finished too soon. */
export function TakeBack({ id, words }: { id: string; words: string }) {
    const navigate = useNavigate();
    const back = useChange(
        async () => {
            const { run } = await ask(api.GET('/api/runs/{id}', { params: { path: { id } } }));
            return ask(api.POST('/api/runs/{id}/take-back', { params: { path: { id } }, body: { version: run.version } }));
        },
        ['runs', 'comparisons', 'care'],
        () => void navigate({ to: '/runs/$id', params: { id } }),
    );
    return (
        <>
            <Button disabled={back.isPending} onClick={() => back.mutate(undefined)}>
                {words}
            </Button>
            <Fault error={back.error} />
        </>
    );
}

/** What spoiled a run makes it void; it waits for the network like every other touch. */
export function VoidRun({ sheet }: { sheet: Sheet }) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button tone="danger" onClick={() => setOpen(true)}>
                {say('test.void_this_run')}
            </Button>
            {open ? <VoidIt sheet={sheet} onDone={() => setOpen(false)} /> : null}
        </>
    );
}

function VoidIt({ sheet, onDone }: { sheet: Sheet; onDone: () => void }) {
    const touch = useTouch(sheet);
    const draft = useDraft({
        start: () => ({ reason: '' }),
        schema: SHAPE,
        send: async ({ reason }) => {
            await touch({ kind: 'void', reason });
        },
        touches: [],
        after: onDone,
    });
    return (
        <DraftDialog draft={draft} send={say('test.void_it')} tone="danger" title={say('test.void_this_run')} onDone={onDone}>
            <p>{say('test.a_dirty_plate_a_wrong_gap')}</p>
            <AreaField label={say('test.what_spoiled_it')} {...draft.at('reason')} required maxLength={300} />
        </DraftDialog>
    );
}
