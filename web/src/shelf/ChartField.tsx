import { Trash2 } from 'lucide-react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { useDrawn, useErrors } from '../ui/DraftForm';
import { NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { CHART_WORDS } from '../ui/words';
import { say } from '../words/say';

/** A line of a chart, with whatever stands on its other side. */
export type Line = { otherId: string; agentKindId: string | null; says: Schemas['ChartWord']; window: (number | null)[]; releaseC: number | null; note: string };

type Kind = { id: string; name: string; kind?: Schemas['PrinterKind']; retired?: boolean };
type Props = { lines: Line[]; onLines: (lines: Line[]) => void; other: string; others: Kind[]; agents: Kind[]; seconds: boolean; /** By which key a line names what stands on its other side. */ field: 'surfaceId' | 'materialId' };

const SAYS = Object.entries(CHART_WORDS).map(([value, label]) => ({ value, label }));
const WINDOW = [say('shelf.from'), say('shelf.start_at'), say('shelf.to')];

export function readLine(line: Omit<Schemas['SurfaceChart'][number], 'materialId'>, otherId: string): Line {
    return { ...line, otherId, agentKindId: line.agentKindId ?? null, window: line.window ?? [null, null, null], releaseC: line.releaseC ?? null };
}

/** A window that nobody filled in is none; one that is half filled in is sent as it is, and refused by name. */
export function sentLine({ agentKindId, says, window, releaseC, note }: Line): Omit<Schemas['SurfaceChart'][number], 'materialId'> {
    return { agentKindId, says, releaseC, note, window: window.every((value) => value === null) ? null : (window as number[]) };
}

/** What the maker says, line by line. */
export function ChartField({ lines, onLines, other, others, agents, seconds, field }: Props) {
    const change = (at: number, part: Partial<Line>) => onLines(lines.map((line, i) => (i === at ? { ...line, ...part } : line)));
    const errorOf = useErrors();
    const named = (list: Kind[], id: string | null) => list.find((each) => each.id === id)?.name;
    useDrawn('lines', { label: say('shelf.the_maker_s_chart'), show: (each) => (Array.isArray(each) ? (each as Line[]).map((line) => [named(others, line.otherId), named(agents, line.agentKindId), CHART_WORDS[line.says]].filter(Boolean).join(', ')).join('; ') : '–') });
    return (
        <fieldset className="min-w-0">
            <legend className="mb-1 text-sm font-[650]">{say('shelf.the_maker_s_chart')}</legend>
            <p className="mb-2 text-sm text-soft">{say('shelf.a_starting_point_it_counts_half')}</p>
            <ol className="flex flex-col gap-3">
                {lines.map((line, i) => (
                    <li key={i} className="grid grid-cols-2 items-end gap-2 border-l-4 border-line pl-3 sm:grid-cols-[minmax(0,1.3fr)_minmax(0,1.3fr)_minmax(0,1.2fr)_auto]">
                        <SelectField label={`${other} ${i + 1}`} value={line.otherId} onValue={(otherId) => change(i, { otherId })} empty={say('shelf.choose')} options={inUse(others, line.otherId)} error={errorOf(`chart.${i}.${field}`) ?? errorOf(`chart.${i}`)} />
                        <SelectField label={say('shelf.with')} value={line.agentKindId ?? ''} onValue={(id) => change(i, { agentKindId: id || null })} empty={say('shelf.bare')} options={inUse(agents)} />
                        <SelectField label={say('shelf.it_says')} value={line.says} onValue={(says) => change(i, { says: says as Schemas['ChartWord'] })} options={SAYS} />
                        <Button tone="quiet" aria-label={say('shelf.leave_out_line', { i: i + 1 })} onClick={() => onLines(lines.filter((_, at) => at !== i))}>
                            <Trash2 className="size-5" aria-hidden />
                        </Button>
                        <div className="col-span-full grid grid-cols-2 gap-2 sm:grid-cols-[repeat(4,minmax(0,1fr))_minmax(0,2fr)]">
                            {WINDOW.map((label, at) => {
                                const props = { label, value: line.window[at] ?? null, onValue: (value: number | null) => change(i, { window: line.window.map((was, w) => (w === at ? value : was)) }), placeholder: '–', error: at === 0 ? (errorOf(`chart.${i}.window`) ?? errorOf(`chart.${i}.window.0`)) : errorOf(`chart.${i}.window.${at}`) };
                                return seconds ? <NumberField key={label} {...props} unit={say('shelf.s')} /> : <QuantityField key={label} {...props} kind="temperature" />;
                            })}
                            {seconds ? <span /> : <QuantityField label={say('shelf.off_below')} kind="temperature" value={line.releaseC} onValue={(releaseC) => change(i, { releaseC })} placeholder="–" error={errorOf(`chart.${i}.releaseC`)} />}
                            <TextField label={say('shelf.what_else_it_says')} value={line.note} onValue={(note) => change(i, { note })} maxLength={200} />
                        </div>
                    </li>
                ))}
            </ol>
            <Button tone="quiet" onClick={() => onLines([...lines, { otherId: '', agentKindId: null, says: 'recommended', window: [null, null, null], releaseC: null, note: '' }])}>{say('shelf.add_a_line')}</Button>
        </fieldset>
    );
}
