import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { comparisonQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say, tell } from '../words/say';
import { AsStored, Columns, WhichSetup } from './Matching';

/** The first line of a table; a format, the same in every language. */
const HEAD = 'setup,run,measure,value,unit,status';
const EXAMPLE = `${HEAD}\nA,1,held,1,,exact\nA,1,pull_hot,3.1,kgf,exact`;

type Match = Schemas['TableMatch'];

const route = getRouteApi('/test/$id/import');
const MOST_BYTES = 1_800_000;

export function Import() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const navigate = useNavigate();
    const [table, setTable] = useState('');
    const [tooLarge, setTooLarge] = useState(false);
    const [match, setMatch] = useState<Match>({});
    const preview = useChange((body: { table: string; match: Match }) => ask(api.POST('/api/comparisons/{id}/import-preview', { params: { path: { id } }, body })), []);
    const take = useChange(
        (text: string) => ask(api.POST('/api/comparisons/{id}/import', { params: { path: { id } }, body: { version: comparison.version, table: text, match } })),
        ['comparisons'],
        () => void navigate({ to: '/judge/$id', params: { id } }),
    );
    const load = async (file: File | undefined) => {
        if (!file) return;
        setTooLarge(file.size > MOST_BYTES);
        if (file.size <= MOST_BYTES) {
            const text = await file.text();
            setTable(text);
            setMatch({});
            preview.mutate({ table: text, match: {} });
        }
    };
    const seen = preview.data;
    const again = (next: Match) => {
        setMatch(next);
        preview.mutate({ table, match: next });
    };
    const clean = seen?.faults.length === 0;
    return (
        <Sheet
            title={say('test.readings_from_paper')}
            lead={comparison.title}
            margin={
                <>
                    <MarginNote title={say('test.the_table')}>
                        <p>{say('test.csv_text_the_first_line_exactly')}</p>
                        <code className="block bg-well px-2 py-1 text-sm break-words text-ink">{HEAD}</code>
                        <p>
                            {tell('test.setup_is_the_letter_run_ties', { b: (words) => <strong>{words}</strong> })}</p>
                        <p>
                            {tell('test.measure_pull_hot_pull_cold_lift', { b: (words) => <strong>{words}</strong> })}</p>
                        <p>
                            {tell('test.status_exact_at_least_the_part', { b: (words) => <strong>{words}</strong> })}</p>
                    </MarginNote>
                    <MarginNote title={say('test.all_or_nothing')}>
                        <p>{say('test.a_table_with_any_fault_takes')}</p>
                    </MarginNote>
                </>
            }
        >
            <div className="flex max-w-3xl flex-col gap-5">
                <Field label={say('test.csv_file')} error={tooLarge ? say('test.this_file_is_larger_than_1') : undefined}>
                    {(ids) => <input type="file" accept=".csv,text/csv,text/plain" className="control" {...ids} onChange={(event) => void load(event.target.files?.[0])} />}
                </Field>
                <Field label={say('test.or_paste_the_table')}>
                    {(ids) => (
                        <textarea
                            className="control font-mono text-sm"
                            rows={seen ? 4 : 10}
                            spellCheck={false}
                            {...ids}
                            value={table}
                            onChange={(event) => {
                                setTable(event.target.value);
                                setMatch({});
                                preview.reset();
                            }}
                            placeholder={EXAMPLE}
                        />
                    )}
                </Field>
                <Fault error={preview.error ?? take.error} />
                {seen && seen.unknownSetups.length + seen.named.length + (match.setups?.length ?? 0) > 0 ? <WhichSetup unknown={seen.unknownSetups} named={seen.named} known={comparison.setups} setups={match.setups ?? []} onSetups={(setups) => again({ ...match, ...(seen.columns ? { columns: seen.columns.match } : {}), setups })} /> : null}
                {seen?.columns ? <Columns columns={seen.columns} onColumns={(columns) => again({ ...match, columns })} /> : null}
                {seen && !clean ? (
                    <Notice tone="fault">
                        <p className="mb-1">{say('test.lines_with_faults', { faults: seen.faults.length })}</p>
                        <ul>
                            {seen.faults.map((fault) => (
                                <li key={`${fault.line} ${fault.message}`}>
                                    <strong>{say('test.line', { line: fault.line })}</strong> {fault.message}
                                </li>
                            ))}
                        </ul>
                    </Notice>
                ) : null}
                {seen && clean ? (
                    <Notice tone="sound">
                        <p>
                            {say('test.readings_in_runs', { readings: seen.readings, runs: seen.runs, voidsIf: seen.voids > 0, voids: (seen.voids > 0) ? seen.voids : '' })}{' '}
                            {seen.setups.map((each) => say('test.runs_2', { setup: each.setup, runs: each.runs })).join(', ')}.
                        </p>
                    </Notice>
                ) : null}
                {seen && clean ? <AsStored rows={seen.rows} readings={seen.readings} /> : null}
                <div className="flex flex-wrap gap-2">
                    {clean ? (
                        <Button tone="main" onClick={() => take.mutate(table)} disabled={take.isPending}>{say('test.add_these_readings')}</Button>
                    ) : (
                        <Button tone="main" onClick={() => preview.mutate({ table, match })} disabled={table.trim() === '' || preview.isPending}>{say('test.check_the_table')}</Button>
                    )}
                    <Button asChild tone="quiet">
                        <Link to="/test/$id" params={{ id }}>{say('test.back')}</Link>
                    </Button>
                </div>
            </div>
        </Sheet>
    );
}
