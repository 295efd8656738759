import { useSuspenseQuery } from '@tanstack/react-query';

import { usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { More } from '../ui/DraftForm';
import { CheckField, NumberField, optionsOf, QuantityField, SelectField, TextField } from '../ui/Field';
import { useFigures } from '../ui/quantity';
import { CRITERION_WORDS, DESIGN_WORDS, EFFORT_WORDS, LIFT_BY_WORDS } from '../ui/words';
import { say } from '../words/say';
import { usePlanChances } from './PlanChances';
import type { ProofValues } from './planShape';

/** What a setup has to reach and by what it is judged, each default with its reason where it stands. */
export function Proof({ values, set, why, offers }: { values: ProofValues; set: (part: Partial<ProofValues>) => void; why: Record<string, string>; /** Limits that own readings speak for. */ offers: { field: string; value: number; sentence: string }[] }) {
    const { data: usual } = useSuspenseQuery(usualQuery);
    const figure = useFigures();
    const { limits, proof } = values;
    const chances = usePlanChances(values);
    const limit = (part: Partial<ProofValues['limits']>) => set({ limits: { ...limits, ...part } });
    const prove = (part: Partial<ProofValues['proof']>) => set({ proof: { ...proof, ...part } });
    const pulls = proof.measures.includes('pull');
    const lift = proof.measures.includes('lift');
    return (
        <More title={say('test.what_a_setup_has_to_reach')} fields={['limits', 'proof', 'runsPerSetup', 'hotPerSetup']}>
            <div className="grid gap-4 sm:grid-cols-3">
                {pulls ? (
                    <>
                        <QuantityField label={say('test.hot_pull_at_least_2')} kind="force" value={limits.hotPullAtLeastN} onValue={(hotPullAtLeastN) => limit({ hotPullAtLeastN })} name="limits.hotPullAtLeastN" hint={why['limits.hotPullAtLeastN']} />
                        <QuantityField label={say('test.cold_pull_at_most_2')} kind="force" value={limits.coldPullAtMostN} onValue={(coldPullAtMostN) => limit({ coldPullAtMostN })} name="limits.coldPullAtMostN" hint={why['limits.coldPullAtMostN']} />
                        <QuantityField label={say('test.step_of_a_scale_read_by')} kind="force" value={proof.scaleStepN} name="proof.scaleStepN" onValue={(scaleStepN) => prove({ scaleStepN })} hint={say('test.a_gauge_brings_its_own')} />
                    </>
                ) : null}
                {lift ? (
                    <>
                        <QuantityField label={say('test.lift_at_most_2')} kind="length" value={limits.liftAtMostMm ?? null} onValue={(liftAtMostMm) => limit({ liftAtMostMm })} name="limits.liftAtMostMm" hint={why['limits.liftAtMostMm']} />
                        {(proof.partsPerRun ?? 1) > 1 ? null : <SelectField label={say('test.lift_of_a_run_is_the')} value={limits.liftBy ?? 'mean_of_ends'} onValue={(liftBy) => limit({ liftBy })} options={optionsOf(LIFT_BY_WORDS)} />}
                    </>
                ) : null}
                <SelectField label={say('test.effort_at_most')} value={String(limits.effortAtMost)} onValue={(value) => limit({ effortAtMost: Number(value) })} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} hint={why['limits.effortAtMost']} />
                <NumberField label={say('test.runs_that_have_to_succeed')} unit="%" value={proof.share === null ? null : Math.round(100 * proof.share)} onValue={(n) => prove({ share: n === null ? null : n / 100 })} name="proof.share" />
                <NumberField label={say('test.failures_allowed')} value={limits.failuresAllowed} onValue={(failuresAllowed) => limit({ failuresAllowed })} name="limits.failuresAllowed" hint={why['limits.failuresAllowed']} />
                <NumberField label={say('test.runs_per_setup')} value={values.runsPerSetup} onValue={(runsPerSetup) => set({ runsPerSetup })} name="runsPerSetup" />
                {pulls ? <NumberField label={say('test.of_these_hot_pulls')} value={values.hotPerSetup} onValue={(hotPerSetup) => set({ hotPerSetup })} name="hotPerSetup" /> : null}
                <NumberField label={say('test.visits_to_each_plate')} value={proof.visits} onValue={(visits) => prove({ visits })} name="proof.visits" hint={why['proof.visits']} />
                <NumberField label={say('test.parts_on_the_plate')} value={proof.partsPerRun ?? 1} onValue={(partsPerRun) => prove({ partsPerRun: partsPerRun ?? 1 })} name="proof.partsPerRun" />
            </div>
            {offers.map((offer) => (
                <p key={offer.sentence} className="flex flex-wrap items-center gap-3">
                    <span className="min-w-0 flex-1">{offer.sentence}</span>
                    <Button disabled={limits.hotPullAtLeastN === offer.value && limits.why === offer.sentence} onClick={() => limit({ hotPullAtLeastN: offer.value, why: offer.sentence.slice(0, 300) })}>
                        {say('test.take_this_limit', { value: figure('force').text(offer.value) })}
                    </Button>
                </p>
            ))}
            <div className="grid gap-4 sm:grid-cols-3">
                {pulls ? <QuantityField label={say('test.difference_of_pulls_that_matters')} kind="force" value={limits.pullMattersN ?? null} onValue={(pullMattersN) => limit({ pullMattersN })} name="limits.pullMattersN" hint={say('test.else_a_quarter_of_the_limit')} /> : null}
                {lift ? <QuantityField label={say('test.difference_of_lift_that_matters')} kind="length" value={limits.liftMattersMm ?? null} onValue={(liftMattersMm) => limit({ liftMattersMm })} name="limits.liftMattersMm" hint={say('test.else_half_of_the_limit')} /> : null}
            </div>
            <TextField label={say('test.why_these_limits')} value={limits.why ?? ''} onValue={(why) => limit({ why })} name="limits.why" maxLength={300} />
            {(proof.partsPerRun ?? 1) > 1 || (proof.coatStays ?? false) ? null : <CheckField label={say('test.spots_balanced')} checked={proof.spotsBalanced ?? false} onValue={(spotsBalanced) => prove({ spotsBalanced })} />}
            <CheckField label={say('test.the_coat_stays')} checked={proof.coatStays ?? false} onValue={(coatStays) => prove({ coatStays })} />
            <CheckField label={say('test.the_plate_stays_on_the_printer')} checked={proof.plateStays} onValue={(plateStays) => prove({ plateStays })} />
            <div className="grid gap-4 sm:grid-cols-2">
                <SelectField label={say('test.proof_by')} value={proof.criterion} onValue={(criterion) => prove({ criterion })} options={optionsOf(CRITERION_WORDS).filter((each) => pulls || each.value === 'counts')} name="proof.criterion" />
                <SelectField label={say('test.looked_at')} value={proof.design} onValue={(design) => prove({ design })} options={optionsOf(DESIGN_WORDS)} name="proof.design" />
            </div>
            <div className="flex flex-col gap-1 text-soft">
                {(chances.data?.claims ?? []).map((claim) => <p key={claim}>{claim}</p>)}
                <p>{say('test.for_a_profile')}</p>
                <ul className="list-disc pl-5">
                    {usual.acceptance.map((each) => (
                        <li key={each.words}>{say('test.runs_without_failure', { runsWithoutFailure: each.runsWithoutFailure, words: each.words })}</li>
                    ))}
                </ul>
            </div>
        </More>
    );
}
