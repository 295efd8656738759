import { useQueryClient, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';

import { call, newId, type Schemas } from '../api/client';
import { runQuery, useChange, useMay } from '../api/queries';
import { post } from '../shell/outbox';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { AreaField, CheckField, NumberField } from '../ui/Field';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { duration, useQuantity, type Kind } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { MarginNote, Sheet } from '../ui/Sheet';
import { EFFORT_WORDS, MEASURE_WORDS, OUTCOME_WORDS, STEP_WORDS } from '../ui/words';
import { GaugePull } from './GaugePull';
import { Timer } from './Timer';

const route = getRouteApi('/runs/$id');

type Reading = Schemas['RunSheet']['readings'][number];

export function RunSheet() {
    const { id } = route.useParams();
    // Each run begins with fresh entries.
    return <Run key={id} id={id} />;
}

function Run({ id }: { id: string }) {
    const { data: sheet } = useSuspenseQuery(runQuery(id));
    const may = useMay();
    const temperature = useQuantity('temperature');
    const { run, setup } = sheet;
    const move = useChange((step: Schemas['Step']) => call('POST', `/runs/${id}/step`, { version: run.version, step }), ['runs', 'comparisons']);
    const finish = useChange(() => call('POST', `/runs/${id}/finish`, { version: run.version }), ['runs', 'comparisons', 'care']);
    const at = run.steps.indexOf(run.step);
    const open = run.status === 'planned' || run.status === 'running';
    const page = sheet.sheet[Math.max(0, at)];
    const next = run.steps[at + 1];
    const back = run.steps[at - 1];
    const begun = run.status !== 'planned';
    const needsOutcome = run.step === 'first_layer' && run.outcome === null;
    return (
        <Sheet
            title={`Run ${run.position}, setup ${setup.label}`}
            lead={`${setup.sideLabel}, ${setup.agentName ?? 'bare'}, ${setup.bedFirstC === null ? 'bed unheated' : (sheet.dial?.words ?? temperature.text(setup.bedFirstC))}${sheet.comparison.measures.includes('pull') ? `; this part gives a ${run.pull} pull` : ''}.`}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/test/$id" params={{ id: sheet.comparison.id }}>
                        {sheet.comparison.title}
                    </Link>
                </Button>
            }
            margin={<Margin sheet={sheet} />}
        >
            <Steps sheet={sheet} />
            {run.status === 'void' ? (
                <Notice>
                    Void: {run.voidReason} ({run.voidedBy}{run.voidedAlone ? ', who also made it, with the outcome known' : ''}). It is kept and was planned anew.
                </Notice>
            ) : null}
            {run.status === 'done' ? <Done sheet={sheet} /> : null}
            {open && page ? (
                <section aria-live="polite" aria-label={page.title}>
                    <div className="mb-5 grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1fr)_auto]">
                        <div>
                            <h2 className="mb-3 text-2xl">{page.title}</h2>
                            <ol className="flex flex-col gap-2 text-lg leading-snug">
                                {page.lines.map((line) => (
                                    <li key={line} className="flex gap-3">
                                        <span aria-hidden className="mt-[0.6em] h-0.5 w-4 shrink-0 bg-accent" />
                                        {line}
                                    </li>
                                ))}
                            </ol>
                        </div>
                        {page.timerSeconds !== null && run.stepBeganAt && begun ? <Timer seconds={page.timerSeconds} since={run.stepBeganAt} serverTime={sheet.serverTime} /> : null}
                    </div>
                    <div className="mb-5">
                        <Cautions sentences={page.cautions} />
                    </div>
                    {may.test && begun ? <Entries sheet={sheet} id={id} /> : null}
                    {may.test && begun && next === undefined && sheet.missing.length > 0 ? <Missing sheet={sheet} id={id} /> : null}
                    <Fault error={move.error ?? finish.error} />
                    {may.test ? (
                        <div className="mt-6 flex flex-wrap items-center gap-3">
                            {!begun ? (
                                <Button tone="main" big onClick={() => move.mutate('prepare')} disabled={move.isPending}>
                                    Begin this run
                                </Button>
                            ) : next ? (
                                <Button tone="main" big onClick={() => move.mutate(next)} disabled={move.isPending || needsOutcome}>
                                    {needsOutcome ? 'Say first whether it held' : `Done. ${stepWord(next, sheet)}`}
                                </Button>
                            ) : (
                                <Button tone="main" big onClick={() => finish.mutate(undefined)} disabled={finish.isPending || sheet.missing.length > 0}>
                                    {sheet.missing.length > 0 ? 'Something is not said yet' : 'Finish the run'}
                                </Button>
                            )}
                            {back && begun ? (
                                <Button big onClick={() => move.mutate(back)} disabled={move.isPending}>
                                    Back one step
                                </Button>
                            ) : null}
                            {begun ? <VoidRun id={id} version={run.version} /> : null}
                            {run.occupiesPrinter ? <FreePrinter id={id} version={run.version} printer={sheet.comparison.printerName} /> : null}
                        </div>
                    ) : null}
                </section>
            ) : null}
        </Sheet>
    );
}

