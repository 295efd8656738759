import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useState } from 'react';
import { v7 } from 'uuid';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, judgementQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Figure } from '../ui/Glossary';
import { Fault, Notice } from '../ui/Notice';
import { moment, useFigures, useQuantity } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { MarginNote, Sheet } from '../ui/Sheet';
import { VerdictWord } from '../ui/Verdict';
import { say, tell } from '../words/say';
import { CoatLives, Control, WhereItFailed } from './Beyond';
import { EffortBars } from './EffortBars';
import { Figures } from './Figures';
import { LadderSays } from './LadderSays';
import { PullPlot } from './PullPlot';
import { SideBySide } from './SideBySide';
import { ProposeButton } from './Proposing';
import { Differences, NextSteps, WeakPoints } from './Said';

const route = getRouteApi('/judge/$id');

export function Judgement() {
    const figure = useFigures();
    const { id } = route.useParams();
    const { data: judgement } = useSuspenseQuery(judgementQuery(id));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    const { comparison, setups, limits } = judgement;
    const close = useChange(() => ask(api.POST('/api/comparisons/{id}/close', { params: { path: { id } }, body: { version: comparison.version } })), ['comparisons']);
    // One key until the runs are there: a second touch adds no second set of them.
    const [key, setKey] = useState(() => v7());
    const add = useChange((body: { setupId: string; count: number; pull: 'hot' | 'cold' | 'both' }) => ask(api.POST('/api/comparisons/{id}/runs', { params: { path: { id } }, body: { ...body, id: key, version: comparison.version } })), ['comparisons'], () => setKey(v7()));
    return (
        <Sheet
            title={comparison.title}
            lead={`${catalogue.materials.find((m) => m.id === comparison.materialId)?.name ?? ''} ${comparison.lotLabel}, ${comparison.printerName}`}
            actions={
                <>
                    {comparison.status === 'running' && may.test ? (
                        <Button tone="main" onClick={() => close.mutate(undefined)} disabled={close.isPending}>{say('judge.record_the_verdict')}</Button>
                    ) : null}
                    <Button asChild>
                        <Link to="/test/$id" params={{ id }}>{say('judge.plan_and_runs')}</Link>
                    </Button>
                    <Button asChild>
                        <Link to="/judge/$id/report" params={{ id }}>{say('judge.report')}</Link>
                    </Button>
                </>
            }
            margin={
                <>
                    <NextSteps judgement={judgement} />
                    <WeakPoints points={judgement.weakPoints} />
                    <Reckoning judgement={judgement} />
                </>
            }
        >
            <Fault error={close.error ?? add.error} />
            {judgement.use ? <UseThis use={judgement.use} setups={setups} /> : null}
            {judgement.ladder ? <LadderSays ladder={judgement.ladder} title={comparison.title} /> : null}
            <CoatLives id={judgement.comparison.id} coats={judgement.coats} />
            <ul className="mb-4 flex flex-col">
                {setups.map((setup) => (
                    <li key={setup.id} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-line py-1.5 first:pt-0">
                        <h2 className="text-xl">{setup.name}</h2>
                        <VerdictWord verdict={setup.verdict} words={setup.words} />
                        {setup.surprise ? <p className="w-full text-caution">{setup.surprise}</p> : null}
                    </li>
                ))}
            </ul>
            {judgement.next ? <NextRun next={judgement.next} pending={add.isPending} onAdd={may.test ? (setupId, pull) => add.mutate({ setupId, count: 1, pull }) : null} /> : null}
            {judgement.proof.measures.includes('pull') ? (
                <>
                    <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
                        {limits.hotPullAtLeastN === null ? null : <PullPlot title={say('judge.hot_pull_does_it_hold')} setups={setups} pick={(setup) => setup.hotPull} limitN={limits.hotPullAtLeastN} side="above" />}
                        {limits.coldPullAtMostN === null ? null : <PullPlot title={limits.hotPullAtLeastN === null ? say('judge.pull_to_take_off') : say('judge.cold_pull_does_it_let_go')} setups={setups} pick={(setup) => setup.coldPull} limitN={limits.coldPullAtMostN} side="below" />}
                    </div>
                    <p className="mt-1 mb-6 text-sm text-soft">{say('judge.dots_readings_some_crossed_beyond_the', { some: setups.some((setup) => setup.hotPull.uneven || setup.coldPull.uneven) })}{' '}
                        {['counts', 'without_law'].includes(judgement.proof.criterion) ? say('judge.shaded_where_a_pull_counts_as') : say('judge.brackets_the_95_bounds_that_decide')}
                    </p>
                </>
            ) : null}
            <EffortBars setups={setups} limit={limits.effortAtMost} />
            <WhereItFailed places={judgement.places} />
            <SideBySide id={id} />
            <Control control={judgement.control} />
            <div className="mt-8">
                <Differences differences={judgement.differences} />
            </div>
            <h2 className="mt-8 mb-2">{say('judge.why')}</h2>
            <ul>
                {setups.map((setup) => (
                    <li key={setup.id} className="border-b border-line py-4 first:pt-0">
                        <h3 className="text-lg">{setup.name}</h3>
                        {setup.strip ? <SeatStrip strip={setup.strip} runs={[setup.ownRuns]} label={setup.name} /> : null}
                        <div className="mt-1 grid gap-x-8 gap-y-1 sm:grid-cols-2">
                            <Question words={say('judge.does_it_hold')} finding={setup.hold} />
                            <Question words={say('judge.does_it_let_go')} finding={setup.release} />
                        </div>
                        <p className="mt-1 text-soft">
                            {tell('judge.runs_that_held', { held: setup.held, heldRuns: setup.heldRuns, b: (words) => <Figure of="held"><strong className="text-ink">{words}</strong></Figure>, hasHeldCi95: Boolean(setup.heldCi95), figures: setup.heldCi95 ? judgement.figures : '', percent: setup.heldCi95 ? figure('share').text(setup.heldCi95[0] ?? 0) : '', percent2: setup.heldCi95 ? figure('share').text(setup.heldCi95[1] ?? 1) : '' })}
                            {setup.voids > 0 ? say('judge.and_void', { voids: setup.voids }) : ''}{setup.voidsAlone > 0 ? say('judge.declared_by_whoever_made_it_with', { voidsAlone: setup.voidsAlone }) : ''}.
                        </p>
                        {may.test ? (
                            <div className="mt-2 flex flex-wrap gap-2">
                                {setup.verdict === 'holds_and_lets_go' ? <ProposeButton setupId={setup.id} label={setup.label} /> : null}
                                {setup.verdict === 'not_yet_known' && setup.heldRuns > 0 ? (
                                    <Button asChild tone="quiet">
                                        <Link to="/keep/propose/$id" params={{ id: setup.id }}>{say('judge.propose_for_a_trial', { setup: setup.label })}</Link>
                                    </Button>
                                ) : null}
                                {setup.verdict === 'not_yet_known' && setup.moreRuns === null ? (
                                    <Button asChild>
                                        <Link to="/test/new" search={{ after: comparison.id, setup: setup.id, runs: setup.newPlanRuns ?? judgement.runsPlanned }}>{say('judge.plan_again', { setup: setup.label, hasNewPlanRuns: Boolean(setup.newPlanRuns), newPlanRuns: setup.newPlanRuns ? setup.newPlanRuns : '' })}
                                        </Link>
                                    </Button>
                                ) : null}
                            </div>
                        ) : null}
                    </li>
                ))}
            </ul>
            <Figures judgement={judgement} />
        </Sheet>
    );
}

