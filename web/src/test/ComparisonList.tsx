import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';

import { catalogueQuery, comparisonsList, useMay } from '../api/queries';
import { Progress } from '../shell/Start';
import { Button } from '../ui/Button';
import { FoundList } from '../ui/FoundList';
import { MarginNote, Sheet } from '../ui/Sheet';
import { STATUS_WORDS } from '../ui/words';
import { say, tell } from '../words/say';
import { Benches } from './Benches';

export function ComparisonList() {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const may = useMay();
    return (
        <Sheet
            title={say('test.comparisons')}
            lead={say('test.one_question_each_which_of_these')}
            actions={
                <>
                    {may.test ? (
                        <Button asChild tone="main">
                            <Link to="/test/new">{say('test.plan_a_comparison')}</Link>
                        </Button>
                    ) : null}
                    <Button asChild>
                        <Link to="/test/pieces">{say('test.test_pieces')}</Link>
                    </Button>
                </>
            }
            margin={
                <MarginNote title={say('test.a_fair_comparison')}>
                    <p>{tell('test.vary_one_thing_the_surface_the', { b: (words) => <strong>{words}</strong> })}</p>
                    <p>{say('test.a_part_gives_one_pull_hot')}</p>
                    <p>{say('test.what_spoils_a_run_makes_it')}</p>
                </MarginNote>
            }
        >
            <Benches />
            <FoundList
                list={comparisonsList}
                placeholder={say('test.title_lot_printer_material')}
                nothing={say('test.no_comparison_has_all_of_these')}
                none={<p>{tell('test.nothing_is_compared_yet_tick_two', { link: (words) => <Link to="/choose">{words}</Link> })}</p>}
                row={(comparison) => {
                        const total = comparison.runs.done + comparison.runs.running + comparison.runs.planned;
                        return (
                            <li key={comparison.id} className="grid gap-x-6 border-b border-line py-3 sm:grid-cols-[minmax(0,1fr)_15rem]">
                                <div>
                                    <Link to="/test/$id" params={{ id: comparison.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                        {comparison.title}
                                    </Link>
                                    <p className="text-soft">
                                        {catalogue.materials.find((m) => m.id === comparison.materialId)?.name} {comparison.lotLabel}, {comparison.printerName}
                                    </p>
                                </div>
                                <div className="sm:pt-2">
                                    <p className="font-[650]">{comparison.next ?? STATUS_WORDS[comparison.status]}</p>
                                    {total > 0 ? <Progress done={comparison.runs.done} total={total} /> : <p className="text-soft">{say('test.no_runs_yet')}</p>}
                                    {comparison.runs.void > 0 ? <p className="text-sm text-soft">{say('test.void', { void: comparison.runs.void })}</p> : null}
                                </div>
                            </li>
                        );
                }}
            />
        </Sheet>
    );
}