/** Without a gauge the part is taken off rather than pulled. */
function stepWord(step: Schemas['Step'], sheet: Schemas['RunSheet']): string {
    return step === 'cold_pull' && !sheet.comparison.measures.includes('pull') ? 'Take the part off' : STEP_WORDS[step];
}

function Steps({ sheet }: { sheet: Schemas['RunSheet'] }) {
    const { run } = sheet;
    const at = run.status === 'done' ? run.steps.length : run.steps.indexOf(run.step);
    const current = useRef<HTMLLIElement>(null);
    useEffect(() => {
        current.current?.scrollIntoView({ inline: 'center', block: 'nearest' });
    }, [at]);
    return (
        <ol className="mb-6 flex overflow-x-auto overflow-y-hidden border-b-2 border-line" aria-label="Steps of this run">
            {run.steps.map((step, i) => (
                <li
                    key={step}
                    ref={i === at ? current : null}
                    aria-current={i === at ? 'step' : undefined}
                    className={`shrink-0 px-3 pb-2 whitespace-nowrap ${i === at ? '-mb-0.5 border-b-4 border-accent font-[650]' : i < at ? 'text-soft' : ''}`}
                >
                    {i < at ? '✓ ' : ''}
                    {stepWord(step, sheet)}
                </li>
            ))}
        </ol>
    );
}

function Entries({ sheet, id }: { sheet: Schemas['RunSheet']; id: string }) {
    switch (sheet.run.step) {
        case 'first_layer':
            return <OutcomeEntry sheet={sheet} id={id} />;
        case 'hot_pull':
        case 'cold_pull':
            return sheet.comparison.measures.includes('pull') ? <PullEntry sheet={sheet} id={id} /> : null;
        case 'cool':
            return <Typed sheet={sheet} id={id} measure="release_temp" kind="temperature" />;
        case 'inspect':
            return <Inspection sheet={sheet} id={id} />;
        default:
            return null;
    }
}

function OutcomeEntry({ sheet, id }: { sheet: Schemas['RunSheet']; id: string }) {
    const [note, setNote] = useState(sheet.run.outcomeNote);
    const set = useChange((outcome: Schemas['Outcome']) => call('POST', `/runs/${id}/outcome`, { version: sheet.run.version, outcome, note }), ['runs']);
    return (
        <div className="flex max-w-2xl flex-col gap-3">
            <ChoiceRow label="How did the print end?" value={sheet.run.outcome} onValue={(outcome) => set.mutate(outcome)} options={(Object.keys(OUTCOME_WORDS) as Schemas['Outcome'][]).map((value) => ({ value, label: OUTCOME_WORDS[value] }))} />
            {sheet.run.outcome === 'came_off' || sheet.run.outcome === 'lifted' ? (
                <label className="flex flex-col gap-1">
                    <span className="text-sm font-[650]">At which layer or time?</span>
                    <input className="control" maxLength={80} value={note} onChange={(event) => setNote(event.target.value)} onBlur={() => sheet.run.outcome && note !== sheet.run.outcomeNote && set.mutate(sheet.run.outcome)} />
                </label>
            ) : null}
            <Fault error={set.error} />
            {sheet.run.printMinutes === null ? null : <PrintTime sheet={sheet} id={id} minutes={sheet.run.printMinutes} />}
        </div>
    );
}

/** The clock runs on until somebody says how the print ended; who says it late writes how long it really took. */
function PrintTime({ sheet, id, minutes }: { sheet: Schemas['RunSheet']; id: string; minutes: number }) {
    const enter = useEntry(id);
    const [value, setValue] = useState<number | null>(null);
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                if (value !== null) void enter('print_minutes', value, 'min', false).then(() => setValue(null));
            }}
        >
            <p className="w-full">
                The print took <strong>{duration(minutes)}</strong>{standing(sheet, 'print_minutes') ? '' : ' by the clock of this sheet'}.
            </p>
            <div className="w-52">
                <NumberField label="It took less" unit="min" value={value} onValue={setValue} />
            </div>
            <Button type="submit" disabled={value === null}>
                Note it
            </Button>
        </form>
    );
}

