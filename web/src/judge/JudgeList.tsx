import { Link } from '@tanstack/react-router';

import { verdictsList } from '../api/queries';
import { Progress } from '../shell/Start';
import { FoundList } from '../ui/FoundList';
import { MarginNote, Sheet } from '../ui/Sheet';
import { VerdictMark, VerdictWord } from '../ui/Verdict';
import { say, tell } from '../words/say';

export function JudgeList() {
    return (
        <Sheet
            title={say('judge.verdicts')}
            lead={say('judge.what_the_readings_say_of_each')}
            margin={
                <MarginNote title={say('judge.four_verdicts')}>
                    <div className="flex flex-col items-start gap-2">
                        <VerdictWord verdict="holds_and_lets_go" words={say('judge.holds_and_lets_go')} />
                        <VerdictWord verdict="holds_will_not_let_go" words={say('judge.holds_but_will_not_let_go')} />
                        <VerdictWord verdict="does_not_hold" words={say('judge.does_not_hold')} />
                        <VerdictWord verdict="not_yet_known" words={say('judge.not_yet_known_n_more_runs')} />
                    </div>
                    <p>{say('judge.cannot_show_is_never_written_as')}</p>
                </MarginNote>
            }
        >
            <FoundList
                list={verdictsList}
                placeholder={say('test.title_lot_printer_material')}
                nothing={say('test.no_comparison_has_all_of_these')}
                none={<p>{tell('judge.there_is_nothing_to_judge_until', { link: (words) => <Link to="/test">{words}</Link> })}</p>}
                row={(comparison) => (
                    <li key={comparison.id} className="grid items-center gap-x-6 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_15rem]">
                        <div className="min-w-0">
                            <Link to="/judge/$id" params={{ id: comparison.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                {comparison.title}
                            </Link>
                            {comparison.verdicts.length > 0 ? (
                                <ul className="flex flex-wrap gap-x-4 gap-y-1">
                                    {comparison.verdicts.map((each) => (
                                        <li key={each.label}>
                                            <VerdictMark label={each.label} verdict={each.verdict} />
                                        </li>
                                    ))}
                                </ul>
                            ) : (
                                <p className="text-soft">{say('judge.no_verdict_recorded')}</p>
                            )}
                        </div>
                        <div>
                            <p className="font-[650]">{comparison.status === 'closed' ? say('judge.judged') : comparison.next}</p>
                            <Progress done={comparison.runs.done} total={comparison.runs.done + comparison.runs.running + comparison.runs.planned} />
                        </div>
                    </li>
                )}
            />
        </Sheet>
    );
}
