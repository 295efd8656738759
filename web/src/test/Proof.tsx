import { useSuspenseQuery } from '@tanstack/react-query';

import type { Problem, Schemas } from '../api/client';
import { usualQuery } from '../api/queries';
import { CheckField, NumberField, QuantityField, SelectField } from '../ui/Field';
import { CRITERION_WORDS, DESIGN_WORDS, EFFORT_WORDS, LIFT_BY_WORDS } from '../ui/words';
import { PlanChances } from './PlanChances';

type Part = Pick<Schemas['Comparison'], 'proof' | 'limits' | 'runsPerSetup' | 'hotPerSetup'>;

const choices = <T extends string>(words: Record<T, string>) => (Object.keys(words) as T[]).map((value) => ({ value, label: words[value] }));

/** By what a setup is judged, what it has to reach, and what the plan can show of it. */
export function Proof({ draft, set, fault }: { draft: Part; set: (part: Partial<Part>) => void; fault: Problem | undefined }) {
    const { data: usual } = useSuspenseQuery(usualQuery);
    const { limits, proof } = draft;
    const limit = (part: Partial<Schemas['Limits']>) => set({ limits: { ...limits, ...part } });
    const prove = (part: Partial<Schemas['Proof']>) => set({ proof: { ...proof, ...part } });
    const pulls = proof.measures.includes('pull');
    const lift = proof.measures.includes('lift');
    const usualLimits = usual.plan.limits;
    const measure = (name: 'pull' | 'lift', on: boolean) => (on ? [...proof.measures, name] : proof.measures.filter((each) => each !== name));
    return (
        <>
            <section>
                <h2 className="mb-1">How it is judged</h2>
                <p className="mb-3 text-soft">Held or not, how hard it came off and damage always decide. What else does?</p>
                <div className="mb-3 flex flex-wrap gap-x-8">
                    <CheckField
                        label="Pulls, by gauge or scale"
                        checked={pulls}
                        onValue={(on) =>
                            set(
                                on
                                    ? { proof: { ...proof, measures: measure('pull', true), criterion: usual.plan.proof.criterion }, limits: { ...limits, hotPullAtLeastN: usualLimits.hotPullAtLeastN, coldPullAtMostN: usualLimits.coldPullAtMostN }, hotPerSetup: usual.plan.hotPerSetup, runsPerSetup: usual.plan.runsPerSetup }
                                    : { proof: { ...proof, measures: measure('pull', false), criterion: 'counts' }, limits: { ...limits, hotPullAtLeastN: null, coldPullAtMostN: null }, hotPerSetup: 0, runsPerSetup: usual.plan.countedRuns },
                            )
                        }
                    />
                    <CheckField label="Lift, by calliper" checked={lift} onValue={(on) => set({ proof: { ...proof, measures: measure('lift', on) }, limits: { ...limits, liftAtMostMm: on ? usual.plan.liftAtMostMm : null } })} />
                </div>
                <div className="grid gap-4 sm:grid-cols-2">
                    <SelectField label="Proof by" value={proof.criterion} onValue={(criterion) => prove({ criterion: criterion as Schemas['Proof']['criterion'] })} options={choices(CRITERION_WORDS).filter((each) => pulls || each.value === 'counts')} error={fault?.of('proof.criterion')} />
                    <SelectField label="Looked at" value={proof.design} onValue={(design) => prove({ design: design as Schemas['Proof']['design'] })} options={choices(DESIGN_WORDS)} />
                </div>
            </section>
            <section>
                <h2 className="mb-3">What a setup has to reach</h2>
                <div className="grid gap-4 sm:grid-cols-3">
                    {pulls ? (
                        <>
                            <QuantityField label="Hot pull at least" kind="force" value={limits.hotPullAtLeastN} onValue={(hotPullAtLeastN) => limit({ hotPullAtLeastN })} error={fault?.of('limits.hotPullAtLeastN')} />
                            <QuantityField label="Cold pull at most" kind="force" value={limits.coldPullAtMostN} onValue={(coldPullAtMostN) => limit({ coldPullAtMostN })} error={fault?.of('limits.coldPullAtMostN')} />
                            <QuantityField label="Step of a scale read by hand" kind="force" value={proof.scaleStepN} onValue={(n) => prove({ scaleStepN: n ?? usual.plan.proof.scaleStepN })} hint="A gauge brings its own." />
                        </>
                    ) : null}
                    {lift ? (
                        <>
                            <QuantityField label="Lift at most" kind="length" value={limits.liftAtMostMm ?? null} onValue={(liftAtMostMm) => limit({ liftAtMostMm })} error={fault?.of('limits.liftAtMostMm')} />
                            <SelectField label="Lift of a run is the" value={limits.liftBy ?? 'mean_of_ends'} onValue={(liftBy) => limit({ liftBy: liftBy as Schemas['Limits']['liftBy'] & string })} options={choices(LIFT_BY_WORDS)} />
                        </>
                    ) : null}
                    <SelectField label="Effort at most" value={String(limits.effortAtMost)} onValue={(value) => limit({ effortAtMost: Number(value) })} options={EFFORT_WORDS.map((label, i) => ({ value: String(i), label }))} />
                    <NumberField label="Runs that have to succeed" unit="%" value={Math.round(100 * proof.share)} onValue={(n) => n !== null && prove({ share: n / 100 })} error={fault?.of('proof.share')} />
                    <NumberField label="Failures allowed" value={limits.failuresAllowed} onValue={(n) => n !== null && limit({ failuresAllowed: n })} error={fault?.of('limits.failuresAllowed')} />
                    <NumberField label="Runs per setup" value={draft.runsPerSetup} onValue={(n) => n !== null && set({ runsPerSetup: n })} error={fault?.of('runsPerSetup')} />
                    {pulls ? <NumberField label="Of these, hot pulls" value={draft.hotPerSetup} onValue={(n) => n !== null && set({ hotPerSetup: n })} error={fault?.of('hotPerSetup')} /> : null}
                    <NumberField label="Visits to each plate" value={proof.visits} onValue={(n) => n !== null && prove({ visits: n })} error={fault?.of('proof.visits')} />
                </div>
                <CheckField label="The plate stays on the printer between the runs of a visit (then each visit counts once, not each run)" checked={proof.plateStays} onValue={(plateStays) => prove({ plateStays })} />
            </section>
            <section>
                <h2 className="mb-3">What this plan can show</h2>
                <PlanChances plan={draft} />
            </section>
        </>
    );
}
