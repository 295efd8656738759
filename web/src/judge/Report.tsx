import { queryOptions, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';

import { api, ask } from '../api/client';
import { catalogueQuery, comparisonQuery, judgementQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { moment, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { useTerms } from '../ui/terms';
import { VerdictWord } from '../ui/Verdict';
import { say } from '../words/say';
import { CoatLives, Control, WhereItFailed } from './Beyond';
import { EffortBars } from './EffortBars';
import { Figures } from './Figures';
import { Question, UseThis } from './Judgement';
import { PullPlot } from './PullPlot';
import { Differences, NextSteps, WeakPoints } from './Said';

const route = getRouteApi('/judge/$id/report');

/** The readings as they stand, in the form in which they are read in again. */
export const readingsQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id, 'table'], queryFn: ({ signal }) => ask(api.GET('/api/comparisons/{id}/table', { signal, params: { path: { id } }, parseAs: 'text' })) });

/** All of a comparison on paper: the question, the answer and what it rests on, down to each reading. */
export function Report() {
    const { id } = route.useParams();
    const { data: judgement } = useSuspenseQuery(judgementQuery(id));
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: table } = useSuspenseQuery(readingsQuery(id));
    const temperature = useQuantity('temperature');
    const { setups, limits, recorded } = judgement;
    return (
        <Sheet
            title={comparison.title}
            lead={say('judge.report_of', { material: catalogue.materials.find((m) => m.id === comparison.materialId)?.name ?? '', lotLabel: comparison.lotLabel, printerName: comparison.printerName, room: temperature.text(comparison.roomC), started: comparison.startedAt ? moment(comparison.startedAt) : '–' })}
            actions={
                <>
                    <Button tone="main" onClick={() => print()}>
                        {say('keep.print')}
                    </Button>
                    <Button asChild>
                        <a href={`/api/comparisons/${id}/table`} download>
                            {say('judge.readings_csv')}
                        </a>
                    </Button>
                    <Button asChild>
                        <a href={`/api/comparisons/${id}/judgement`} download={`judgement-${id}.json`}>
                            {say('judge.judgement_json')}
                        </a>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/judge/$id" params={{ id }}>
                            {say('judge.to_the_verdict')}
                        </Link>
                    </Button>
                </>
            }
            margin={
                <>
                    <WeakPoints points={[...judgement.weakPoints, ...comparison.cautions]} />
                    <NextSteps judgement={judgement} />
                    <MarginNote title={say('judge.how_this_is_judged')}>
                        <p>{judgement.basis}</p>
                        <p>{recorded ? say('judge.on_runs_rules_catalogue', { by: recorded.by, at: moment(recorded.at), runs: recorded.runs, coreVersion: recorded.coreVersion, catalogueDigest: recorded.catalogueDigest.slice(0, 6) }) : say('judge.not_recorded_yet', { coreVersion: judgement.coreVersion })}</p>
                    </MarginNote>
                </>
            }
        >
            <p className="mb-4 max-w-[46rem]">{comparison.question}</p>
            {judgement.use ? <UseThis use={judgement.use} setups={setups} /> : null}
            {(judgement.ladder?.sentences ?? []).map((sentence) => (
                <p key={sentence}>{sentence}</p>
            ))}
            <ul className="my-4">
                {setups.map((setup) => (
                    <li key={setup.id} className="break-inside-avoid border-b border-line py-3">
                        <div className="flex flex-wrap items-center justify-between gap-3">
                            <h2>{setup.name}</h2>
                            <VerdictWord verdict={setup.verdict} words={setup.words} />
                        </div>
                        {setup.surprise ? <p>{setup.surprise}</p> : null}
                        <div className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
                            <Question words={say('judge.does_it_hold')} finding={setup.hold} />
                            <Question words={say('judge.does_it_let_go')} finding={setup.release} />
                        </div>
                    </li>
                ))}
            </ul>
            {judgement.proof.measures.includes('pull') ? (
                <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2 print:grid-cols-2">
                    {limits.hotPullAtLeastN === null ? null : <PullPlot title={say('judge.hot_pull_does_it_hold')} setups={setups} pick={(setup) => setup.hotPull} limitN={limits.hotPullAtLeastN} side="above" />}
                    {limits.coldPullAtMostN === null ? null : <PullPlot title={limits.hotPullAtLeastN === null ? say('judge.pull_to_take_off') : say('judge.cold_pull_does_it_let_go')} setups={setups} pick={(setup) => setup.coldPull} limitN={limits.coldPullAtMostN} side="below" />}
                </div>
            ) : null}
            <EffortBars setups={setups} limit={limits.effortAtMost} />
            <CoatLives id={judgement.comparison.id} coats={judgement.coats} />
            <WhereItFailed places={judgement.places} />
            <Control control={judgement.control} />
            <Differences differences={judgement.differences} all />
            <Figures judgement={judgement} open />
            <h2 className="mt-8 mb-2">{say('judge.raw_readings')}</h2>
            <Readings table={table} />
        </Sheet>
    );
}

/** The table that is exported, a line for each run. */
function Readings({ table }: { table: string }) {
    const terms = useTerms();
    const lines = table.trim().split(/\r?\n/).slice(1).map((line) => line.split(','));
    const measures = [...new Set(lines.map(([, , measure]) => measure ?? ''))];
    const runs = new Map<string, { setup: string; run: string; values: Map<string, string[]> }>();
    for (const [setup = '', run = '', measure = '', value = '', unit = '', status = ''] of lines) {
        const of = runs.get(`${setup}/${run}`) ?? { setup, run, values: new Map<string, string[]>() };
        const words = say('judge.reading_of_status', { value, unit, status });
        of.values.set(measure, [...(of.values.get(measure) ?? []), words]);
        runs.set(`${setup}/${run}`, of);
    }
    return (
        <div className="overflow-x-auto">
            <table className="ledger w-full text-sm">
                <thead>
                    <tr>
                        <th>{say('judge.setup')}</th>
                        <th>{say('judge.run')}</th>
                        {measures.map((measure) => (
                            <th key={measure}>{terms.measure(measure)}</th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {[...runs].map(([key, { setup, run, values }]) => (
                        <tr key={key}>
                            <td>{setup}</td>
                            <td>{run}</td>
                            {measures.map((measure) => (
                                <td key={measure}>{values.get(measure)?.join(', ')}</td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
