import { useQueryClient } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate, useRouterState } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { runQuery, useMay } from '../api/queries';
import { useLate } from '../shell/late';
import { Button } from '../ui/Button';
import { Cautions, Notice } from '../ui/Notice';
import { useQuantity } from '../ui/quantity';
import { Sheet } from '../ui/Sheet';
import { say } from '../words/say';
import { AddedEntries } from './run/AddedEntries';
import { useCooling } from './run/CoolingWatch';
import { Done, Ending } from './run/Done';
import { FreePrinter, TakeBack, VoidRun } from './run/Ends';
import { Entries } from './run/Entries';
import { Missing } from './run/Missing';
import { Noted } from './run/Noted';
import { PendingEntries, type Pending } from './run/pending';
import { useRunSheet, useStepWord, useTouch, type Sheet as RunOf } from './run/sheet';
import { Steps } from './run/Steps';
import { Timer } from './Timer';

const route = getRouteApi('/runs/$id');

export function RunSheet() {
    const { id } = route.useParams();
    // Each run begins with fresh entries.
    return <Run key={id} id={id} />;
}

function Run({ id }: { id: string }) {
    const { sheet, end, asOf } = useRunSheet(id);
    const ending = useLate(end?.touchedAt ?? null) ? end : null;
    const touch = useTouch(sheet);
    const stepWord = useStepWord(sheet);
    const may = useMay();
    const temperature = useQuantity('temperature');
    const count = useQuantity('count');
    const { run, setup } = sheet;
    const doneBefore = useRouterState({ select: (state) => state.location.state.doneBefore });
    const at = sheet.steps.indexOf(run.step);
    const open = run.status === 'planned' || run.status === 'running';
    const page = sheet.sheet.find((each) => each.step === run.step) ?? sheet.sheet[0];
    const next = sheet.steps[at + 1];
    const back = sheet.steps[at - 1];
    const begun = run.status !== 'planned';
    const needsOutcome = run.step === 'first_layer' && run.outcome === null;
    const pulls = sheet.comparison.measures.includes('pull');
    const [pending] = useState<Pending>(() => new Map());
    const [arrived, setArrived] = useState<string | null>(null);
    const goTo = (step: Schemas['Step']) => {
        setArrived(step);
        return touch({ kind: 'step', step });
    };
    /** What was typed here is noted first; where it has to be looked at, the run stays. */
    const noted = async () => {
        try {
            for (const note of [...pending.values()]) await note();
            return true;
        } catch {
            return false;
        }
    };
    const goOn = async (step: Schemas['Step']) => ((await noted()) ? goTo(step) : undefined);
    const finishes = useNextRun(sheet);
    const finish = async () => {
        if (!(await noted())) return;
        finishes();
        await touch({ kind: 'finish' });
    };
    // Where it is measured, nobody needs the sum.
    const cooling = useCooling(sheet);
    useAhead(open ? sheet.nextRunId : null);
    const heading = useHeadingOf(`${run.status}/${run.step}`);
    return (
        <Sheet
            title={say('test.run_setup', { position: run.position, setup: setup.label })}
            lead={say('test.what_this_run_is', {
                side: setup.sideLabel,
                agent: setup.agentName ?? say('test.bare'),
                bed: setup.exposureS !== null ? say('unit.seconds', { figure: count.bare(setup.exposureS) }) : setup.bedFirstC === null ? say('test.bed_unheated') : (sheet.dial?.words ?? temperature.text(setup.bedFirstC)),
                pull: pulls ? run.pull : 'none',
            })}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/test/$id" params={{ id: sheet.comparison.id }}>
                        {sheet.comparison.title}
                    </Link>
                </Button>
            }
            margin={<Noted sheet={sheet} />}
        >
            {doneBefore ? <DoneBefore {...doneBefore} /> : null}
            <Steps sheet={sheet} />
            {run.status === 'void' ? <Notice>{say('test.void_voidedalone_who_also_made_it', { voidReason: run.voidReason, voidedBy: run.voidedBy, voidedAlone: run.voidedAlone })}</Notice> : null}
            {run.status === 'done' ? <Done sheet={sheet} /> : null}
            {open && ending ? <Ending sheet={sheet} isVoid={ending.command.kind === 'void'} /> : null}
            {open && page && !ending ? (
                <section aria-label={page.title}>
                    <div className="mb-5 grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1fr)_auto]">
                        <div>
                            <h2 ref={heading} tabIndex={-1} className="mb-3 scroll-mt-6 text-2xl outline-none">{page.title}</h2>
                            <ol className="flex flex-col gap-2 text-lg leading-snug">
                                {page.lines.map((line) => (
                                    <li key={line} className="flex gap-3">
                                        <span aria-hidden className="mt-[0.6em] h-0.5 w-4 shrink-0 bg-accent" />
                                        {line}
                                    </li>
                                ))}
                            </ol>
                        </div>
                        {page.timerSeconds !== null && run.stepBeganAt && begun && cooling?.state !== 'watching' ? <Timer key={`${run.stepBeganAt} ${asOf}`} seconds={page.timerSeconds} since={run.stepBeganAt} serverTime={sheet.serverTime} waitsFor={run.step === 'cool' ? 'cool' : run.step === 'first_layer' ? 'look' : 'soak'} /> : null}
                    </div>
                    <div className="mb-5">
                        {sheet.flags.length > 0 ? (
                            <Notice tone="caution">
                                {sheet.flags.map((flag) => (
                                    <p key={flag}>{flag}</p>
                                ))}
                            </Notice>
                        ) : null}
                        <Cautions sentences={page.cautions} />
                    </div>
                    <PendingEntries.Provider value={pending}>
                        {may.test && begun ? <Entries sheet={sheet} arrived={arrived === run.step} onNext={async () => (next ? goTo(next) : undefined)} /> : null}
                        {may.test && begun ? <AddedEntries sheet={sheet} /> : null}
                    </PendingEntries.Provider>
                    {may.test && begun && next === undefined && sheet.missing.length > 0 ? <Missing sheet={sheet} /> : null}
                    {may.test ? (
                        <div className="mt-6 flex flex-wrap items-center gap-3">
                            {!begun ? (
                                <Button tone="main" big onClick={() => touch({ kind: 'step', step: 'prepare' })}>
                                    {say('test.begin_this_run')}
                                </Button>
                            ) : next ? (
                                <Button tone="main" big onClick={() => void goOn(next)} disabled={needsOutcome}>
                                    {needsOutcome ? say('test.say_first_whether_it_held') : say('test.done', { next: stepWord(next) })}
                                </Button>
                            ) : (
                                <Button tone="main" big onClick={() => void finish()} disabled={sheet.missing.length > 0 || end !== null}>
                                    {sheet.missing.length > 0 ? say('test.something_is_not_said_yet') : say('test.finish_the_run')}
                                </Button>
                            )}
                            {back && begun ? (
                                <Button big onClick={() => touch({ kind: 'step', step: back })}>
                                    {say('test.back_one_step')}
                                </Button>
                            ) : null}
                            {begun ? <VoidRun sheet={sheet} /> : null}
                            {run.occupiesPrinter ? <FreePrinter sheet={sheet} /> : null}
                        </div>
                    ) : null}
                </section>
            ) : null}
        </Sheet>
    );
}

