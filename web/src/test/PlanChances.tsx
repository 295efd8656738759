import { api, ask } from '../api/client';
import { Behind } from '../ui/Behind';
import { Fault, Notice } from '../ui/Notice';
import { Figure } from '../ui/Glossary';
import { useFigures } from '../ui/quantity';
import { useAnswer } from '../ui/useAnswer';
import { say } from '../words/say';
import { CHANCES, type ProofValues } from './planShape';

/** What a plan can show, asked again when somebody has stopped typing; not while a number is missing. */
export function usePlanChances(values: ProofValues) {
    return useAnswer('plan-chances', CHANCES.safeParse(values).data ?? null, (body, signal) => ask(api.POST('/api/plan-chances', { signal, body })));
}

const QUESTION: Record<'hold' | 'release', string> = { hold: say('test.does_it_hold'), release: say('test.does_it_let_go') };

/** The chance to pass, for setups from ordinary to very good, and a warning where the plan can hardly show anything. */
export function PlanChances({ plan, narrow = false }: { plan: ProofValues; /** In the margin, where the warnings stand by themselves. */ narrow?: boolean }) {
    const figure = useFigures();
    const { data, error, behind } = usePlanChances(plan);
    if (error) {
        return <Fault error={error} />;
    }
    if (!data) {
        return null;
    }
    return (
        <Behind behind={behind}>
            <div className="flex flex-col gap-3">
                {(narrow ? [] : data.warnings).map((warning) => (
                    <Notice key={warning} tone="caution">
                        {warning}
                    </Notice>
                ))}
                <div className={`grid gap-x-10 gap-y-4 ${narrow ? '' : 'md:grid-cols-2'}`}>
                    {data.questions.map((question) => (
                        <table key={question.question} className="ledger w-full self-start">
                            <caption className="text-left font-[650]">{QUESTION[question.question]}</caption>
                            <thead>
                                <tr>
                                    <th>{question.by === 'share' ? say('test.if_so_many_runs_succeed') : say('test.if_the_mean_pull_is_better')}</th>
                                    <th className="num"><Figure of="passes">{say('test.it_passes')}</Figure></th>
                                    <th className="num"><Figure of="runs">{question.by === 'share' ? say('test.runs') : say('test.pulls')}</Figure></th>
                                </tr>
                            </thead>
                            <tbody>
                                {question.rows.map((row) => (
                                    <tr key={row.truth}>
                                        <th scope="row">{question.by === 'share' ? figure('share_fine').text(row.truth) : say('test.its_spread', { truth: row.truth })}</th>
                                        <td className="num">{figure('share').text(row.passes)}</td>
                                        <td className="num">{figure('number_rough').text(row.runs)}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    ))}
                </div>
                {data.enough?.pulls ? (
                    <p>
                        {say('test.pulls_at_one_look_pass_a', { pulls: data.enough.pulls, distance: data.enough.distance })}</p>
                ) : null}
                <p className="text-sm text-soft">{say('test.a_setup_that_just_misses_what', { mostRuns: data.mostRuns })}</p>
            </div>
        </Behind>
    );
}
