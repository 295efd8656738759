import type { Schemas } from '../api/client';
import { Cautions } from '../ui/Notice';
import { duration, useFigures, useShares } from '../ui/quantity';
import { MarginNote } from '../ui/Sheet';
import { say, tell } from '../words/say';
import { Schools } from './Schools';
import { Why } from './Why';

type Detail = Schemas['CandidateDetail'];

/** All that is reckoned for the candidate that is looked at. */
export function CandidateNotes({ detail }: { detail: Detail }) {
    const figure = useFigures();
    const shares = useShares();
    return (
        <>
            <MarginNote title={say('choose.why_2', { detail: detail.label })}>
                <Why title={say('choose.hold')} why={detail.why.hold} />
                <Why title={say('choose.let_go')} why={detail.why.release} />
                <p>{say('choose.both_range', { range: shares(detail.chance90) })}</p>
                {detail.reasons.map((reason) => (
                    <p key={reason}>{reason}</p>
                ))}
            </MarginNote>
            <Before detail={detail} />
            <Ladder ladder={detail.ladder} />
            {detail.batches ? <Batches batches={detail.batches} /> : null}
            {detail.warp ? (
                <MarginNote title={say('choose.warp_against_hold')}>
                    <p>{detail.warp.sentence}</p>
                    {detail.warp.expectedLiftMm === null ? null : <p>{say('choose.by_your_own_lift_readings_expect', { expectedLiftMm: figure('length_about').text(detail.warp.expectedLiftMm) })}</p>}
                </MarginNote>
            ) : null}
            <TakeOff detail={detail} />
            <Reckonings reckonings={detail.reckonings} />
            {detail.schools.length > 0 ? (
                <MarginNote title={say('choose.where_practitioners_disagree')}>
                    <Schools schools={detail.schools} />
                </MarginNote>
            ) : null}
        </>
    );
}

function Before({ detail }: { detail: Detail }) {
    const set = detail.setPoint;
    return (
        <MarginNote title={say('choose.before_you_print')}>
            {set ? (
                <p>{tell('choose.bed', { words: set.words, b: (words) => <strong>{words}</strong> })}
                    {set.basis === 'unknown' ? say('choose.the_layers_are_not_on_the') : `, ${set.basis}.`}
                </p>
            ) : null}
            <p>{detail.cleaning}</p>
            {detail.putOn ? <p>{detail.putOn}</p> : null}
            {detail.heeds.map((heed) => (
                <p key={heed}>{heed}</p>
            ))}
            <Cautions sentences={detail.cautions} />
        </MarginNote>
    );
}

function Ladder({ ladder }: { ladder: Detail['ladder'] }) {
    const figure = useFigures();
    if (ladder.length < 2) return null;
    return (
        <MarginNote title={say('choose.if_it_does_not_hold_next')}>
            <ol>
                {ladder.map((rung) => (
                    <li key={rung.words} className="flex justify-between gap-3 border-b border-line py-1">
                        <span>{rung.words}</span>
                        <span className="font-[650]">{figure('share').text(rung.chance)}</span>
                    </li>
                ))}
            </ol>
            <p className="text-sm text-soft">{say('choose.with_the_chance_that_all_holds')}</p>
        </MarginNote>
    );
}

function Batches({ batches }: { batches: NonNullable<Detail['batches']> }) {
    const figure = useFigures();
    return (
        <MarginNote title={say('choose.one_plate_or_several')}>
            <p>{batches.words}</p>
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th scope="col">{say('choose.plates')}</th>
                        <th scope="col">{say('choose.parts_on_each')}</th>
                        <th scope="col" className="text-right">{say('choose.good_parts')}</th>
                        <th scope="col" className="text-right">{say('choose.time')}</th>
                    </tr>
                </thead>
                <tbody>
                    {batches.rows.map((row) => (
                        <tr key={row.plates} className={row.better ? 'font-[650]' : ''}>
                            <td>{row.plates}</td>
                            <td>{row.mostParts}</td>
                            <td className="text-right">{figure('number_rough').text(row.goodParts)}</td>
                            <td className="text-right whitespace-nowrap">{row.minutes === null ? '' : duration(row.minutes)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </MarginNote>
    );
}

function TakeOff({ detail }: { detail: Detail }) {
    const { release } = detail;
    return (
        <MarginNote title={say('choose.to_take_it_off')}>
            <ol className="list-decimal pl-5">
                {release.steps.map((step) => (
                    <li key={step}>{step}</li>
                ))}
            </ol>
            {release.waits.length > 0 ? (
                <table className="ledger w-full">
                    <caption className="sr-only">{say('choose.how_long_it_cools')}</caption>
                    <tbody>
                        {release.waits.map((wait) => (
                            <tr key={wait.way}>
                                <td>{wait.words}</td>
                                <td className="text-right whitespace-nowrap">{wait.minutes === null ? say('choose.never') : duration(wait.minutes)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            ) : null}
            <p>{release.never.join(' ')}</p>
            {release.doneHot ? (
                <p>
                    <strong>{say('choose.pulled_off_hot_label')}</strong> {release.doneHot}
                </p>
            ) : null}
        </MarginNote>
    );
}

export function Reckonings({ reckonings }: { reckonings: Schemas['Reckoning'][] }) {
    return (
        <MarginNote title={say('choose.how_this_was_worked_out')}>
            {reckonings.map((each) => (
                <details key={each.id}>
                    <summary className="flex min-h-11 cursor-pointer flex-col justify-center border-b border-line py-1">
                        <span className="text-ink underline decoration-line underline-offset-4">{each.title}</span>
                        <span className="text-sm">{each.result}</span>
                    </summary>
                    <p className="mt-2 text-sm break-words text-ink">{each.formula}</p>
                    {each.inputs.length > 0 ? (
                        <dl className="mt-2 text-sm">
                            {each.inputs.map((input) => (
                                <div key={input.name + input.value} className="border-b border-line py-1">
                                    <dt className="flex justify-between gap-3">
                                        <span>{input.name}</span>
                                        <span className="text-right text-ink">{input.value}</span>
                                    </dt>
                                    <dd className="text-soft">{input.basis}</dd>
                                </div>
                            ))}
                        </dl>
                    ) : null}
                    <p className="my-2 text-sm">{each.source}</p>
                </details>
            ))}
        </MarginNote>
    );
}
