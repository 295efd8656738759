import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';

import { call, type Schemas } from '../api/client';
import { catalogueQuery, comparisonQuery, useChange, useMay } from '../api/queries';
import { Progress } from '../shell/Start';
import { Button } from '../ui/Button';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { duration, useArea, useGap, useQuantity, useStress } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { EFFORT_WORDS, LIFT_BY_WORDS, OUTCOME_WORDS, STEP_WORDS } from '../ui/words';
import { PlanChances } from './PlanChances';

const route = getRouteApi('/test/$id');

export function ComparisonPage() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    const start = useChange((version: number) => call('POST', `/comparisons/${id}/start`, { version }), ['comparisons']);
    const material = catalogue.materials.find((m) => m.id === comparison.materialId);
    const runs = comparison.runs;
    const next = runs.find((run) => run.status === 'running') ?? runs.find((run) => run.status === 'planned');
    const done = runs.filter((run) => run.status === 'done').length;
    const total = runs.filter((run) => run.status !== 'void').length;
    const draft = comparison.status === 'draft';
    return (
        <Sheet
            title={comparison.title}
            lead={`${material?.name ?? ''} ${comparison.lotLabel}, ${comparison.lotName}, on ${comparison.printerName}`}
            actions={
                <>
                    {draft && may.test ? (
                        <>
                            <Button asChild>
                                <Link to="/test/$id/plan" params={{ id }}>
                                    Change the plan
                                </Link>
                            </Button>
                            <Button tone="main" onClick={() => start.mutate(comparison.version)} disabled={start.isPending}>
                                Start
                            </Button>
                        </>
                    ) : null}
                    {draft ? null : (
                        <Button asChild tone={next ? 'plain' : 'main'}>
                            <Link to="/judge/$id" params={{ id }}>
                                To the verdict
                            </Link>
                        </Button>
                    )}
                    {comparison.status === 'running' && may.test ? (
                        <Button asChild>
                            <Link to="/test/$id/import" params={{ id }}>
                                Readings from paper
                            </Link>
                        </Button>
                    ) : null}
                </>
            }
            margin={<Constants comparison={comparison} />}
        >
            <Fault error={start.error} />
            <div className="mb-6 flex flex-col gap-2">
                <Notice tone={comparison.varied.confounded ? 'caution' : 'note'}>{comparison.varied.sentence}</Notice>
                <Cautions sentences={comparison.cautions} />
            </div>
            {next && !draft ? (
                <Link to="/runs/$id" params={{ id: next.id }} className="mb-6 flex flex-wrap items-center justify-between gap-3 border-l-4 border-accent bg-accent-wash px-5 py-4 text-ink no-underline hover:underline">
                    <span>
                        <span className="block text-xl font-[650]">
                            {next.status === 'running' ? `Go on with run ${next.position}: ${STEP_WORDS[next.step].toLowerCase()}` : `Next: run ${next.position}`}
                        </span>
                        <span className="text-soft">
                            {comparison.setups.find((s) => s.id === next.setupId)?.name}
                            {comparison.proof.measures.includes('pull') ? `, ${next.pull} pull` : ''}
                        </span>
                    </span>
                    <span className="w-48">
                        <Progress done={done} total={total} />
                    </span>
                </Link>
            ) : null}
            <SetupList comparison={comparison} />
            {draft ? (
                <>
                    <h2 className="mt-8 mb-2">What this plan can show</h2>
                    <PlanChances plan={comparison} />
                </>
            ) : null}
            <h2 className="mt-8 mb-1">{draft ? (comparison.proof.design === 'adaptive' ? 'The first runs, as they would be' : 'The order, as it would be') : 'Runs in order'}</h2>
            <p className="mb-3 text-soft">
                {duration(comparison.plan.totalMinutes)} {comparison.proof.design === 'adaptive' ? 'for the first runs; every further one is chosen by what is still open.' : 'in all.'} {comparison.plan.secondVisitSentence}
            </p>
            <RunTable comparison={comparison} />
        </Sheet>
    );
}

