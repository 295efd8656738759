import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';

import { catalogueQuery, comparisonsQuery, useMay } from '../api/queries';
import { Progress } from '../shell/Start';
import { Button } from '../ui/Button';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { STATUS_WORDS } from '../ui/words';

export function ComparisonList() {
    const { data: comparisons } = useSuspenseQuery(comparisonsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    return (
        <Sheet
            title="Comparisons"
            lead="One question each: which of these setups holds this material and lets it go?"
            actions={
                may.test ? (
                    <Button asChild tone="main">
                        <Link to="/test/new">Plan a comparison</Link>
                    </Button>
                ) : null
            }
            margin={
                <MarginNote title="A fair comparison">
                    <p>
                        Vary <strong>one</strong> thing: the surface, the bed temperature or the agent. Hold the rest constant and write it down.
                    </p>
                    <p>A part gives one pull, hot or cold. Hot speaks for the hold, cold for the release.</p>
                    <p>What spoils a run makes it void: kept, and repeated. It is not a failure of the surface.</p>
                </MarginNote>
            }
        >
            {comparisons.length === 0 ? (
                <Empty>
                    <p>
                        Nothing is compared yet. Tick two or three candidates in <Link to="/choose">Choose</Link> and send them here.
                    </p>
                </Empty>
            ) : (
                <ul>
                    {comparisons.map((comparison) => {
                        const total = comparison.runs.done + comparison.runs.running + comparison.runs.planned;
                        return (
                            <li key={comparison.id} className="grid gap-x-6 border-b border-line py-3 sm:grid-cols-[minmax(0,1fr)_11rem]">
                                <div>
                                    <Link to="/test/$id" params={{ id: comparison.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                        {comparison.title}
                                    </Link>
                                    <p className="text-soft">
                                        {catalogue.materials.find((m) => m.id === comparison.materialId)?.name} {comparison.lotLabel}, {comparison.printerName}
                                    </p>
                                </div>
                                <div className="sm:pt-2">
                                    <p className="font-[650]">{STATUS_WORDS[comparison.status]}</p>
                                    {total > 0 ? <Progress done={comparison.runs.done} total={total} /> : <p className="text-soft">no runs yet</p>}
                                    {comparison.runs.void > 0 ? <p className="text-sm text-soft">{comparison.runs.void} void</p> : null}
                                </div>
                            </li>
                        );
                    })}
                </ul>
            )}
        </Sheet>
    );
}
