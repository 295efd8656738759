import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';

import { api, ask, type Schemas } from '../api/client';
import { catalogueQuery, comparisonQuery, useChange, useMay } from '../api/queries';
import { isResin } from '../choose/request';
import { Progress } from '../shell/Start';
import { Button } from '../ui/Button';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { duration, useGap, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { useTerms } from '../ui/terms';
import { EFFORT_WORDS, LIFT_BY_WORDS, OUTCOME_WORDS, PULL_WORDS, RUN_STATUS_WORDS } from '../ui/words';
import { say, tell } from '../words/say';
import { PlanChances } from './PlanChances';
import { Risks } from './Risks';
import { Timetable } from './Timetable';

const route = getRouteApi('/test/$id');

export function ComparisonPage() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    const terms = useTerms();
    const start = useChange((version: number) => ask(api.POST('/api/comparisons/{id}/start', { params: { path: { id } }, body: { version } })), ['comparisons']);
    const material = catalogue.materials.find((m) => m.id === comparison.materialId);
    const runs = comparison.runs;
    const next = runs.find((run) => run.status === 'running') ?? runs.find((run) => run.status === 'planned');
    const done = runs.filter((run) => run.status === 'done').length;
    const total = runs.filter((run) => run.status !== 'void').length;
    const draft = comparison.status === 'draft';
    return (
        <Sheet
            title={comparison.title}
            lead={say('test.on', { material: material?.name ?? '', lotLabel: comparison.lotLabel, lotName: comparison.lotName, printerName: comparison.printerName })}
            actions={
                <>
                    {draft && may.test ? (
                        <>
                            <Button asChild>
                                <Link to="/test/$id/plan" params={{ id }}>{say('test.change_the_plan')}</Link>
                            </Button>
                            <Button tone="main" onClick={() => start.mutate(comparison.version)} disabled={start.isPending || comparison.setups.some((setup) => setup.risk && !setup.riskTaken)}>{say('test.start')}</Button>
                        </>
                    ) : null}
                    {draft ? null : (
                        <Button asChild tone={next ? 'plain' : 'main'}>
                            <Link to="/judge/$id" params={{ id }}>{say('test.to_the_verdict')}</Link>
                        </Button>
                    )}
                    {comparison.status === 'running' && may.test ? (
                        <Button asChild>
                            <Link to="/test/$id/import" params={{ id }}>{say('test.readings_from_paper')}</Link>
                        </Button>
                    ) : null}
                </>
            }
            margin={<Constants comparison={comparison} />}
        >
            <Fault error={start.error} />
            {next && !draft ? (
                <Link to="/runs/$id" params={{ id: next.id }} className="mb-6 flex flex-wrap items-center justify-between gap-3 border-l-4 border-accent bg-accent-wash px-5 py-4 text-ink no-underline hover:underline">
                    <span>
                        <span className="block text-xl font-[650]">
                            {next.status === 'running' ? say('test.go_on_with_run', { position: next.position, step: terms.step(next.step).toLowerCase() }) : say('test.next_run', { position: next.position })}
                        </span>
                        <span className="text-soft">
                            {comparison.setups.find((s) => s.id === next.setupId)?.name}
                            {comparison.proof.measures.includes('pull') ? say('test.pull', { pull: PULL_WORDS[next.pull] }) : ''}
                        </span>
                    </span>
                    <span className="w-48">
                        <Progress done={done} total={total} />
                    </span>
                </Link>
            ) : null}
            <div className="mb-6 flex flex-col gap-2">
                {comparison.question ? <p className="max-w-[46rem]">{comparison.question}</p> : null}
                <Notice tone={comparison.varied.confounded ? 'caution' : 'note'}>{comparison.varied.sentence}</Notice>
                <Cautions sentences={comparison.cautions} />
            </div>
            <Risks comparison={comparison} />
            <SetupList comparison={comparison} />
            <h2 className="mt-6 mb-1">{draft ? (comparison.proof.design === 'adaptive' ? say('test.the_first_runs_as_they_would') : say('test.the_order_as_it_would_be')) : say('test.runs_in_order')}</h2>
            <p className="mb-3 text-soft">
                {duration(comparison.plan.totalMinutes)} {comparison.proof.design === 'adaptive' ? say('test.for_the_first_runs_every_further') : say('test.in_all')} {comparison.plan.secondVisitSentence}
            </p>
            {draft ? <Timetable order={comparison.plan} pulls={comparison.proof.measures.includes('pull')} indexOf={(id) => comparison.setups.findIndex((setup) => setup.id === id)} /> : null}
            <RunTable comparison={comparison} />
            {draft ? (
                <>
                    <h2 className="mt-8 mb-2">{say('test.what_this_plan_can_show')}</h2>
                    <PlanChances plan={comparison} />
                </>
            ) : null}
            {draft ? null : (
                <p className="mt-3">
                    <a href={`/api/comparisons/${id}/table`} download className="inline-flex min-h-11 items-center">
                        {say('test.readings_as_a_table')}
                    </a>
                </p>
            )}
        </Sheet>
    );
}