function SetupList({ comparison }: { comparison: Schemas['Comparison'] }) {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const temperature = useQuantity('temperature');
    return (
        <div className="overflow-x-auto">
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th>Setup</th>
                        <th>Plate side</th>
                        <th>Surface</th>
                        <th>Agent</th>
                        <th className="num">Bed first</th>
                        <th className="num">after</th>
                    </tr>
                </thead>
                <tbody>
                    {comparison.setups.map((setup) => (
                        <tr key={setup.id}>
                            <th scope="row">{setup.label}</th>
                            <td>{setup.sideLabel}</td>
                            <td>{catalogue.surfaces.find((s) => s.id === setup.surfaceId)?.name}</td>
                            <td>{setup.agentName ?? 'bare'}</td>
                            <td className="num">{setup.bedFirstC === null ? 'off' : temperature.text(setup.bedFirstC)}</td>
                            <td className="num">{setup.bedOtherC === null ? 'off' : temperature.text(setup.bedOtherC)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

type Row = { key: string; id: string | null; position: number; setupId: string; visit: number; pull: string; plateChange: boolean; state: string };

function RunTable({ comparison }: { comparison: Schemas['Comparison'] }) {
    const label = (id: string) => comparison.setups.find((s) => s.id === id);
    const rows: Row[] =
        comparison.status === 'draft'
            ? comparison.plan.order.map((run) => ({ ...run, key: String(run.position), id: null, state: 'planned' }))
            : comparison.runs.map((run) => ({
                  key: run.id,
                  id: run.id,
                  position: run.position,
                  setupId: run.setupId,
                  visit: run.visit,
                  pull: run.pull,
                  plateChange: run.plateChange,
                  state: run.status === 'void' ? `void: ${run.voidReason}` : run.status === 'done' && run.outcome ? OUTCOME_WORDS[run.outcome].toLowerCase() : run.status === 'running' ? `now: ${STEP_WORDS[run.step].toLowerCase()}` : run.status,
              }));
    return (
        <div className="overflow-x-auto">
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th className="num">Run</th>
                        <th>Setup</th>
                        <th>Pull</th>
                        <th>Plate</th>
                        <th>State</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.key} className={row.state.startsWith('void') ? 'text-soft line-through decoration-1' : row.state.startsWith('now') ? 'bg-accent-wash' : ''}>
                            <td className="num">
                                {row.id ? (
                                    <Link to="/runs/$id" params={{ id: row.id }} aria-label={`Run ${row.position}`}>
                                        {row.position}
                                    </Link>
                                ) : (
                                    row.position
                                )}
                            </td>
                            <td>{label(row.setupId)?.name}</td>
                            <td>{comparison.proof.measures.includes('pull') ? row.pull : 'none'}</td>
                            <td>{row.plateChange ? 'put on' : 'stays'}</td>
                            <td>{row.state}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function Constants({ comparison }: { comparison: Schemas['Comparison'] }) {
    const temperature = useQuantity('temperature');
    const force = useQuantity('force');
    const area = useArea();
    const stress = useStress();
    const gap = useGap();
    const length = useQuantity('length');
    const { constants, limits } = comparison;
    const rows: [string, string][] = [
        ['Test piece', `${constants.piece.name}, ${length.bare(constants.piece.alongPullMm)} × ${length.text(constants.piece.acrossPullMm)}, pulled at ${length.text(constants.piece.pullHeightMm)}`],
        ['G-code', constants.gcodeName],
        ['Nozzle', `${length.text(constants.nozzleMm)}, first layer ${temperature.text(constants.nozzleFirstC)}`],
        ['Line width', length.text(constants.lineWidthMm)],
        ['Gap', gap(constants)],
        ['Speed', `${constants.firstLayerSpeedMmS} mm/s on the first layer`],
        ['Fan', constants.fan],
        ['Held by', constants.holdDown],
        ['Brim', constants.brim],
        ['Room', temperature.text(comparison.roomC)],
    ];
    return (
        <>
            <MarginNote title="To reach">
                <p>{comparison.basis}</p>
                {limits.hotPullAtLeastN === null || limits.coldPullAtMostN === null ? null : (
                    <>
                        <p>
                            Hot pull at least <strong>{force.text(limits.hotPullAtLeastN)}</strong>
                            {comparison.piece.hotLimitMpa === null || comparison.piece.hotLimitEdgePeelMpa === null ? '' : `, that is ${stress.text(comparison.piece.hotLimitMpa)} over ${area.text(comparison.piece.contactAreaMm2)}, and ${stress.text(comparison.piece.hotLimitEdgePeelMpa)} peel at the edge`}.
                        </p>
                        <p>
                            Cold pull at most <strong>{force.text(limits.coldPullAtMostN)}</strong>.
                        </p>
                    </>
                )}
                {limits.liftAtMostMm ? (
                    <p>
                        Lift at most <strong>{length.text(limits.liftAtMostMm)}</strong>, {LIFT_BY_WORDS[limits.liftBy ?? 'mean_of_ends'].toLowerCase()}.
                    </p>
                ) : null}
                <p>
                    No harder than “{EFFORT_WORDS[limits.effortAtMost]?.toLowerCase()}”, {limits.failuresAllowed} {limits.failuresAllowed === 1 ? 'failure' : 'failures'} allowed, no damage.
                </p>
            </MarginNote>
            <MarginNote title="Held constant">
                <dl className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 gap-y-1">
                    {rows.map(([name, value]) => (
                        <div key={name} className="contents">
                            <dt>{name}</dt>
                            <dd className="text-ink">{value}</dd>
                        </div>
                    ))}
                </dl>
            </MarginNote>
            {comparison.grewAfterVerdict && comparison.proof.design === 'fixed' ? <Notice>Runs were added to this plan. They only describe: verdicts rest on the planned ones.</Notice> : null}
        </>
    );
}
