import { call, type Schemas } from '../api/client';
import { useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Cautions, Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { GRADE_WORDS, ROLE_WORDS, STANDING_WORDS } from '../ui/words';
import { Schools } from './Schools';

/** All that is known of one pair: its window, each way of use with its grades, and what own runs say to them. */
export function PairNotes({ pair }: { pair: Schemas['PairingDetail'] }) {
    const temperature = useQuantity('temperature');
    const seconds = pair.axis === 's';
    const text = (value: number) => (seconds ? `${value}\u00a0s` : temperature.text(value));
    const span = (points: number[]) => `${text(points[0] ?? 0)} to ${text(points[2] ?? 0)}, start at ${text(points[1] ?? 0)}`;
    const own = pair.ourWindow !== null && pair.ourWindow.some((value, i) => value !== pair.window[i]);
    return (
        <>
            <p>
                <strong>Window:</strong> {span(pair.window)}
                {seconds ? ' of bottom exposure' : ' at the surface'}.{own && pair.ourWindow ? ` The catalogue says ${span(pair.ourWindow)}.` : ''}
            </p>
            <p>
                {pair.releaseC === null ? '' : `Comes off below ${temperature.text(pair.releaseC)}. `}
                {pair.releaseWay}
            </p>
            {pair.gap ? <p>First-layer gap: {pair.gap}</p> : null}
            <ul>
                {pair.treatments.map((treatment) => (
                    <Treatment key={treatment.agentKindId ?? 'bare'} treatment={treatment} />
                ))}
            </ul>
            <Cautions sentences={pair.cautions} />
            <p className="text-sm">Rests on {pair.basis}.</p>
            {pair.facts.length > 0 ? <Facts facts={pair.facts} /> : null}
            {pair.schools.length > 0 ? <Schools schools={pair.schools} /> : null}
        </>
    );
}

function Treatment({ treatment }: { treatment: Schemas['Treatment'] }) {
    const more = [
        treatment.holdSmall ? `small or thin parts ${GRADE_WORDS[treatment.holdSmall]}` : null,
        treatment.holdFull ? `full plate ${GRADE_WORDS[treatment.holdFull]}` : null,
        treatment.holdCold ? `unheated ${GRADE_WORDS[treatment.holdCold]}` : null,
    ].filter(Boolean);
    return (
        <li className="border-t border-line py-2">
            <p className="text-ink">
                <strong>{treatment.agentName ?? 'bare'}</strong>
                {treatment.role ? `, ${ROLE_WORDS[treatment.role]}` : ''}
                {treatment.barrier ? ', a barrier' : ''}
            </p>
            <p>
                Holds: {GRADE_WORDS[treatment.hold]}. Lets go: {GRADE_WORDS[treatment.release]}.{more.length > 0 ? ` Hold of ${more.join(', ')}.` : ''}
                {treatment.ourHold && treatment.ourRelease ? ` The catalogue says ${GRADE_WORDS[treatment.ourHold]} and ${GRADE_WORDS[treatment.ourRelease]}.` : ''}
            </p>
            {treatment.note ? <p>{treatment.note}</p> : null}
            <p className="text-sm">
                {treatment.runs > 0 ? `${treatment.held} of ${treatment.runs} own runs held (${STANDING_WORDS[treatment.holdStanding]})` : 'Untried here'}
                {treatment.released > 0 ? `; ${treatment.clean} of ${treatment.released} came off cleanly (${STANDING_WORDS[treatment.releaseStanding]})` : ''}. Rests on {treatment.basis}.
            </p>
        </li>
    );
}

function Facts({ facts }: { facts: Schemas['ShopFact'][] }) {
    const may = useMay();
    const withdraw = useChange((id: string) => call('POST', `/catalogue/facts/${id}/withdraw`, {}), ['pairs']);
    return (
        <div>
            <strong>The word of this shop</strong>
            <ul>
                {facts.map((fact) => (
                    <li key={fact.id} className="border-t border-line py-2">
                        <p className={fact.withdrawnAt ? 'line-through' : ''}>{fact.why}</p>
                        <p className="flex flex-wrap items-center justify-between gap-2 text-sm">
                            {fact.who}, {day(fact.at)}{fact.withdrawnAt ? '. ' : ''}
                            {fact.withdrawnAt ? `Withdrawn by ${fact.withdrawnBy}, ${day(fact.withdrawnAt)}` : null}
                            {may.test && !fact.withdrawnAt ? (
                                <Button tone="quiet" disabled={withdraw.isPending} onClick={() => withdraw.mutate(fact.id)}>
                                    Withdraw
                                </Button>
                            ) : null}
                        </p>
                    </li>
                ))}
            </ul>
            <Fault error={withdraw.error} />
        </div>
    );
}
