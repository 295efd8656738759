import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { call, type Schemas } from '../api/client';
import { comparisonQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { MarginNote, Sheet } from '../ui/Sheet';

const route = getRouteApi('/test/$id/import');
const MOST_BYTES = 1_800_000;

export function Import() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const navigate = useNavigate();
    const [table, setTable] = useState('');
    const [tooLarge, setTooLarge] = useState(false);
    const preview = useChange((text: string) => call<Schemas['ImportPreview']>('POST', `/comparisons/${id}/import-preview`, { table: text }), []);
    const take = useChange(
        (text: string) => call<Schemas['ImportPreview']>('POST', `/comparisons/${id}/import`, { version: comparison.version, table: text }),
        ['comparisons'],
        () => void navigate({ to: '/judge/$id', params: { id } }),
    );
    const load = async (file: File | undefined) => {
        if (!file) return;
        setTooLarge(file.size > MOST_BYTES);
        if (file.size <= MOST_BYTES) {
            const text = await file.text();
            setTable(text);
            preview.mutate(text);
        }
    };
    const seen = preview.data;
    const clean = seen?.faults.length === 0;
    return (
        <Sheet
            title="Readings from paper"
            lead={comparison.title}
            margin={
                <>
                    <MarginNote title="The table">
                        <p>CSV text, the first line exactly:</p>
                        <code className="block bg-well px-2 py-1 text-sm break-words text-ink">setup,run,measure,value,unit,status</code>
                        <p>
                            <strong>Setup</strong> is the letter. <strong>Run</strong> ties readings of one part together; it may be empty.
                        </p>
                        <p>
                            <strong>Measure</strong>: pull_hot, pull_cold, lift, held (1 or 0), effort (0 loose to 4 bonded), release_temp, damage (1 or 0).
                        </p>
                        <p>
                            <strong>Status</strong>: exact, at_least (the part broke first), void.
                        </p>
                    </MarginNote>
                    <MarginNote title="All or nothing">
                        <p>A table with any fault takes in nothing. Every run number takes the next planned run of its setup with the fitting pull.</p>
                    </MarginNote>
                </>
            }
        >
            <div className="flex max-w-3xl flex-col gap-5">
                <Field label="CSV file" error={tooLarge ? 'This file is larger than 1.8 MB: split it.' : undefined}>
                    {(ids) => <input type="file" accept=".csv,text/csv,text/plain" className="control" {...ids} onChange={(event) => void load(event.target.files?.[0])} />}
                </Field>
                <Field label="or paste the table">
                    {(ids) => (
                        <textarea
                            className="control font-mono text-sm"
                            rows={10}
                            spellCheck={false}
                            {...ids}
                            value={table}
                            onChange={(event) => {
                                setTable(event.target.value);
                                preview.reset();
                            }}
                            placeholder={'setup,run,measure,value,unit,status\nA,1,held,1,,exact\nA,1,pull_hot,3.1,kgf,exact'}
                        />
                    )}
                </Field>
                <Fault error={preview.error ?? take.error} />
                {seen && !clean ? (
                    <Notice tone="fault">
                        <p className="mb-1">{seen.faults.length === 1 ? 'One line needs mending' : `${seen.faults.length} lines need mending`}; nothing was taken in.</p>
                        <ul>
                            {seen.faults.map((fault) => (
                                <li key={`${fault.line} ${fault.message}`}>
                                    <strong>Line {fault.line}:</strong> {fault.message}
                                </li>
                            ))}
                        </ul>
                    </Notice>
                ) : null}
                {seen && clean ? (
                    <Notice tone="sound">
                        <p>
                            {seen.readings} readings in {seen.runs} runs{seen.voids > 0 ? `, ${seen.voids} of them void` : ''}:{' '}
                            {seen.setups.map((each) => `${each.setup} ${each.runs} runs`).join(', ')}.
                        </p>
                    </Notice>
                ) : null}
                <div className="flex flex-wrap gap-2">
                    {clean ? (
                        <Button tone="main" onClick={() => take.mutate(table)} disabled={take.isPending}>
                            Take them in
                        </Button>
                    ) : (
                        <Button tone="main" onClick={() => preview.mutate(table)} disabled={table.trim() === '' || preview.isPending}>
                            Check the table
                        </Button>
                    )}
                    <Button asChild tone="quiet">
                        <Link to="/test/$id" params={{ id }}>
                            Back
                        </Link>
                    </Button>
                </div>
            </div>
        </Sheet>
    );
}