const ANSWER: Record<Schemas['Answer'], string> = { yes: 'Yes.', no: 'No.', not_yet: say('judge.not_yet_known') };

export function Question({ words, finding }: { words: string; finding: Schemas['Finding'] }) {
    return (
        <p>
            <strong>
                {words} {ANSWER[finding.answer]}
            </strong>{' '}
            {finding.reasons.join(' ')}
        </p>
    );
}

/** The one to use among those that hold and let go, and how the others stand to it. */
export function UseThis({ use, setups }: { use: NonNullable<Schemas['Judgement']['use']>; setups: Schemas['JudgedSetup'][] }) {
    return (
        <section className="mb-5 border-l-4 border-accent bg-accent-wash px-5 py-3" aria-label={say('judge.use_this')}>
            <p className="text-sm font-[650]">{say('judge.use_this')}</p>
            <h2 className="text-2xl">{setups.find((setup) => setup.label === use.setup)?.name}</h2>
            <p>{[...use.reasons, ...use.others].join(' ')}</p>
        </section>
    );
}

/** Of an adaptive plan: the run that tells most, and who gets no further run. */
function NextRun({ next, pending, onAdd }: { next: NonNullable<Schemas['Judgement']['next']>; pending: boolean; onAdd: ((setupId: string, pull: Schemas['Pull']) => void) | null }) {
    const { setupId, setup, pull } = next;
    return (
        <section className="mb-6" aria-label={say('judge.next_run')}>
            {next.plannedOpen > 0 ? <p>{say('judge.plannedopen_one_planned_run_is_still', { plannedOpen: next.plannedOpen })}</p> : null}
            {setupId && pull && next.plannedOpen === 0 ? (
                <div className="flex flex-wrap items-center justify-between gap-3 border-2 border-line px-4 py-2">
                    <p className="min-w-0 flex-1">
                        <strong>{say('judge.the_run_that_tells_most')}</strong> {next.reason}
                    </p>
                    {onAdd ? (
                        <Button onClick={() => onAdd(setupId, pull)} disabled={pending}>{say('judge.add_a_run_of', { setup })}
                        </Button>
                    ) : null}
                </div>
            ) : null}
            {next.left.length > 0 ? (
                <details className="mt-1">
                    <summary className="flex min-h-11 cursor-pointer items-center">{say('judge.no_further_runs_for', { left: next.left.map((each) => each.setup).join(', ') })}</summary>
                    <ul className="list-disc pl-5">
                        {next.left.map((each) => (
                            <li key={each.setup}>
                                <strong>{each.setup}</strong>: {each.why}
                            </li>
                        ))}
                    </ul>
                </details>
            ) : null}
        </section>
    );
}