/** The run from which somebody came here, with the way back where the touch came too soon. */
function DoneBefore({ id, position }: { id: string; position: number }) {
    return (
        <div className="mb-4">
            <Notice tone="sound">
                <span className="flex flex-wrap items-center justify-between gap-3">
                    {say('test.run_before_is_done', { position })}
                    <TakeBack id={id} words={say('test.take_run_back', { position })} />
                </span>
            </Notice>
        </div>
    );
}

declare module '@tanstack/react-router' {
    interface HistoryState {
        /** The run from which somebody came here by finishing it. */
        doneBefore?: { id: string; position: number };
    }
}

/** The next run is at hand where the network is gone when it begins. */
function useAhead(id: string | null) {
    const queries = useQueryClient();
    useEffect(() => {
        if (id) void queries.query(runQuery(id)).catch(() => undefined);
    }, [id, queries]);
}

/** Who finishes a run goes on to the next; of the last the page stays. */
function useNextRun({ run, nextRunId }: RunOf): () => void {
    const navigate = useNavigate();
    const finishes = useRef(false);
    useEffect(() => {
        if (run.status === 'done' && finishes.current && nextRunId) void navigate({ to: '/runs/$id', params: { id: nextRunId }, state: { doneBefore: { id: run.id, position: run.position } } });
    }, [run.status, run.id, run.position, nextRunId, navigate]);
    return () => {
        finishes.current = true;
    };
}

/** The heading of what comes next is where eye and reader go on, unless somebody is busy elsewhere on the page. */
function useHeadingOf(step: string) {
    const heading = useRef<HTMLHeadingElement>(null);
    const was = useRef(step);
    useEffect(() => {
        if (was.current === step) return;
        was.current = step;
        const busy = document.activeElement;
        if (busy === document.body || heading.current?.closest('section')?.contains(busy)) heading.current?.focus();
    }, [step]);
    return heading;
}
