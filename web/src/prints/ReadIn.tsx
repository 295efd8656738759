import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

/** The columns of a log; a format, the same in every language. */
const HEAD = 'began,printer,plate,agent,lot,material,bed,room,title,parts,minutes,ended,how_off,damaged,note';
const MOST_BYTES = 380_000;

/** A log of prints that was kept elsewhere, looked at before it is taken. */
export function ReadIn() {
    const [table, setTable] = useState('');
    const [tooLarge, setTooLarge] = useState(false);
    const look = useChange((text: string) => ask(api.POST('/api/jobs/import', { body: { table: text, take: false } })), []);
    const take = useChange(() => ask(api.POST('/api/jobs/import', { body: { table, take: true } })), ['jobs', 'care', 'sides', 'coverage']);
    const load = async (file: File | undefined) => {
        if (!file) return;
        setTooLarge(file.size > MOST_BYTES);
        if (file.size > MOST_BYTES) return;
        const text = await file.text();
        setTable(text);
        look.mutate(text);
    };
    const seen = look.data;
    return (
        <Sheet
            title={say('prints.read_in')}
            lead={say('prints.read_in_words')}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/prints">{say('prints.prints')}</Link>
                </Button>
            }
            margin={
                <MarginNote title={say('prints.the_columns')}>
                    <code className="block bg-well px-2 py-1 text-sm break-words text-ink">{HEAD}</code>
                    <p>{say('prints.columns_in_words')}</p>
                </MarginNote>
            }
        >
            <div className="flex max-w-2xl flex-col gap-4">
                <Field label={say('prints.table_csv')} error={tooLarge ? say('prints.too_large') : undefined}>
                    {(ids) => <input type="file" accept=".csv,text/csv,text/plain" className="control" {...ids} onChange={(event) => void load(event.target.files?.[0])} />}
                </Field>
                <Fault error={look.error ?? take.error} />
                {seen && seen.faults.length > 0 ? (
                    <Notice tone="fault">
                        <p className="font-[650]">{say('prints.nothing_is_taken_yet')}</p>
                        <ul className="list-disc pl-5">
                            {seen.faults.map((fault) => (
                                <li key={`${fault.line}${fault.message}`}>{say('prints.line_of', { line: fault.line, message: fault.message })}</li>
                            ))}
                        </ul>
                    </Notice>
                ) : null}
                {seen?.faults.length === 0 && !take.isSuccess ? (
                    <>
                        <p className="text-xl font-[650]">{say('prints.holds', { prints: seen.prints, known: seen.known, open: seen.open })}</p>
                        <Button tone="main" big className="self-start" onClick={() => take.mutate(undefined)} disabled={take.isPending || seen.prints === 0}>
                            {say('prints.take_all')}
                        </Button>
                    </>
                ) : null}
                {take.isSuccess ? <Notice tone="sound">{say('prints.taken', { prints: take.data.prints })}</Notice> : null}
            </div>
        </Sheet>
    );
}
