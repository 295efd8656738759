import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { scaleLinear } from 'd3-scale';

import type { Schemas } from '../api/client';
import { cameTrueQuery, catalogueQuery } from '../api/queries';
import { useFigures } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

type Score = Schemas['ForecastScore'];

/** What was said when a print began against how it came out. */
export function CameTrue() {
    const { data } = useSuspenseQuery(cameTrueQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const share = useFigures()('share');
    const material = (id: string) => catalogue.materials.find((each) => each.id === id)?.name ?? id;
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    return (
        <Sheet
            title={say('prints.did_it_come_true')}
            lead={data.sentence}
            margin={
                <MarginNote title={say('prints.how_to_read_it')}>
                    <p>{say('prints.a_dot_on_the_line')}</p>
                    <p>{say('prints.brier_in_words')}</p>
                    {data.open > 0 ? (
                        <p>
                            <Link to="/prints">{say('prints.open_are_counted_for_nothing', { open: data.open })}</Link>
                        </p>
                    ) : null}
                </MarginNote>
            }
        >
            {data.all ? (
                <>
                    <Bins score={data.all} />
                    <Figures score={data.all} />
                    {data.odd.length > 0 ? (
                        <section aria-label={say('prints.otherwise_than_said')} className="mt-6">
                            <h2 className="mb-2">{say('prints.otherwise_than_said')}</h2>
                            <ul>
                                {data.odd.map((odd) => (
                                    <li key={`${odd.materialId}/${odd.surfaceId}/${odd.agentKindId ?? ''}`} className="border-b border-line py-2">
                                        <Link to="/choose/catalogue">
                                            {say('prints.pair', { material: material(odd.materialId), surface: surface(odd.surfaceId), agent: odd.agentKindId ? (catalogue.agents.find((each) => each.id === odd.agentKindId)?.name ?? odd.agentKindId) : say('test.bare') })}
                                        </Link>{' '}
                                        {odd.sentence}
                                    </li>
                                ))}
                            </ul>
                        </section>
                    ) : null}
                    <Table title={say('prints.by_what_it_rested_on')} rows={data.byBasis.map((each) => ({ name: each.words, score: each.score }))} share={share} />
                    <Table title={say('prints.by_material')} rows={data.byMaterial.map((each) => ({ name: material(each.materialId), score: each.score }))} share={share} />
                </>
            ) : null}
        </Sheet>
    );
}

const BOX = { size: 300, left: 60, right: 24, bottom: 34 };

/** Said against happened: a dot a bin, with what so many prints leave open. */
function Bins({ score }: { score: Score }) {
    const share = useFigures()('share');
    const x = scaleLinear([0, 1], [BOX.left, BOX.left + BOX.size]);
    const y = scaleLinear([0, 1], [BOX.size + 8, 8]);
    const ticks = [0, 0.25, 0.5, 0.75, 1];
    return (
        <svg viewBox={`0 0 ${BOX.left + BOX.size + BOX.right} ${BOX.size + 8 + BOX.bottom}`} className="w-full max-w-md" role="img" aria-label={score.bins.map((bin) => say('prints.bin_in_words', { said: share.text(bin.said), happened: bin.happened, n: bin.n })).join(' ')}>
            {ticks.map((tick) => (
                <g key={tick} className="fill-soft text-[12px]">
                    <line x1={x(tick)} x2={x(tick)} y1={y(0)} y2={y(1)} stroke="var(--line)" />
                    <line x1={x(0)} x2={x(1)} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
                    <text x={x(tick)} y={y(0) + 16} textAnchor="middle">{share.text(tick)}</text>
                    <text x={x(0) - 6} y={y(tick) + 4} textAnchor="end">{share.text(tick)}</text>
                </g>
            ))}
            <line x1={x(0)} y1={y(0)} x2={x(1)} y2={y(1)} stroke="var(--line-strong)" strokeDasharray="5 4" />
            {score.bins.map((bin) => (
                <g key={bin.low}>
                    <line x1={x(bin.said)} x2={x(bin.said)} y1={y(bin.ci95[0] ?? 0)} y2={y(bin.ci95[1] ?? 1)} stroke="var(--accent)" strokeWidth={2} />
                    <circle cx={x(bin.said)} cy={y(bin.share)} r={Math.min(9, 3 + Math.sqrt(bin.n) / 2)} fill="var(--accent)" />
                </g>
            ))}
            <text x={x(0.5)} y={y(0) + 31} textAnchor="middle" className="fill-ink text-[12px]">{say('prints.said')}</text>
            <text x={12} y={y(0.5)} textAnchor="middle" transform={`rotate(-90 12 ${y(0.5)})`} className="fill-ink text-[12px]">{say('prints.happened')}</text>
        </svg>
    );
}

/** Of who says it how: the nearest stands out. */
function Figures({ score }: { score: Score }) {
    const fine = useFigures()('number_fine');
    const rows: [string, number, number | null][] = [
        [say('prints.what_was_said'), score.brier, score.log],
        [say('prints.a_running_share'), score.runningBrier, score.runningLog],
        [say('prints.practice_alone'), score.practiceBrier, score.practiceLog],
        [say('prints.the_plain_share'), score.baseRateBrier, null],
    ];
    const least = Math.min(...rows.map(([, brier]) => brier));
    return (
        <table className="ledger mt-3 w-full max-w-xl">
            <thead>
                <tr>
                    <th scope="col">{say('prints.who_says_it')}</th>
                    <th scope="col" className="num">{say('prints.brier')}</th>
                    <th scope="col" className="num">{say('prints.log_score')}</th>
                </tr>
            </thead>
            <tbody>
                {rows.map(([name, brier, log]) => (
                    <tr key={name}>
                        <th scope="row" className={brier === least ? 'font-[650]' : 'font-normal'}>{name}</th>
                        <td className={`num ${brier === least ? 'font-[650]' : ''}`}>{fine.bare(brier)}</td>
                        <td className="num">{log === null ? '' : fine.bare(log)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function Table({ title, rows, share }: { title: string; rows: { name: string; score: Score }[]; share: { text: (value: number) => string } }) {
    const fine = useFigures()('number_fine');
    return (
        <section aria-label={title} className="mt-6">
            <h2 className="mb-2">{title}</h2>
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th aria-label={title} />
                        <th>{say('prints.prints')}</th>
                        <th>{say('prints.said')}</th>
                        <th>{say('prints.happened')}</th>
                        <th>{say('prints.brier')}</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map(({ name, score }) => (
                        <tr key={name}>
                            <td>{name}</td>
                            <td>{score.n}</td>
                            <td>{share.text(score.said)}</td>
                            <td>{share.text(score.share)}</td>
                            <td>{fine.bare(score.brier)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}
