import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, type Schemas } from '../api/client';
import { catalogueQuery, judgementQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault, Notice } from '../ui/Notice';
import { moment, percent, useArea, useQuantity, useStress } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { MarginNote, Sheet } from '../ui/Sheet';
import { VerdictWord } from '../ui/Verdict';
import { MEASURE_WORDS } from '../ui/words';
import { EffortBars } from './EffortBars';
import { PullPlot } from './PullPlot';

const route = getRouteApi('/judge/$id');

export function Judgement() {
    const { id } = route.useParams();
    const { data: judgement } = useSuspenseQuery(judgementQuery(id));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    const { comparison, setups, limits } = judgement;
    const close = useChange(() => call('POST', `/comparisons/${id}/close`, { version: comparison.version }), ['comparisons']);
    // One key until the runs are there: a second touch adds no second set of them.
    const [key, setKey] = useState(newId);
    const add = useChange((body: { setupId: string; count: number; pull: 'hot' | 'cold' | 'both' }) => call('POST', `/comparisons/${id}/runs`, { ...body, id: key, version: comparison.version }), ['comparisons'], () => setKey(newId()));
    return (
        <Sheet
            title={comparison.title}
            lead={`${catalogue.materials.find((m) => m.id === comparison.materialId)?.name ?? ''} ${comparison.lotLabel}, ${comparison.printerName}`}
            actions={
                <>
                    {comparison.status === 'running' && may.test ? (
                        <Button tone="main" onClick={() => close.mutate(undefined)} disabled={close.isPending}>
                            Record the verdict
                        </Button>
                    ) : null}
                    <Button asChild>
                        <Link to="/test/$id" params={{ id }}>
                            Plan and runs
                        </Link>
                    </Button>
                </>
            }
            margin={<Reckoning judgement={judgement} />}
        >
            <Fault error={close.error ?? add.error} />
            {judgement.openRuns > 0 ? (
                <div className="mb-4">
                    <Notice>{judgement.openRuns === 1 ? 'One run goes on' : `${judgement.openRuns} runs go on`} and {judgement.openRuns === 1 ? 'is' : 'are'} left out here until {judgement.openRuns === 1 ? 'it is' : 'they are'} done.</Notice>
                </div>
            ) : null}
            {judgement.grewAfterVerdict && judgement.proof.design === 'fixed' ? (
                <div className="mb-4">
                    <Notice>Runs were added to this plan. They only describe: the verdicts rest on the planned ones.</Notice>
                </div>
            ) : null}
            {judgement.use ? <UseThis use={judgement.use} setups={setups} /> : null}
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
                        {limits.hotPullAtLeastN === null ? null : <PullPlot title="Hot pull, does it hold" setups={setups} pick={(setup) => setup.hotPull} limitN={limits.hotPullAtLeastN} side="above" />}
                        {limits.coldPullAtMostN === null ? null : <PullPlot title="Cold pull, does it let go" setups={setups} pick={(setup) => setup.coldPull} limitN={limits.coldPullAtMostN} side="below" />}
                    </div>
                    <p className="mt-1 mb-6 text-sm text-soft">
                        Dots: readings{setups.some((setup) => setup.hotPull.uneven || setup.coldPull.uneven) ? '; crossed: beyond the limit, among pulls that do not scatter evenly' : ''}. Arrow: at least that much. Diamond: mean of the parts that held.{' '}
                        {judgement.proof.criterion === 'counts' ? 'Shaded: where a pull counts as a success.' : 'Brackets: the 95 % bounds that decide. Shaded: where they have to be.'}
                    </p>
                </>
            ) : null}
            <EffortBars setups={setups} limit={limits.effortAtMost} />
            <h2 className="mt-8 mb-2">Why</h2>
            <ul>
                {setups.map((setup) => (
                    <li key={setup.id} className="border-b border-line py-4 first:pt-0">
                        <h3 className="text-lg">{setup.name}</h3>
                        {setup.strip ? <SeatStrip strip={setup.strip} runs={[setup.ownRuns]} label={setup.name} /> : null}
                        <div className="mt-1 grid gap-x-8 gap-y-1 sm:grid-cols-2">
                            <Question words="Does it hold?" finding={setup.hold} />
                            <Question words="Does it let go?" finding={setup.release} />
                        </div>
                        <p className="mt-1 text-soft">
                            <strong className="text-ink">
                                {setup.held} of {setup.heldRuns}
                            </strong>{' '}
                            runs held
                            {setup.heldCi95 ? ` (95 % interval, ${judgement.figures}: ${percent(setup.heldCi95[0] ?? 0)} to ${percent(setup.heldCi95[1] ?? 1)})` : ''}
                            {setup.voids > 0 ? `; ${setup.voids} void beside` : ''}{setup.voidsAlone > 0 ? `, ${setup.voidsAlone} declared by whoever made it, with the outcome known` : ''}.
                        </p>
                        {may.test ? (
                            <div className="mt-2 flex flex-wrap gap-2">
                                {setup.verdict === 'holds_and_lets_go' ? (
                                    <Button asChild>
                                        <Link to="/keep/propose/$id" params={{ id: setup.id }}>
                                            Propose a profile from {setup.label}
                                        </Link>
                                    </Button>
                                ) : null}
                                {setup.verdict === 'not_yet_known' && setup.heldRuns > 0 ? (
                                    <Button asChild tone="quiet">
                                        <Link to="/keep/propose/$id" params={{ id: setup.id }}>
                                            Propose {setup.label} for a trial
                                        </Link>
                                    </Button>
                                ) : null}
                                {setup.verdict === 'not_yet_known' && setup.moreRuns === null ? (
                                    <Button asChild>
                                        <Link to="/test/new" search={{ after: comparison.id, setup: setup.id, runs: setup.newPlanRuns ?? judgement.runsPlanned }}>
                                            Plan {setup.label} anew{setup.newPlanRuns ? `, ${setup.newPlanRuns} runs` : ''}
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

const ANSWER: Record<Schemas['Answer'], string> = { yes: 'Yes.', no: 'No.', not_yet: 'Not yet known.' };

function Question({ words, finding }: { words: string; finding: Schemas['Finding'] }) {
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
function UseThis({ use, setups }: { use: NonNullable<Schemas['Judgement']['use']>; setups: Schemas['JudgedSetup'][] }) {
    return (
        <section className="mb-5 border-l-4 border-accent bg-accent-wash px-5 py-3" aria-label="Use this">
            <p className="text-sm font-[650]">Use this</p>
            <h2 className="text-2xl">{setups.find((setup) => setup.label === use.setup)?.name}</h2>
            <p>{[...use.reasons, ...use.others].join(' ')}</p>
        </section>
    );
}

/** Of an adaptive plan: the run that tells most, and who gets no further run. */
function NextRun({ next, pending, onAdd }: { next: NonNullable<Schemas['Judgement']['next']>; pending: boolean; onAdd: ((setupId: string, pull: Schemas['Pull']) => void) | null }) {
    const { setupId, setup, pull } = next;
    return (
        <section className="mb-6" aria-label="Next run">
            {next.plannedOpen > 0 ? <p>{next.plannedOpen === 1 ? 'One planned run is still to be made' : `${next.plannedOpen} planned runs are still to be made`}; the next one is offered when they are done.</p> : null}
            {setupId && pull && next.plannedOpen === 0 ? (
                <div className="flex flex-wrap items-center justify-between gap-3 border-2 border-line px-4 py-2">
                    <p className="min-w-0 flex-1">
                        <strong>The run that tells most</strong> {next.reason}
                    </p>
                    {onAdd ? (
                        <Button onClick={() => onAdd(setupId, pull)} disabled={pending}>
                            Add a run of {setup}
                        </Button>
                    ) : null}
                </div>
            ) : null}
            {next.left.length > 0 ? (
                <details className="mt-1">
                    <summary className="flex min-h-11 cursor-pointer items-center">No further runs for {next.left.map((each) => each.setup).join(', ')}</summary>
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
    const area = useArea();
    const length = useQuantity('length');
    const { limits, recorded } = judgement;
    return (
        <>
            <MarginNote title="How this is judged">
                <p>{judgement.basis}</p>
                {limits.hotPullAtLeastN === null || limits.coldPullAtMostN === null ? null : (
                    <p>
                        Hot pull at least {force.text(limits.hotPullAtLeastN)}, cold pull at most {force.text(limits.coldPullAtMostN)}; contact area {area.text(judgement.contactAreaMm2)}.
                    </p>
                )}
                {limits.liftAtMostMm ? (
                    <p>
                        Lift at most {length.text(limits.liftAtMostMm)}, {limits.liftBy === 'worst_end' ? 'at the worst end' : 'mean of both ends'}.
                    </p>
                ) : null}
                <p>What lies between yes and no is not yet known. “Cannot show” is never “no difference”. A part that came off in the print has no pull: read a mean only beside the count of those that held.</p>
            </MarginNote>
            {recorded ? (
                <MarginNote title="Recorded">
                    <p>
                        {recorded.by}, {moment(recorded.at)}, on {recorded.runs} runs; rules {recorded.coreVersion}, catalogue {recorded.catalogueDigest.slice(0, 6)}.
                    </p>
                    {recorded.superseded ? (
                        <Notice tone="caution">
                            <p>This verdict was superseded: it was reckoned by older rules. Today they would say:</p>
                            <ul>
                                {recorded.setups.map((setup) => (
                                    <li key={setup.label}>
                                        {setup.label}: {setup.now}
                                        {setup.now === setup.then ? '' : ` (then: ${setup.then})`}
                                    </li>
                                ))}
                            </ul>
                        </Notice>
                    ) : null}
                    {recorded.superseded ? null : recorded.differs ? <Notice tone="caution">Reckoned anew today, a verdict comes out differently. Look at what was amended since.</Notice> : <p>Reckoned anew today it comes out the same.</p>}
                </MarginNote>
            ) : null}
        </>
    );
}

function Figures({ judgement }: { judgement: Schemas['Judgement'] }) {
    const stress = useStress();
    const stressOf = (mpa: number | null | undefined) => (mpa === undefined || mpa === null ? '' : stress.bare(mpa, 3));
    const quantities = { pull_hot: useQuantity('force'), pull_cold: useQuantity('force'), lift: useQuantity('length'), release_temp: useQuantity('temperature') };
    const mpa = new Map<string, number | null>(judgement.setups.flatMap((setup) => [[`pull_hot${setup.label}`, setup.hotPull.meanMpa] as const, [`pull_cold${setup.label}`, setup.coldPull.meanMpa] as const]));
    return (
        <details className="mt-8">
            <summary className="flex min-h-11 cursor-pointer items-center text-lg font-[650]">All figures</summary>
            <p className="text-soft">{judgement.figures === 'fixed' ? 'Intervals and p-values are of one look at the planned runs (fixed).' : 'Intervals and p-values describe what is there (descriptive): the runs were looked at before, or are not those of the plan. The verdicts have bounds of their own.'}</p>
            {Object.entries(judgement.measures).map(([name, figures]) => {
                const measure = name as keyof typeof quantities;
                const quantity = quantities[measure];
                const delta = (n: number) => (quantity.show(n) - quantity.show(0)).toFixed(2);
                return (
                    <section key={name} className="mt-4 overflow-x-auto">
                        <h3>
                            {MEASURE_WORDS[measure]}, {quantity.symbol}
                        </h3>
                        <table className="ledger w-full">
                            <thead>
                                <tr>
                                    <th>Setup</th>
                                    <th className="num">n</th>
                                    <th className="num">mean</th>
                                    <th className="num">sd</th>
                                    <th className="num">95 % interval</th>
                                    <th className="num">{stress.symbol}</th>
                                    <th>Note</th>
                                </tr>
                            </thead>
                            <tbody>
                                {figures.setups.map((row) => (
                                    <tr key={row.setup}>
                                        <th scope="row">{row.setup}</th>
                                        <td className="num">{row.n}</td>
                                        <td className="num">{row.mean === null ? '–' : quantity.bare(row.mean, 2)}</td>
                                        <td className="num">{row.sd === null ? '–' : delta(row.sd)}</td>
                                        <td className="num">{row.ci95 ? row.ci95.map((bound) => quantity.bare(bound, 2)).join(' … ') : '–'}</td>
                                        <td className="num">{stressOf(mpa.get(name + row.setup))}</td>
                                        <td>{row.reason}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                        <p className="mt-2">
                            {figures.overall.p === null
                                ? `No test across setups: ${figures.overall.reason ?? ''}`
                                : `Welch one-way: F = ${figures.overall.statistic?.toFixed(3) ?? ''}, df ${figures.overall.df?.map((df) => df.toFixed(1)).join(' and ') ?? ''}, p = ${figures.overall.p.toPrecision(3)}.`}
                        </p>
                        {figures.pairs.length > 0 ? (
                            <table className="ledger mt-2 w-full">
                                <thead>
                                    <tr>
                                        <th>Pair</th>
                                        <th className="num">difference</th>
                                        <th className="num">95 % interval</th>
                                        <th className="num">p (Games–Howell, {judgement.figures})</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    {figures.pairs.map((pair) => (
                                        <tr key={pair.a + pair.b}>
                                            <th scope="row">
                                                {pair.b} − {pair.a}
                                            </th>
                                            <td className="num">{pair.difference === null ? '–' : delta(pair.difference)}</td>
                                            <td className="num">{pair.ci95 ? pair.ci95.map(delta).join(' … ') : (pair.reason ?? '–')}</td>
                                            <td className="num">{pair.p === null ? '–' : pair.p < 0.001 ? '< 0.001' : pair.p.toFixed(3)}</td>
                                        </tr>
                                    ))}
                                </tbody>
                            </table>
                        ) : null}
                    </section>
                );
            })}
        </details>
    );
}