function standing(sheet: Schemas['RunSheet'], measure: Schemas['Measure'], place = 1): Reading | undefined {
    return sheet.readings.findLast((reading) => reading.measure === measure && reading.place === place && reading.stands);
}

/** Sends a reading, or keeps it until the network is there again. */
function useEntry(id: string) {
    const queries = useQueryClient();
    return async (measure: Schemas['Measure'], value: number, unit: Schemas['Unit'], atLeast: boolean, place = 1) => {
        await post(`/runs/${id}/readings`, { id: newId(), measure, value, unit, atLeast, place } as { id: string }, `${MEASURE_WORDS[measure]} ${value} ${unit}`);
        await queries.invalidateQueries({ queryKey: ['runs', id] });
    };
}

function PullEntry({ sheet, id }: { sheet: Schemas['RunSheet']; id: string }) {
    const measure = sheet.run.pull === 'hot' ? 'pull_hot' : 'pull_cold';
    const force = useQuantity('force');
    const enter = useEntry(id);
    const [byHand, setByHand] = useState(false);
    const [value, setValue] = useState<number | null>(null);
    const [atLeast, setAtLeast] = useState(false);
    const reading = standing(sheet, measure);
    return (
        <div className="flex flex-col gap-4">
            {reading ? (
                <p className="text-2xl font-[650]">
                    {reading.atLeast ? 'at least ' : ''}
                    {force.text(reading.value)} <span className="text-base font-normal text-soft">taken {reading.source === 'gauge' ? `from the ${reading.simulated ? 'simulated ' : ''}gauge` : 'by hand'}</span>
                </p>
            ) : null}
            <GaugePull runId={id} again={reading !== undefined} />
            {byHand ? (
                <form
                    className="flex flex-wrap items-end gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (value !== null) void enter(measure, value, force.symbol, atLeast).then(() => setByHand(false));
                    }}
                >
                    <div className="w-44">
                        <NumberField label="Peak of the pull" unit={force.symbol} value={value} onValue={setValue} />
                    </div>
                    <CheckField label="at least: the part broke, or the scale topped out" checked={atLeast} onValue={setAtLeast} />
                    <Button type="submit" disabled={value === null}>
                        Take it
                    </Button>
                </form>
            ) : (
                <Button tone="quiet" className="self-start" onClick={() => setByHand(true)}>
                    Type the reading in
                </Button>
            )}
        </div>
    );
}

function Typed({ sheet, id, measure, kind, label = MEASURE_WORDS[measure], place = 1 }: { sheet: Schemas['RunSheet']; id: string; measure: Schemas['Measure']; kind: Kind; label?: string; place?: number }) {
    const quantity = useQuantity(kind);
    const enter = useEntry(id);
    const [value, setValue] = useState<number | null>(null);
    const reading = standing(sheet, measure, place);
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                if (value !== null) void enter(measure, value, quantity.symbol, false, place).then(() => setValue(null));
            }}
        >
            <div className="w-52">
                <NumberField label={label} unit={quantity.symbol} value={value} onValue={setValue} hint={reading ? `noted: ${quantity.text(reading.value)}` : undefined} />
            </div>
            <Button type="submit" disabled={value === null}>
                Note it
            </Button>
        </form>
    );
}

function Inspection({ sheet, id }: { sheet: Schemas['RunSheet']; id: string }) {
    const enter = useEntry(id);
    const effort = standing(sheet, 'effort');
    const damage = standing(sheet, 'damage');
    return (
        <div className="flex flex-col gap-5">
            {sheet.run.pull === 'cold' || 'pull_hot' in sheet.run.notTaken ? (
                <ChoiceRow
                    label="How hard was it to take off?"
                    value={effort ? String(effort.value) : null}
                    onValue={(value) => void enter('effort', Number(value), '', false)}
                    options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))}
                />
            ) : null}
            <ChoiceRow
                label="Is the plate damaged?"
                value={damage ? String(damage.value) : null}
                onValue={(value) => void enter('damage', Number(value), '', false)}
                options={[
                    { value: '0', label: 'No' },
                    { value: '1', label: 'Marked, torn or chipped' },
                ]}
            />
            <div className="flex flex-wrap gap-x-8 gap-y-4">
                <Typed sheet={sheet} id={id} measure="lift" kind="length" label="Lift at one end" />
                <Typed sheet={sheet} id={id} measure="lift" kind="length" label="Lift at the other end" place={2} />
            </div>
        </div>
    );
}

