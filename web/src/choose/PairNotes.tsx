import { api, ask, type Schemas } from '../api/client';
import { useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Cautions, Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { GRADE_WORDS, ROLE_WORDS, STANDING_WORDS } from '../ui/words';
import { say } from '../words/say';
import { Schools } from './Schools';

/** All that is known of one pair: its window, each way of use with its grades, and what own runs say to them. */
export function PairNotes({ pair }: { pair: Schemas['PairingDetail'] }) {
    const temperature = useQuantity('temperature');
    const seconds = pair.axis === 's';
    const text = (value: number) => (seconds ? `${value}\u00a0s` : temperature.text(value));
    const span = (points: number[]) => say('choose.to_start_at', { text: text(points[0] ?? 0), text2: text(points[2] ?? 0), text3: text(points[1] ?? 0) });
    const own = pair.ourWindow !== null && pair.ourWindow.some((value, i) => value !== pair.window[i]);
    return (
        <>
            <p>
                <strong>{say('choose.window')}</strong> {span(pair.window)}
                {seconds ? ` ${say('choose.of_bottom_exposure')}` : ` ${say('choose.at_the_surface')}`}.{own && pair.ourWindow ? ` ${say('choose.the_catalogue_says', { ourWindow: span(pair.ourWindow) })}` : ''}
            </p>
            <p>
                {pair.releaseC === null ? '' : `${say('choose.comes_off_below', { releaseC: temperature.text(pair.releaseC) })} `}
                {pair.releaseWay}
            </p>
            {pair.gap ? <p>{say('choose.first_layer_gap', { gap: pair.gap })}</p> : null}
            <ul>
                {pair.treatments.map((treatment) => (
                    <Treatment key={treatment.agentKindId ?? 'bare'} treatment={treatment} />
                ))}
            </ul>
            <Cautions sentences={pair.cautions} />
            <p className="text-sm">{say('choose.rests_on', { basis: pair.basis })} {pair.sources}</p>
            {pair.facts.length > 0 ? <Facts facts={pair.facts} /> : null}
            {pair.schools.length > 0 ? <Schools schools={pair.schools} /> : null}
        </>
    );
}

function Treatment({ treatment }: { treatment: Schemas['Treatment'] }) {
    const more = [
        treatment.holdSmall ? say('choose.small_or_thin_parts', { holdSmall: GRADE_WORDS[treatment.holdSmall] }) : null,
        treatment.holdFull ? say('choose.full_plate', { holdFull: GRADE_WORDS[treatment.holdFull] }) : null,
        treatment.holdCold ? say('choose.unheated', { holdCold: GRADE_WORDS[treatment.holdCold] }) : null,
    ].filter(Boolean);
    return (
        <li className="border-t border-line py-2">
            <p className="text-ink">
                <strong>{treatment.agentName ?? say('choose.bare')}</strong>
                {treatment.role ? `, ${ROLE_WORDS[treatment.role]}` : ''}
                {treatment.barrier ? say('choose.a_barrier') : ''}
            </p>
            <p>{say('choose.grades_of_a_way', { hold: GRADE_WORDS[treatment.hold], release: GRADE_WORDS[treatment.release], moreIf: more.length > 0, more: (more.length > 0) ? more.join(', ') : '' })}
                {treatment.ourHold && treatment.ourRelease ? ` ${say('choose.the_catalogue_says_and', { ourHold: GRADE_WORDS[treatment.ourHold], ourRelease: GRADE_WORDS[treatment.ourRelease] })}` : ''}
            </p>
            {treatment.note ? <p>{treatment.note}</p> : null}
            <p className="text-sm">
                {treatment.runs > 0 ? say('choose.of_own_runs_held', { held: treatment.held, runs: treatment.runs, holdStanding: STANDING_WORDS[treatment.holdStanding] }) : say('choose.untried_here')}
                {say('choose.released_and_basis', { releasedIf: treatment.released > 0, clean: (treatment.released > 0) ? treatment.clean : '', released: (treatment.released > 0) ? treatment.released : '', releaseStanding: (treatment.released > 0) ? STANDING_WORDS[treatment.releaseStanding] : '', basis: treatment.basis })}</p>
        </li>
    );
}

function Facts({ facts }: { facts: Schemas['ShopFact'][] }) {
    const may = useMay();
    const withdraw = useChange((id: string) => ask(api.POST('/api/catalogue/facts/{id}/withdraw', { params: { path: { id } }, body: {} })), ['pairs']);
    return (
        <div>
            <strong>{say('choose.the_word_of_this_shop')}</strong>
            <ul>
                {facts.map((fact) => (
                    <li key={fact.id} className="border-t border-line py-2">
                        <p className={fact.withdrawnAt ? 'line-through' : ''}>{fact.why}</p>
                        <p className="flex flex-wrap items-center justify-between gap-2 text-sm">
                            {fact.who}, {day(fact.at)}{fact.withdrawnAt ? '. ' : ''}
                            {fact.withdrawnAt ? say('choose.withdrawn_by', { withdrawnBy: fact.withdrawnBy, withdrawnAt: day(fact.withdrawnAt) }) : null}
                            {may.test && !fact.withdrawnAt ? (
                                <Button tone="quiet" disabled={withdraw.isPending} onClick={() => withdraw.mutate(fact.id)}>{say('choose.withdraw')}</Button>
                            ) : null}
                        </p>
                    </li>
                ))}
            </ul>
            <Fault error={withdraw.error} />
        </div>
    );
}
