import { useSuspenseQuery } from '@tanstack/react-query';

import { usualQuery } from '../api/queries';
import { CheckField, NumberField, optionsOf, QuantityField, SelectField } from '../ui/Field';
import { CRITERION_WORDS, DESIGN_WORDS, EFFORT_WORDS, LIFT_BY_WORDS } from '../ui/words';
import { say } from '../words/say';
import { PlanChances } from './PlanChances';
import type { ProofValues } from './planShape';

/** By what a setup is judged, what it has to reach, and what the plan can show of it. */
export function Proof({ resin, values, set }: { /** Nothing is pulled, and no corner lifts. */ resin: boolean; values: ProofValues; set: (part: Partial<ProofValues>) => void }) {
    const { data: usual } = useSuspenseQuery(usualQuery);
    const { limits, proof } = values;
    const limit = (part: Partial<ProofValues['limits']>) => set({ limits: { ...limits, ...part } });
    const prove = (part: Partial<ProofValues['proof']>) => set({ proof: { ...proof, ...part } });
    const pulls = proof.measures.includes('pull');
    const lift = proof.measures.includes('lift');
    const { pulls: byPulls } = usual.plan;
    const measure = (name: 'pull' | 'lift', on: boolean) => (on ? [...proof.measures, name] : proof.measures.filter((each) => each !== name));
    return (
        <>
            <section>
                <h2 className="mb-1">{say('test.how_it_is_judged')}</h2>
                <p className="mb-3 text-soft">{say('test.held_or_not_how_hard_it')}</p>
                {resin ? null : (
                    <div className="mb-3 flex flex-wrap gap-x-8">
                        <CheckField
                            label={say('test.pulls_by_gauge_or_scale')}
                            checked={pulls}
                            onValue={(on) =>
                                set(
                                    on
                                        ? { proof: { ...proof, measures: measure('pull', true), criterion: byPulls.criterion }, limits: { ...limits, hotPullAtLeastN: byPulls.hotPullAtLeastN, coldPullAtMostN: byPulls.coldPullAtMostN }, hotPerSetup: byPulls.hotPerSetup, runsPerSetup: byPulls.runsPerSetup }
                                        : { proof: { ...proof, measures: measure('pull', false), criterion: 'counts' }, limits: { ...limits, hotPullAtLeastN: null, coldPullAtMostN: null }, hotPerSetup: 0, runsPerSetup: usual.plan.runsPerSetup },
                                )
                            }
                        />
                        <CheckField label={say('test.lift_by_calliper')} checked={lift} onValue={(on) => set({ proof: { ...proof, measures: measure('lift', on) }, limits: { ...limits, liftAtMostMm: on ? usual.plan.liftAtMostMm : null } })} />
                    </div>
                )}
                <div className="grid gap-4 sm:grid-cols-2">
                    <SelectField label={say('test.proof_by')} value={proof.criterion} onValue={(criterion) => prove({ criterion })} options={optionsOf(CRITERION_WORDS).filter((each) => pulls || each.value === 'counts')} name="proof.criterion" />
                    <SelectField label={say('test.looked_at')} value={proof.design} onValue={(design) => prove({ design })} options={optionsOf(DESIGN_WORDS)} />
                </div>
            </section>
            <section>
                <h2 className="mb-3">{say('test.what_a_setup_has_to_reach')}</h2>
                <div className="grid gap-4 sm:grid-cols-3">
                    {pulls ? (
                        <>
                            <QuantityField label={say('test.hot_pull_at_least_2')} kind="force" value={limits.hotPullAtLeastN} onValue={(hotPullAtLeastN) => limit({ hotPullAtLeastN })} name="limits.hotPullAtLeastN" />
                            <QuantityField label={say('test.cold_pull_at_most_2')} kind="force" value={limits.coldPullAtMostN} onValue={(coldPullAtMostN) => limit({ coldPullAtMostN })} name="limits.coldPullAtMostN" />
                            <QuantityField label={say('test.step_of_a_scale_read_by')} kind="force" value={proof.scaleStepN} name="proof.scaleStepN" onValue={(scaleStepN) => prove({ scaleStepN })} hint={say('test.a_gauge_brings_its_own')} />
                        </>
                    ) : null}
                    {lift ? (
                        <>
                            <QuantityField label={say('test.lift_at_most_2')} kind="length" value={limits.liftAtMostMm ?? null} onValue={(liftAtMostMm) => limit({ liftAtMostMm })} name="limits.liftAtMostMm" />
                            <SelectField label={say('test.lift_of_a_run_is_the')} value={limits.liftBy ?? 'mean_of_ends'} onValue={(liftBy) => limit({ liftBy })} options={optionsOf(LIFT_BY_WORDS)} />
                        </>
                    ) : null}
                    <SelectField label={say('test.effort_at_most')} value={String(limits.effortAtMost)} onValue={(value) => limit({ effortAtMost: Number(value) })} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} />
                    <NumberField label={say('test.runs_that_have_to_succeed')} unit="%" value={proof.share === null ? null : Math.round(100 * proof.share)} onValue={(n) => prove({ share: n === null ? null : n / 100 })} name="proof.share" />
                    <NumberField label={say('test.failures_allowed')} value={limits.failuresAllowed} onValue={(failuresAllowed) => limit({ failuresAllowed })} name="limits.failuresAllowed" />
                    <NumberField label={say('test.runs_per_setup')} value={values.runsPerSetup} onValue={(runsPerSetup) => set({ runsPerSetup })} name="runsPerSetup" />
                    {pulls ? <NumberField label={say('test.of_these_hot_pulls')} value={values.hotPerSetup} onValue={(hotPerSetup) => set({ hotPerSetup })} name="hotPerSetup" /> : null}
                    <NumberField label={say('test.visits_to_each_plate')} value={proof.visits} onValue={(visits) => prove({ visits })} name="proof.visits" />
                </div>
                <CheckField label={say('test.the_plate_stays_on_the_printer')} checked={proof.plateStays} onValue={(plateStays) => prove({ plateStays })} />
            </section>
            <section>
                <h2 className="mb-3">{say('test.what_this_plan_can_show')}</h2>
                <PlanChances plan={values} />
            </section>
        </>
    );
}
