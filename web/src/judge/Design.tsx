import type { Schemas } from '../api/client';
import { useFigures } from '../ui/quantity';
import { useTerms } from '../ui/terms';
import { say } from '../words/say';
import { Pairs } from './Pairs';

type OfMeasure = Schemas['Judgement']['further']['measures'][string];

/** What follows from how the plan was laid out: orders drawn again within the visits, and what crossed factors do. */
export function Design({ name, permutation, variance, p }: { name: string; permutation: OfMeasure['permutation']; variance: OfMeasure['variance']; p: (value: number | null, reason?: string) => string }) {
    const terms = useTerms();
    const figure = useFigures();
    const fine = figure('number_fine');
    return (
        <section className="mt-4 overflow-x-auto">
            <h3>{say('judge.within_the_visits', { measure: terms.measure(name) })}</h3>
            <p>
                {permutation.p === null
                    ? permutation.reason
                    : say('judge.orders_drawn_again', { p: p(permutation.p), ways: permutation.ways ?? 0, exact: permutation.exact === true, least: permutation.least === null ? '' : p(permutation.least), error: permutation.error === null ? '' : fine.text(permutation.error), visits: permutation.visits ?? 0 })}
            </p>
            {permutation.pairs.length > 1 ? <Pairs pairs={permutation.pairs} p={p} /> : null}
            {variance.lines.length > 0 ? (
                <table className="ledger mt-2 w-full">
                    <thead>
                        <tr>
                            <th>{say('judge.variance_of')}</th>
                            <th className="num">{say('judge.variance_df')}</th>
                            <th className="num">{say('judge.variance_f')}</th>
                            <th className="num">{say('judge.variance_p')}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {variance.lines.map((line) => (
                            <tr key={line.term}>
                                <th scope="row">{line.term}</th>
                                <td className="num">{say('judge.df_of', { df: line.df, error: variance.error_df ?? 0 })}</td>
                                <td className="num">{fine.text(line.statistic)}</td>
                                <td className="num">{p(line.p)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            ) : null}
        </section>
    );
}
