import type { Schemas } from '../api/client';
import { useFigures } from '../ui/quantity';
import { useTerms } from '../ui/terms';
import { say } from '../words/say';
import { Design } from './Design';
import { Pairs } from './Pairs';
import { pText } from './pText';

type Further = Schemas['Judgement']['further'];

/** What goes beyond means: pulls with lower bounds among them, effort by its grades, held or not by exact tests. */
export function Further({ judgement }: { judgement: Schemas['Judgement'] }) {
    const { further } = judgement;
    const figure = useFigures();
    const p = (value: number | null, reason?: string) => (value === null ? (reason ?? '–') : pText(value, figure('number_fine')));
    return (
        <>
            <p className="mt-6 text-soft">{say('judge.further_describe')}</p>
            {Object.entries(further.measures).map(([name, { survival, permutation, variance }]) => (
                <div key={name}>
                    {survival ? <Survival name={name} survival={survival} p={p} /> : null}
                    <Design name={name} permutation={permutation} variance={variance} p={p} />
                </div>
            ))}
            {further.held.pairs.length > 0 ? (
                <section className="mt-4 overflow-x-auto">
                    <h3>{say('judge.held_or_not')}</h3>
                    <p>{say('judge.fisher_over_all', { p: p(further.held.fisher.p, further.held.fisher.reason) })}</p>
                    <Pairs pairs={further.held.pairs} p={p} />
                </section>
            ) : null}
            {further.effort.pairs.length > 0 ? (
                <section className="mt-4 overflow-x-auto">
                    <h3>{say('judge.effort_by_grades')}</h3>
                    <p>{say('judge.kruskal_wallis', { p: p(further.effort.kruskal.p, further.effort.kruskal.reason), statistic: further.effort.kruskal.statistic == null ? '–' : figure('number_fine').text(further.effort.kruskal.statistic), df: further.effort.kruskal.df ?? '–' })}</p>
                    <Pairs pairs={further.effort.pairs} p={p} />
                </section>
            ) : null}
        </>
    );
}

function Survival({ name, survival, p }: { name: string; survival: NonNullable<Further['measures'][string]['survival']>; p: (value: number | null, reason?: string) => string }) {
    const terms = useTerms();
    const quantity = useFigures()(terms.mean(name));
    const shown = (value: number | null | undefined) => (value == null ? '–' : quantity.bare(value));
    return (
        <section className="mt-4 overflow-x-auto">
            <h3>{say('judge.with_lower_bounds', { measure: terms.measure(name), unit: quantity.symbol })}</h3>
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th>{say('judge.setup')}</th>
                        <th className="num">{say('judge.came_off')}</th>
                        <th className="num">{say('judge.median')}</th>
                        <th className="num">{say('judge.nine_in_ten_exceed')}</th>
                        <th className="num">{say('judge.95_interval')}</th>
                        <th>{say('judge.note')}</th>
                    </tr>
                </thead>
                <tbody>
                    {survival.setups.map(({ setup, n, events, median, weibull }) => (
                        <tr key={setup}>
                            <th scope="row">{setup}</th>
                            <td className="num">{say('judge.of_pulls', { events, n })}</td>
                            <td className="num">{shown(median)}</td>
                            <td className="num">{shown(weibull.exceeded_by_90?.value)}</td>
                            <td className="num">{weibull.exceeded_by_90 ? weibull.exceeded_by_90.ci95.map(shown).join(' … ') : '–'}</td>
                            <td>{weibull.reason}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <p className="mt-2">{say('judge.log_rank', { p: p(survival.logrank.p, survival.logrank.reason) })}</p>
        </section>
    );
}