/** What the plan wants and nobody has said: entered at its step, or marked here with the reason. */
function Missing({ sheet, id }: { sheet: Schemas['RunSheet']; id: string }) {
    const [measure, setMeasure] = useState<Schemas['Measure'] | null>(null);
    const [reason, setReason] = useState('');
    const mark = useChange((body: { measure: Schemas['Measure']; reason: string }) => call('POST', `/runs/${id}/not-taken`, { ...body, version: sheet.run.version }), ['runs'], () => {
        setMeasure(null);
        setReason('');
    });
    const marked = sheet.missing.filter((each) => each !== 'held');
    return (
        <Notice>
            <p className="mb-2">The plan wants these, and nobody has said them yet. Go back and enter them, or say why they were not taken.</p>
            <div className="flex flex-wrap gap-2">
                {marked.map((each) => (
                    <Button key={each} onClick={() => setMeasure(each)}>
                        {MEASURE_WORDS[each]}: not taken
                    </Button>
                ))}
            </div>
            {measure ? (
                <Dialog title={`Not taken: ${MEASURE_WORDS[measure]}`} open onOpen={(open) => !open && setMeasure(null)}>
                    <form
                        className="flex flex-col gap-4"
                        onSubmit={(event) => {
                            event.preventDefault();
                            mark.mutate({ measure, reason });
                        }}
                    >
                        <AreaField label="Why it was not taken" value={reason} onValue={setReason} required minLength={3} maxLength={300} />
                        <Fault error={mark.error} />
                        <div>
                            <Button type="submit" tone="main" disabled={mark.isPending}>
                                Mark it
                            </Button>
                        </div>
                    </form>
                </Dialog>
            ) : null}
        </Notice>
    );
}

function FreePrinter({ id, version, printer }: { id: string; version: number; printer: string }) {
    const [open, setOpen] = useState(false);
    const [reason, setReason] = useState('');
    const send = useChange((body: { version: number; reason: string }) => call('POST', `/runs/${id}/leave-printer`, body), ['runs'], () => setOpen(false));
    return (
        <>
            <Button tone="quiet" onClick={() => setOpen(true)}>
                Free {printer}
            </Button>
            <Dialog title={`Free ${printer}`} open={open} onOpen={setOpen}>
                <form
                    className="flex flex-col gap-4"
                    onSubmit={(event) => {
                        event.preventDefault();
                        send.mutate({ version, reason });
                    }}
                >
                    <p>This run holds the printer from heating until its plate comes off. Free it only if the plate is off already.</p>
                    <AreaField label="Why" value={reason} onValue={setReason} required minLength={5} maxLength={300} />
                    <Fault error={send.error} />
                    <div>
                        <Button type="submit" tone="main" disabled={send.isPending}>
                            Free it
                        </Button>
                    </div>
                </form>
            </Dialog>
        </>
    );
}

function Done({ sheet }: { sheet: Schemas['RunSheet'] }) {
    return (
        <div className="flex flex-col items-start gap-4">
            <Notice tone="sound">This run is done: {sheet.run.outcome ? OUTCOME_WORDS[sheet.run.outcome].toLowerCase() : 'no outcome'}.</Notice>
            {sheet.nextRunId ? (
                <Button asChild tone="main" big>
                    <Link to="/runs/$id" params={{ id: sheet.nextRunId }}>
                        To the next run
                    </Link>
                </Button>
            ) : (
                <Button asChild tone="main" big>
                    <Link to="/judge/$id" params={{ id: sheet.comparison.id }}>
                        All runs are done: to the verdict
                    </Link>
                </Button>
            )}
            <VoidRun id={sheet.run.id} version={sheet.run.version} />
        </div>
    );
}

function VoidRun({ id, version }: { id: string; version: number }) {
    const [open, setOpen] = useState(false);
    const [reason, setReason] = useState('');
    const send = useChange((body: { version: number; reason: string }) => call('POST', `/runs/${id}/void`, body), ['runs', 'comparisons'], () => setOpen(false));
    return (
        <>
            <Button tone="danger" onClick={() => setOpen(true)}>
                Void this run
            </Button>
            <Dialog title="Void this run" open={open} onOpen={setOpen}>
                <form
                    className="flex flex-col gap-4"
                    onSubmit={(event) => {
                        event.preventDefault();
                        send.mutate({ version, reason });
                    }}
                >
                    <p>A dirty plate, a wrong gap, a nozzle strike, a knocked part: that is no failure of the surface. The run is kept, crossed out, and planned anew. Once the outcome is known, somebody else has to say so, or whoever works alone after a while.</p>
                    <AreaField label="What spoiled it" value={reason} onValue={setReason} required minLength={5} maxLength={300} />
                    <Fault error={send.error} />
                    <div>
                        <Button type="submit" tone="danger" disabled={send.isPending}>
                            Void it
                        </Button>
                    </div>
                </form>
            </Dialog>
        </>
    );
}

