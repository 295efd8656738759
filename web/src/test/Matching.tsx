import type { Schemas } from '../api/client';
import { SelectField } from '../ui/Field';
import { useFigures } from '../ui/quantity';
import { useTerms } from '../ui/terms';
import { say } from '../words/say';

type Preview = Schemas['ImportPreview'];
type Match = Schemas['ColumnMatch'];

const UNITS: Record<string, Schemas['Unit'][]> = { pull_hot: ['N', 'kgf', 'lbf'], pull_cold: ['N', 'kgf', 'lbf'], lift: ['mm', 'in'], release_temp: ['°C', '°F'], print_minutes: ['min'] };

/** What each column of a table holds; the next table with the same heading is read alike. */
export function Columns({ columns: { head, sample, match, remembered }, onColumns }: { columns: NonNullable<Preview['columns']>; onColumns: (match: Match) => void }) {
    const terms = useTerms();
    const measures: Schemas['Measure'][] = ['held', 'pull_hot', 'pull_cold', 'lift', 'effort', 'release_temp', 'damage', 'print_minutes', ...terms.measures.map((each) => each.key)];
    const reading = (column: number) => match.readings.find((each) => each.column === column);
    const holds = (column: number) => (match.setupColumn === column ? 'setup' : match.runColumn === column ? 'run' : (reading(column)?.measure ?? ''));
    const change = (column: number, to: string) => {
        const rest: Match = {
            setupColumn: to === 'setup' ? column : match.setupColumn === column ? null : match.setupColumn,
            runColumn: to === 'run' ? column : match.runColumn === column ? null : match.runColumn,
            readings: match.readings.filter((each) => each.column !== column),
        };
        onColumns(to === '' || to === 'setup' || to === 'run' ? rest : { ...rest, readings: [...rest.readings, { column, measure: to, unit: UNITS[to]?.[0] ?? unitOf(terms.measures, to) }] });
    };
    return (
        <section aria-label={say('test.what_the_columns_hold')}>
            <h2 className="mb-1 text-lg">{say('test.what_the_columns_hold')}</h2>
            <p className="mb-2 text-soft">{say('test.columns_are_remembered', { remembered })}</p>
            <ul>
                {head.map((name, column) => {
                    const units = UNITS[reading(column)?.measure ?? ''] ?? [];
                    return (
                        <li key={column} className="grid items-end gap-3 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_14rem_7rem]">
                            <p className="min-w-0">
                                <strong>{name === '' ? say('test.column', { number: column + 1 }) : name}</strong>{' '}
                                <span className="block truncate text-sm text-soft">{sample.map((row) => row[column] ?? '').join(' · ')}</span>
                            </p>
                            <SelectField
                                label={say('test.it_holds', { column: name })}
                                value={holds(column)}
                                onValue={(to) => change(column, to)}
                                empty={say('test.nothing_of_use')}
                                options={[{ value: 'setup', label: say('test.the_setup') }, { value: 'run', label: say('test.the_run') }, ...measures.map((key) => ({ value: key, label: terms.measure(key) }))]}
                            />
                            {units.length > 1 ? (
                                <SelectField
                                    label={say('test.unit')}
                                    value={reading(column)?.unit ?? ''}
                                    onValue={(unit) => onColumns({ ...match, readings: match.readings.map((each) => (each.column === column ? { ...each, unit: unit } : each)) })}
                                    options={units.map((unit) => ({ value: unit, label: unit }))}
                                />
                            ) : null}
                        </li>
                    );
                })}
            </ul>
        </section>
    );
}

function unitOf(added: { key: string; unit: string }[], key: string): Schemas['Unit'] {
    return (added.find((each) => each.key === key)?.unit ?? '');
}

/** Which setup of the comparison is meant, of all that the table calls otherwise. */
export function WhichSetup({ unknown, named, known, setups: said, onSetups }: { unknown: Preview['unknownSetups']; /** As an earlier table called them. */ named: Preview['named']; known: { label: string; name: string }[]; setups: NonNullable<Schemas['TableMatch']['setups']>; onSetups: (setups: NonNullable<Schemas['TableMatch']['setups']>) => void }) {
    const setups = [...named.filter((each) => !said.some((mapped) => mapped.given === each.given)), ...said];
    const asked = [...setups.map((each) => ({ setup: each.given, rows: null })), ...unknown.filter((each) => !setups.some((known) => known.given === each.setup))];
    return (
        <section aria-label={say('test.which_setup_is_it')}>
            <h2 className="mb-2 text-lg">{say('test.which_setup_is_it')}</h2>
            {named.length > 0 ? <p className="mb-2 text-soft">{say('test.named_as_before')}</p> : null}
            <div className="grid gap-3 sm:grid-cols-2">
                {asked.map((each) => (
                    <SelectField
                        key={each.setup}
                        label={each.rows === null ? each.setup : say('test.setup_in_lines', { setup: each.setup, rows: each.rows })}
                        value={setups.find((mapped) => mapped.given === each.setup)?.setup ?? ''}
                        empty={say('test.choose')}
                        onValue={(setup) => onSetups([...setups.filter((mapped) => mapped.given !== each.setup), ...(setup ? [{ given: each.setup, setup }] : [])])}
                        options={known.map(({ label, name }) => ({ value: label, label: name }))}
                    />
                ))}
            </div>
        </section>
    );
}

/** The readings as they will be stored, before anything is. */
export function AsStored({ rows, readings }: { rows: Preview['rows']; readings: number }) {
    const terms = useTerms();
    const figure = useFigures();
    const stored = (row: Preview['rows'][number]) => {
        if (row.measure === null || row.value === null) return say('test.void_row');
        const kind = terms.figure(row.measure);
        return say('test.reading_at_least', { atLeast: row.atLeast, value: kind ? figure(kind).text(row.value) : (terms.added(row.measure)?.levels[row.value] ?? figure('number').text(row.value)) });
    };
    return (
        <details open>
            <summary className="flex min-h-11 cursor-pointer items-center font-[650]">{say('test.as_they_will_be_stored', { shown: rows.length, readings })}</summary>
            <div className="max-h-96 overflow-auto">
                <table className="ledger w-full text-sm">
                    <thead>
                        <tr>
                            <th className="num">{say('test.line_2')}</th>
                            <th>{say('test.setup')}</th>
                            <th>{say('test.run')}</th>
                            <th>{say('test.measure')}</th>
                            <th>{say('test.written')}</th>
                            <th>{say('test.stored')}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row, i) => (
                            <tr key={i}>
                                <td className="num">{row.line}</td>
                                <td>{row.setup}</td>
                                <td>{row.run}</td>
                                <td>{row.measure === null ? '' : terms.measure(row.measure)}</td>
                                <td>{row.written}</td>
                                <td>{stored(row)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </details>
    );
}
