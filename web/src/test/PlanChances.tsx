import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

import { call, type Schemas } from '../api/client';
import { Fault, Notice } from '../ui/Notice';
import { percent } from '../ui/quantity';

type Asked = Pick<Schemas['Comparison'], 'proof' | 'limits' | 'runsPerSetup' | 'hotPerSetup'>;

/** What a plan can show, asked again when somebody has stopped typing. */
export function usePlanChances({ proof, limits, runsPerSetup, hotPerSetup }: Asked) {
    const wanted = JSON.stringify({ proof, limits, runsPerSetup, hotPerSetup });
    const [asked, setAsked] = useState(wanted);
    useEffect(() => {
        const timer = setTimeout(() => setAsked(wanted), 300);
        return () => clearTimeout(timer);
    }, [wanted]);
    return useQuery({ queryKey: ['plan-chances', asked], queryFn: () => call<Schemas['PlanChances']>('POST', '/plan-chances', JSON.parse(asked)), placeholderData: keepPreviousData, staleTime: Infinity, retry: false });
}

const QUESTION: Record<'hold' | 'release', string> = { hold: 'Does it hold?', release: 'Does it let go?' };

/** The chance to pass, for setups from ordinary to very good, and a warning where the plan can hardly show anything. */
export function PlanChances({ plan }: { plan: Asked }) {
    const { data, error } = usePlanChances(plan);
    if (error) {
        return <Fault error={error} />;
    }
    if (!data) {
        return null;
    }
    return (
        <div className="flex flex-col gap-3">
            {data.warnings.map((warning) => (
                <Notice key={warning} tone="caution">
                    {warning}
                </Notice>
            ))}
            <div className="grid gap-x-10 gap-y-4 md:grid-cols-2">
                {data.questions.map((question) => (
                    <table key={question.question} className="ledger w-full self-start">
                        <caption className="text-left font-[650]">{QUESTION[question.question]}</caption>
                        <thead>
                            <tr>
                                <th>{question.by === 'share' ? 'If so many runs succeed' : 'If the mean pull is better than the limit by'}</th>
                                <th className="num">it passes</th>
                                <th className="num">{question.by === 'share' ? 'runs' : 'pulls'}</th>
                            </tr>
                        </thead>
                        <tbody>
                            {question.rows.map((row) => (
                                <tr key={row.truth}>
                                    <th scope="row">{question.by === 'share' ? `${(100 * row.truth).toFixed(1).replace('.0', '')} %` : `${row.truth} × its spread`}</th>
                                    <td className="num">{percent(row.passes)}</td>
                                    <td className="num">{row.runs.toFixed(1).replace('.0', '')}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                ))}
            </div>
            {data.enough?.pulls ? (
                <p>
                    {data.enough.pulls} pulls at one look pass a setup whose mean lies {data.enough.distance} × its spread beyond the limit in 9 cases of 10.
                </p>
            ) : null}
            <p className="text-sm text-soft">A setup that just misses what is asked passes in 5 % of cases at most, and one that just reaches it is refused in 5 % at most. At most {data.mostRuns} runs of each setup count; more only describe, until a new plan is made.</p>
        </div>
    );
}
