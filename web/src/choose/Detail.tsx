import type { Schemas } from '../api/client';
import { Cautions } from '../ui/Notice';
import { duration, percent, useQuantity } from '../ui/quantity';
import { MarginNote } from '../ui/Sheet';
import { Schools } from './Schools';

type Detail = Schemas['CandidateDetail'];

/** All that is reckoned for the candidate that is looked at. */
export function CandidateNotes({ detail }: { detail: Detail }) {
    const length = useQuantity('length');
    return (
        <>
            <MarginNote title={`Why ${detail.label}`}>
                {detail.reasons.map((reason) => (
                    <p key={reason}>{reason}</p>
                ))}
            </MarginNote>
            <Before detail={detail} />
            <Ladder ladder={detail.ladder} />
            {detail.batches ? <Batches batches={detail.batches} /> : null}
            {detail.warp ? (
                <MarginNote title="Warp against hold">
                    <p>{detail.warp.sentence}</p>
                    {detail.warp.expectedLiftMm === null ? null : <p>By your own lift readings, expect about {length.text(detail.warp.expectedLiftMm, 1)} at the end.</p>}
                </MarginNote>
            ) : null}
            <TakeOff detail={detail} />
            <Reckonings reckonings={detail.reckonings} />
            {detail.schools.length > 0 ? (
                <MarginNote title="Where practitioners disagree">
                    <Schools schools={detail.schools} />
                </MarginNote>
            ) : null}
        </>
    );
}

function Before({ detail }: { detail: Detail }) {
    const set = detail.setPoint;
    return (
        <MarginNote title="Before you print">
            {set ? (
                <p>
                    Bed: <strong>{set.words}</strong>
                    {set.basis === 'unknown' ? '; the layers are not on the shelf, so nothing is added for them.' : `, ${set.basis}.`}
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
    if (ladder.length < 2) return null;
    return (
        <MarginNote title="If it does not hold, next">
            <ol>
                {ladder.map((rung) => (
                    <li key={rung.words} className="flex justify-between gap-3 border-b border-line py-1">
                        <span>{rung.words}</span>
                        <span className="font-[650]">{percent(rung.chance)}</span>
                    </li>
                ))}
            </ol>
            <p className="text-sm text-soft">With the chance that all holds and lets go.</p>
        </MarginNote>
    );
}

function Batches({ batches }: { batches: NonNullable<Detail['batches']> }) {
    return (
        <MarginNote title="One plate or several">
            <p>{batches.words}</p>
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th scope="col">Plates</th>
                        <th scope="col">Parts on each</th>
                        <th scope="col" className="text-right">
                            Good parts
                        </th>
                        <th scope="col" className="text-right">
                            Time
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {batches.rows.map((row) => (
                        <tr key={row.plates} className={row.better ? 'font-[650]' : ''}>
                            <td>{row.plates}</td>
                            <td>{row.mostParts}</td>
                            <td className="text-right">{row.goodParts.toFixed(1)}</td>
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
        <MarginNote title="To take it off">
            <ol className="list-decimal pl-5">
                {release.steps.map((step) => (
                    <li key={step}>{step}</li>
                ))}
            </ol>
            {release.waits.length > 0 ? (
                <table className="ledger w-full">
                    <caption className="sr-only">How long it cools</caption>
                    <tbody>
                        {release.waits.map((wait) => (
                            <tr key={wait.way}>
                                <td>{wait.words}</td>
                                <td className="text-right whitespace-nowrap">{wait.minutes === null ? 'never' : duration(wait.minutes)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            ) : null}
            <p>{release.never.join(' ')}</p>
            {release.doneHot ? (
                <p>
                    <strong>Done hot:</strong> {release.doneHot}
                </p>
            ) : null}
        </MarginNote>
    );
}

export function Reckonings({ reckonings }: { reckonings: Schemas['Reckoning'][] }) {
    return (
        <MarginNote title="How this was reckoned">
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
