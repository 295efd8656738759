import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';

import { comparisonsQuery } from '../api/queries';
import { Progress } from '../shell/Start';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { VerdictWord } from '../ui/Verdict';

export function JudgeList() {
    const { data: all } = useSuspenseQuery(comparisonsQuery);
    const begun = all.filter((comparison) => comparison.status !== 'draft');
    return (
        <Sheet
            title="Verdicts"
            lead="What the readings say of each setup, and how sure that is."
            margin={
                <MarginNote title="Four verdicts">
                    <div className="flex flex-col items-start gap-2">
                        <VerdictWord verdict="holds_and_lets_go" words="holds and lets go" />
                        <VerdictWord verdict="holds_will_not_let_go" words="holds but will not let go" />
                        <VerdictWord verdict="does_not_hold" words="does not hold" />
                        <VerdictWord verdict="not_yet_known" words="not yet known: n more runs" />
                    </div>
                    <p>“Cannot show” is never written as “no difference”.</p>
                </MarginNote>
            }
        >
            {begun.length === 0 ? (
                <Empty>
                    <p>
                        There is nothing to judge until a comparison has runs. Plan one in <Link to="/test">Test</Link>.
                    </p>
                </Empty>
            ) : (
                <ul>
                    {begun.map((comparison) => (
                        <li key={comparison.id} className="grid items-center gap-x-6 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_14rem]">
                            <Link to="/judge/$id" params={{ id: comparison.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                {comparison.title}
                            </Link>
                            <div>
                                {comparison.status === 'closed' ? <p className="font-[650]">judged</p> : null}
                                <Progress done={comparison.runs.done} total={comparison.runs.done + comparison.runs.running + comparison.runs.planned} />
                            </div>
                        </li>
                    ))}
                </ul>
            )}
        </Sheet>
    );
}