const KIND_OF: Partial<Record<Schemas['Measure'], Kind>> = { pull_hot: 'force', pull_cold: 'force', lift: 'length', release_temp: 'temperature' };

function useReadingText() {
    const quantities = { force: useQuantity('force'), length: useQuantity('length'), temperature: useQuantity('temperature') };
    return (reading: Reading): string => {
        const kind = KIND_OF[reading.measure];
        if (kind) return `${reading.atLeast ? 'at least ' : ''}${quantities[kind].text(reading.value)}`;
        if (reading.measure === 'print_minutes') return `${reading.value} min`;
        if (reading.measure === 'effort') return EFFORT_WORDS[reading.value]?.toLowerCase() ?? '';
        return reading.value > 0.5 ? 'yes' : 'no';
    };
}

function Margin({ sheet }: { sheet: Schemas['RunSheet'] }) {
    const text = useReadingText();
    const may = useMay();
    const [amending, setAmending] = useState<Reading | null>(null);
    return (
        <>
        {sheet.strip ? (
            <MarginNote title="The seat">
                <SeatStrip strip={sheet.strip} label={sheet.setup.name} />
            </MarginNote>
        ) : null}
        <MarginNote title="Noted so far">
            {sheet.readings.length === 0 ? <p>Nothing yet.</p> : null}
            <ul className="flex flex-col gap-2">
                {sheet.readings.map((reading) => (
                    <li key={reading.id} className={reading.stands ? 'text-ink' : 'line-through'}>
                        <span className="flex items-baseline justify-between gap-2">
                            <span>
                                {MEASURE_WORDS[reading.measure]}: <strong>{text(reading)}</strong>
                            </span>
                            {reading.stands && may.test && sheet.run.status !== 'void' ? (
                                <button className="min-h-11 px-1 text-accent underline underline-offset-4" onClick={() => setAmending(reading)} aria-label={`Amend ${MEASURE_WORDS[reading.measure]}`}>
                                    Amend
                                </button>
                            ) : null}
                        </span>
                        {reading.simulated ? <span className="block text-sm text-soft">simulated gauge: proves nothing outside the demo</span> : null}
                        {reading.amendReason ? <span className="block text-sm text-soft">{reading.amendReason}</span> : null}
                    </li>
                ))}
            </ul>
            <p className="text-sm">Nothing is deleted: an amendment leaves the old value crossed out, with the reason.</p>
            {amending ? <Amend reading={amending} onDone={() => setAmending(null)} /> : null}
        </MarginNote>
        </>
    );
}

function Amend({ reading, onDone }: { reading: Reading; onDone: () => void }) {
    const [draft, setDraft] = useState<{ id: string; value: number | null; atLeast: boolean; reason: string; outcome?: Schemas['Outcome'] }>({ id: newId(), value: reading.enteredValue, atLeast: reading.atLeast, reason: '' });
    const send = useChange((body: unknown) => call('POST', `/readings/${reading.id}/amendments`, body), ['runs', 'comparisons'], onDone);
    return (
        <Dialog title={`Amend: ${MEASURE_WORDS[reading.measure]}`} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
               
                onSubmit={(event) => {
                    event.preventDefault();
                    send.mutate({ ...draft, unit: reading.enteredUnit });
                }}
            >
                {reading.measure === 'held' ? (
                    <ChoiceRow
                        label="How did the print end?"
                        value={draft.outcome ?? null}
                        onValue={(outcome) => setDraft({ ...draft, outcome, value: outcome === 'held' ? 1 : 0 })}
                        options={(Object.keys(OUTCOME_WORDS) as Schemas['Outcome'][]).map((value) => ({ value, label: OUTCOME_WORDS[value] }))}
                    />
                ) : (
                    <NumberField label="Right value" unit={reading.enteredUnit} value={draft.value} onValue={(value) => setDraft({ ...draft, value })} />
                )}
                {reading.measure === 'pull_hot' || reading.measure === 'pull_cold' ? <CheckField label="at least: the part broke, or the scale topped out" checked={draft.atLeast} onValue={(atLeast) => setDraft({ ...draft, atLeast })} /> : null}
                <AreaField label="Why" value={draft.reason} onValue={(reason) => setDraft({ ...draft, reason })} required minLength={3} maxLength={300} />
                <Fault error={send.error} />
                <div>
                    <Button type="submit" tone="main" disabled={send.isPending || draft.value === null}>
                        Amend
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
