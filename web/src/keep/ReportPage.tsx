import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { reportQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { duration, useFigures } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { OUTCOME_WORDS } from '../ui/words';
import { say } from '../words/say';

type Report = Schemas['ShopReport'];

const MONTHS = ['1', '3', '12', '24'];

/** What came of the prints for use, on one sheet to print. */
export function ReportPage() {
    const [months, setMonths] = useState('12');
    const { data } = useSuspenseQuery(reportQuery(Number(months)));
    const figure = useFigures();
    const [money, count] = [figure('money'), figure('count')];
    return (
        <Sheet
            title={say('report.title')}
            lead={data.sentence}
            actions={
                <>
                    <Button tone="main" onClick={() => print()}>{say('keep.print')}</Button>
                    <Button asChild>
                        <a href={`/api/report/table?months=${months}`} download>
                            {say('report.as_table')}
                        </a>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/prints">{say('prints.prints')}</Link>
                    </Button>
                </>
            }
            margin={
                <>
                    <MarginNote title={say('report.what_stood_in_the_way')}>
                        {data.causes.length === 0 ? <p>{say('report.nothing_found')}</p> : null}
                        <ul>
                            {data.causes.map((cause) => (
                                <li key={cause.name ?? ''} className="flex justify-between gap-3">
                                    <span>{cause.name ?? say('fix.was_not_found')}</span>
                                    <strong>{cause.times}</strong>
                                </li>
                            ))}
                        </ul>
                    </MarginNote>
                    <MarginNote title={say('report.to_buy')}>
                        <ul className="flex flex-col gap-1">
                            {data.agents.map((agent) => (
                                <li key={agent.name}>
                                    <strong>{agent.name}</strong>: {agent.gives === null ? say('report.coats', { coats: agent.coats }) : say('report.coats_of', { coats: agent.coats, gives: agent.gives })}
                                </li>
                            ))}
                            {data.worn.map((side) => (
                                <li key={side.plateSideId}>
                                    <Link to="/care/$id" params={{ id: side.plateSideId }}>{side.label}</Link>: {say('report.worn', { surface: side.surfaceName, prints: side.prints, usual: side.usual })}
                                </li>
                            ))}
                        </ul>
                    </MarginNote>
                    <MarginNote title={say('report.how_it_is_summed')}>
                        <p>{say('report.in_words')}</p>
                    </MarginNote>
                </>
            }
        >
            <div className="no-print mb-5">
                <ChoiceRow label={say('report.months')} value={months} onValue={setMonths} options={MONTHS.map((value) => ({ value, label: say('report.months_of', { months: Number(value) }) }))} />
            </div>
            {data.months.length > 0 ? <Months months={data.months} /> : null}
            <dl className="mt-5 grid gap-x-8 sm:grid-cols-2">
                {[
                    ...data.ends.filter((end) => end.prints > 0).map((end) => [OUTCOME_WORDS[end.outcome], count.text(end.prints)] as const),
                    [say('report.harmed'), count.text(data.all.damaged)] as const,
                    [say('report.printed_for'), duration(data.all.minutes)] as const,
                    [say('report.lost'), duration(data.all.lostMinutes)] as const,
                    [say('report.energy'), data.energy ?? say('report.not_known')] as const,
                    [say('report.cost'), data.all.cost === null ? say('report.price_missing') : money.text(data.all.cost)] as const,
                    [say('care.cost_per_print'), data.all.costPerPrint === null ? say('report.price_missing') : money.text(data.all.costPerPrint)] as const,
                ].map(([name, value]) => (
                    <div key={name} className="flex justify-between gap-4 border-b border-line py-1.5">
                        <dt>{name}</dt>
                        <dd className="text-right font-[650]">{value}</dd>
                    </div>
                ))}
            </dl>
            <Materials materials={data.materials} />
        </Sheet>
    );
}

const BOX = { width: 640, height: 150, left: 34, bottom: 22 };

/** Month by month: what came true above, what did not on top of it. */
function Months({ months }: { months: Report['months'] }) {
    const x = scaleLinear([0, months.length], [BOX.left, BOX.width]);
    const y = scaleLinear([0, Math.max(1, ...months.map((month) => month.prints))], [BOX.height - BOX.bottom, 8]);
    return (
        <svg viewBox={`0 0 ${BOX.width} ${BOX.height}`} className="w-full" role="img" aria-label={months.map((month) => say('report.month_in_words', { month: month.month, cameTrue: month.cameTrue, prints: month.prints })).join(' ')}>
            {y.ticks(4).map((tick) => (
                <g key={tick}>
                    <line x1={BOX.left} x2={BOX.width} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
                    <text x={BOX.left - 5} y={y(tick) + 4} textAnchor="end" className="fill-soft text-[11px]">{tick}</text>
                </g>
            ))}
            {months.map((month, i) => (
                <g key={month.month}>
                    <rect x={x(i) + 5} width={x(1) - x(0) - 10} y={y(month.cameTrue)} height={y(0) - y(month.cameTrue)} fill="var(--accent)" />
                    <rect x={x(i) + 5} width={x(1) - x(0) - 10} y={y(month.prints)} height={y(month.cameTrue) - y(month.prints)} fill="none" stroke="var(--fault)" strokeWidth="2" />
                    <text x={(x(i) + x(i + 1)) / 2} y={BOX.height - 6} textAnchor="middle" className="fill-soft text-[11px]">{month.month}</text>
                </g>
            ))}
        </svg>
    );
}

function Materials({ materials }: { materials: Report['materials'] }) {
    const figure = useFigures();
    const [share, money, energy] = [figure('share'), figure('money'), figure('energy')];
    return (
        <section aria-label={say('report.by_material')} className="mt-6">
            <h2 className="mb-2">{say('report.by_material')}</h2>
            <table className="ledger stacks w-full">
                <thead>
                    <tr>
                        <th>{say('keep.material')}</th>
                        <th className="num">{say('prints.prints')}</th>
                        <th className="num">{say('report.came_true')}</th>
                        <th className="num">{say('report.lost')}</th>
                        <th className="num">{say('report.energy_per_print')}</th>
                        <th className="num">{say('care.cost_per_print')}</th>
                    </tr>
                </thead>
                <tbody>
                    {materials.map((line) => (
                        <tr key={line.name}>
                            <th scope="row">{line.name}</th>
                            <td className="num" data-label={say('prints.prints')}>{line.prints}</td>
                            <td className="num" data-label={say('report.came_true')}>{line.share === null ? '–' : share.text(line.share)}</td>
                            <td className="num" data-label={say('report.lost')}>{duration(line.lostMinutes)}</td>
                            <td className="num" data-label={say('report.energy_per_print')}>{line.energyWhPerPrint === null ? '–' : energy.text(line.energyWhPerPrint)}</td>
                            <td className="num" data-label={say('care.cost_per_print')}>{line.costPerPrint === null ? '–' : money.text(line.costPerPrint)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}