function SetupList({ comparison }: { comparison: Schemas['Comparison'] }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    return (
        <ol className="border-t border-line">
            {comparison.setups.map((setup) => (
                <li key={setup.id} className="flex gap-3 border-b border-line py-2">
                    <span className="w-6 text-lg font-[650]">{setup.label}</span>
                    <span>
                        {setup.name.slice(setup.label.length + 2)} <span className="text-soft">{catalogue.surfaces.find((s) => s.id === setup.surfaceId)?.name}</span>
                    </span>
                </li>
            ))}
        </ol>
    );
}

type Row = { key: string; id: string | null; position: number; setupId: string; visit: number; pull: Schemas['Pull']; plateChange: boolean; state: Schemas['Run']['status']; words: string };

function RunTable({ comparison }: { comparison: Schemas['Comparison'] }) {
    const terms = useTerms();
    const label = (id: string) => comparison.setups.find((s) => s.id === id);
    const rows: Row[] =
        comparison.status === 'draft'
            ? comparison.plan.runs.map((run) => ({ ...run, key: String(run.position), id: null, state: 'planned', words: RUN_STATUS_WORDS.planned }))
            : comparison.runs.map((run) => ({
                  key: run.id,
                  id: run.id,
                  position: run.position,
                  setupId: run.setupId,
                  visit: run.visit,
                  pull: run.pull,
                  plateChange: run.plateChange,
                  state: run.status,
                  words: run.status === 'void' ? say('test.void_because', { reason: run.voidReason }) : run.status === 'done' && run.outcome ? OUTCOME_WORDS[run.outcome].toLowerCase() : run.status === 'running' ? say('test.now', { step: terms.step(run.step).toLowerCase() }) : RUN_STATUS_WORDS[run.status],
              }));
    return (
        <div className="overflow-x-auto">
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th className="num">{say('test.run')}</th>
                        <th>{say('test.setup')}</th>
                        <th>{say('test.pull_2')}</th>
                        <th>{say('test.plate')}</th>
                        <th>{say('test.state')}</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.key} className={row.state === 'void' ? 'text-soft line-through decoration-1' : row.state === 'running' ? 'bg-accent-wash' : ''}>
                            <td className="num">
                                {row.id ? (
                                    <Link to="/runs/$id" params={{ id: row.id }} aria-label={say('test.run_2', { position: row.position })}>
                                        {row.position}
                                    </Link>
                                ) : (
                                    row.position
                                )}
                            </td>
                            <td>{label(row.setupId)?.name}</td>
                            <td>{comparison.proof.measures.includes('pull') ? PULL_WORDS[row.pull] : say('test.none')}</td>
                            <td>{row.plateChange ? say('test.put_on') : say('test.stays')}</td>
                            <td>{row.words}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

type Shown = { text: (value: number) => string };

/** What was said of a resin beside its exposure. */
function ofResin(resin: Schemas['Constants']['resin'], length: Shown, temperature: Shown): [string, string][] {
    const rows: [string, number | null | undefined, (value: number) => string][] = [
        [say('test.bottom_layers'), resin?.bottomLayers, String],
        [say('test.transition_layers'), resin?.transitionLayers, String],
        [say('test.layer_height'), resin?.layerHeightMm, length.text],
        [say('test.lift_speed_mm_min'), resin?.liftMmMin, String],
        [say('test.rest_before_exposure_s'), resin?.restS, String],
        [say('test.resin_temperature'), resin?.resinC, temperature.text],
    ];
    return rows.flatMap(([name, value, text]): [string, string][] => (value === null || value === undefined ? [] : [[name, text(value)]]));
}

function Constants({ comparison }: { comparison: Schemas['Comparison'] }) {
    const temperature = useQuantity('temperature');
    const force = useQuantity('force');
    const area = useQuantity('area');
    const stress = useQuantity('stress');
    const gap = useGap();
    const length = useQuantity('length');
    const { constants, limits } = comparison;
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const rows: [string, string][] = isResin(catalogue, comparison.materialId) ? [
        [say('test.test_piece'), constants.piece.name],
        [say('test.sliced_file'), constants.gcodeName],
        ...ofResin(constants.resin, length, temperature),
        [say('test.held_by'), constants.holdDown],
        [say('test.room'), temperature.text(comparison.roomC)],
    ] : [
        [say('test.test_piece'), say('test.pulled_at', { piece: constants.piece.name, alongPullMm: length.bare(constants.piece.alongPullMm), acrossPullMm: length.text(constants.piece.acrossPullMm), pullHeightMm: length.text(constants.piece.pullHeightMm) })],
        ['G-code', constants.gcodeName],
        ...(constants.alsoMaterialIds?.length ? [[say('test.also_on_the_plate'), constants.alsoMaterialIds.map((id) => catalogue.materials.find((each) => each.id === id)?.name ?? id).join(', ')] satisfies [string, string]] : []),
        [say('test.nozzle'), say('test.first_layer', { nozzleMm: length.text(constants.nozzleMm), nozzleFirstC: temperature.text(constants.nozzleFirstC) })],
        [say('test.line_width'), length.text(constants.lineWidthMm)],
        [say('test.gap'), gap(constants)],
        [say('test.speed'), say('test.mm_s_on_the_first_layer', { firstLayerSpeedMmS: constants.firstLayerSpeedMmS })],
        [say('test.fan'), constants.fan],
        [say('test.held_by'), constants.holdDown],
        [say('test.brim'), constants.brim],
        ...(constants.cleaning ? [[say('test.cleaned_with'), constants.cleaning] satisfies [string, string]] : []),
        [say('test.room'), temperature.text(comparison.roomC)],
    ];
    return (
        <>
            <MarginNote title={say('test.to_reach')}>
                <p>{comparison.basis}</p>
                {limits.hotPullAtLeastN === null ? null : (
                    <p>{tell('test.hot_pull_at_least', { hotPullAtLeastN: force.text(limits.hotPullAtLeastN), b: (words) => <strong>{words}</strong> })}
                        {comparison.piece.hotLimitMpa === null || comparison.piece.hotLimitEdgePeelMpa === null ? '' : say('test.that_is_over_and_peel_at', { hotLimitMpa: stress.text(comparison.piece.hotLimitMpa), contactAreaMm2: area.text(comparison.piece.contactAreaMm2), hotLimitEdgePeelMpa: stress.text(comparison.piece.hotLimitEdgePeelMpa) })}.
                    </p>
                )}
                {limits.coldPullAtMostN === null ? null : <p>{tell('test.cold_pull_at_most', { coldPullAtMostN: force.text(limits.coldPullAtMostN), b: (words) => <strong>{words}</strong> })}</p>}
                {limits.liftAtMostMm ? (
                    <p>{tell('test.lift_at_most', { liftAtMostMm: length.text(limits.liftAtMostMm), b: (words) => <strong>{words}</strong>, liftBy: LIFT_BY_WORDS[limits.liftBy ?? 'mean_of_ends'].toLowerCase() })}</p>
                ) : null}
                {limits.why ? <p>{say('test.limits_because', { why: limits.why })}</p> : null}
                {(comparison.proof.partsPerRun ?? 1) > 1 ? <p>{say('test.every_part_of', { parts: comparison.proof.partsPerRun ?? 1 })}</p> : null}
                {comparison.proof.spotsBalanced ? <p>{say('test.spots_are_balanced')}</p> : null}
                {comparison.proof.coatStays ? <p>{say('test.the_coat_stays')}.</p> : null}
                <p>{say('test.no_harder_than_failuresallowed_failure', { effortAtMost: EFFORT_WORDS[limits.effortAtMost]?.toLowerCase(), failuresAllowed: limits.failuresAllowed })}</p>
            </MarginNote>
            <MarginNote title={say('test.held_constant')}>
                <dl className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 gap-y-1">
                    {rows.map(([name, value]) => (
                        <div key={name} className="contents">
                            <dt>{name}</dt>
                            <dd className="text-ink">{value}</dd>
                        </div>
                    ))}
                </dl>
            </MarginNote>
            {comparison.grewAfterVerdict && comparison.proof.design === 'fixed' ? <Notice>{say('test.runs_were_added_to_this_plan')}</Notice> : null}
        </>
    );
}