function Reckoning({ judgement }: { judgement: Schemas['Judgement'] }) {
    const force = useQuantity('force');
    const area = useQuantity('area');
    const length = useQuantity('length');
    const { limits, recorded } = judgement;
    return (
        <>
            <MarginNote title={say('judge.how_this_is_judged')}>
                <p>{judgement.basis}</p>
                {limits.coldPullAtMostN === null ? null : (
                    <p>{say('judge.hot_pull_at_least_cold_pull', { hot: limits.hotPullAtLeastN !== null, hotPullAtLeastN: limits.hotPullAtLeastN === null ? '' : force.text(limits.hotPullAtLeastN), coldPullAtMostN: force.text(limits.coldPullAtMostN), contactAreaMm2: area.text(judgement.contactAreaMm2) })}</p>
                )}
                {limits.liftAtMostMm ? (
                    <p>{say('judge.lift_at_most_liftbyisworst_end_at', { liftAtMostMm: length.text(limits.liftAtMostMm), liftByIsWorst_end: limits.liftBy === 'worst_end' })}</p>
                ) : null}
                {limits.why ? <p>{say('test.limits_because', { why: limits.why })}</p> : null}
                <p>{say('judge.what_lies_between_yes_and_no')}</p>
            </MarginNote>
            {recorded ? (
                <MarginNote title={say('judge.recorded')}>
                    <p>
                        {say('judge.on_runs_rules_catalogue', { by: recorded.by, at: moment(recorded.at), runs: recorded.runs, coreVersion: recorded.coreVersion, catalogueDigest: recorded.catalogueDigest.slice(0, 6) })}</p>
                    {recorded.superseded ? (
                        <Notice tone="caution">
                            <p>{say('judge.superseded')}</p>
                            <ul>
                                {recorded.setups.map((setup) => (
                                    <li key={setup.label}>
                                        {setup.label}: {setup.now}
                                        {setup.now === setup.then ? '' : ` ${say('judge.then', { then: setup.then })}`}
                                    </li>
                                ))}
                            </ul>
                        </Notice>
                    ) : null}
                    {recorded.superseded ? null : recorded.differs ? <Notice tone="caution">{say('judge.today_it_differs')}</Notice> : <p>{say('judge.today_it_is_the_same')}</p>}
                </MarginNote>
            ) : null}
        </>
    );
}
