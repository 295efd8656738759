import type { Schemas } from '../api/client';
import { Figure } from '../ui/Glossary';
import { useFigures } from '../ui/quantity';
import { useTerms } from '../ui/terms';
import { say } from '../words/say';
import { Further } from './Further';
import { pText } from './pText';

/** All figures behind the verdicts, folded away unless they are printed. */
export function Figures({ judgement, open = false }: { judgement: Schemas['Judgement']; open?: boolean }) {
    const figure = useFigures();
    const stress = figure('stress_mean');
    const stressOf = (mpa: number | null | undefined) => (mpa === undefined || mpa === null ? '' : stress.bare(mpa));
    const terms = useTerms();
    const mpa = new Map<string, number | null>(judgement.setups.flatMap((setup) => [[`pull_hot${setup.label}`, setup.hotPull.meanMpa] as const, [`pull_cold${setup.label}`, setup.coldPull.meanMpa] as const]));
    return (
        <details className="mt-8" open={open}>
            <summary className="flex min-h-11 cursor-pointer items-center text-lg font-[650]">{say('judge.all_figures')}</summary>
            <p className="text-soft">{judgement.figures === 'fixed' ? say('judge.intervals_and_p_values_are_of') : say('judge.intervals_and_p_values_describe_what')}</p>
            {Object.entries(judgement.measures).map(([name, figures]) => {
                const quantity = figure(terms.mean(name));
                const delta = quantity.difference;
                return (
                    <section key={name} className="mt-4 overflow-x-auto">
                        <h3>
                            {terms.measure(name)}, {quantity.symbol}
                        </h3>
                        <table className="ledger w-full">
                            <thead>
                                <tr>
                                    <th>{say('judge.setup')}</th>
                                    <th className="num"><Figure of="n">{say('judge.n')}</Figure></th>
                                    <th className="num"><Figure of="mean">{say('judge.mean')}</Figure></th>
                                    <th className="num"><Figure of="sd">{say('judge.sd')}</Figure></th>
                                    <th className="num"><Figure of="interval95">{say('judge.95_interval')}</Figure></th>
                                    <th className="num"><Figure of="stress">{stress.symbol}</Figure></th>
                                    <th>{say('judge.note')}</th>
                                </tr>
                            </thead>
                            <tbody>
                                {figures.setups.map((row) => (
                                    <tr key={row.setup}>
                                        <th scope="row">{row.setup}</th>
                                        <td className="num">{row.n}</td>
                                        <td className="num">{row.mean === null ? '–' : quantity.bare(row.mean)}</td>
                                        <td className="num">{row.sd === null ? '–' : delta(row.sd)}</td>
                                        <td className="num">{row.ci95 ? row.ci95.map((bound) => quantity.bare(bound)).join(' … ') : '–'}</td>
                                        <td className="num">{stressOf(mpa.get(name + row.setup))}</td>
                                        <td>{row.reason}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                        <p className="mt-2">
                            {figures.overall.p === null
                                ? say('judge.no_test_across_setups', { reason: figures.overall.reason ?? '' })
                                : say('judge.welch_one_way_f_df_p', { statistic: figures.overall.statistic === null ? '' : figure('number_fine').text(figures.overall.statistic), df: figures.overall.df?.map(figure('number_rough').text).join(' / ') ?? '', p: pText(figures.overall.p, figure('number_fine')) })}
                        </p>
                        {figures.pairs.length > 0 ? (
                            <table className="ledger mt-2 w-full">
                                <thead>
                                    <tr>
                                        <th>{say('judge.pair')}</th>
                                        <th className="num"><Figure of="difference">{say('judge.difference')}</Figure></th>
                                        <th className="num"><Figure of="interval95">{say('judge.95_interval')}</Figure></th>
                                        <th className="num"><Figure of="p">{say('judge.p_games_howell', { figures: judgement.figures })}</Figure></th>
                                    </tr>
                                </thead>
                                <tbody>
                                    {figures.pairs.map((pair) => (
                                        <tr key={pair.a + pair.b}>
                                            <th scope="row">
                                                {pair.b} − {pair.a}
                                            </th>
                                            <td className="num">{pair.difference === null ? '–' : delta(pair.difference)}</td>
                                            <td className="num">{pair.ci95 ? pair.ci95.map(delta).join(' … ') : (pair.reason ?? '–')}</td>
                                            <td className="num">{pair.p === null ? '–' : pText(pair.p, figure('number_fine'))}</td>
                                        </tr>
                                    ))}
                                </tbody>
                            </table>
                        ) : null}
                        {(figures.further ?? []).map((method) => (
                            <p key={method.method} className="mt-2">
                                {method.p === null
                                    ? say('judge.by_method_none', { method: terms.method(method.method), reason: method.reason ?? '' })
                                    : say('judge.by_method', { method: terms.method(method.method), statistic: method.statistic === null ? '' : figure('number_fine').text(method.statistic), df: (method.df ?? []).map(figure('number_rough').text).join(' / '), p: pText(method.p, figure('number_fine')) })}
                            </p>
                        ))}
                    </section>
                );
            })}
            {Object.entries(judgement.counts).map(([name, counts]) => (
                <section key={name} className="mt-4 overflow-x-auto">
                    <h3>{terms.measure(name)}</h3>
                    <table className="ledger w-full">
                        <thead>
                            <tr>
                                <th>{say('judge.setup')}</th>
                                {counts.levels.map((level) => (
                                    <th key={level} className="num">
                                        {level}
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {counts.setups.map((row) => (
                                <tr key={row.setup}>
                                    <th scope="row">{row.setup}</th>
                                    {row.counts.map((times, level) => (
                                        <td key={counts.levels[level] ?? level} className="num">
                                            {times}
                                        </td>
                                    ))}
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </section>
            ))}
            <Further judgement={judgement} />
        </details>
    );
}
