import type { Schemas } from '../api/client';
import { duration, useFigures } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { say } from '../words/say';
import { CandidateNotes } from './Detail';

/** All of a candidate: its own strip, what to set and do, what it takes, and, where there is no margin beside, the notes. */
export function OpenRow({ candidate, detail, onUse }: { candidate: Schemas['Candidate']; detail: Schemas['CandidateDetail'] | null; onUse: React.ReactNode }) {
    const figure = useFigures();
    return (
        <div className="border-l-4 border-accent px-3 pb-4 sm:px-4">
            <SeatStrip strip={candidate.strip} runs={candidate.ownRuns} label={candidate.label} />
            <p className="mt-1 text-[0.9375rem]">
                <strong>
                    {candidate.dial?.words ?? (candidate.bedOff ? say('choose.bed_off') : null)}
                    {typeof candidate.bedOtherC !== 'number' ? '' : say('choose.then', { bedOtherC: figure('temperature').text(candidate.bedOtherC) })}
                </strong>
                {candidate.steps.map((step) => (
                    <span key={step.id}>
                        {' '}
                        {step.words}
                        {step.holdWithout === null ? null : ` ${say('choose.without_holds', { holdWithout: figure('share').text(step.holdWithout) })}`}
                    </span>
                ))}
            </p>
            <p className="mt-1 text-[0.9375rem] text-soft">
                {[
                    candidate.known,
                    say('choose.on_average', { hold: figure('share').text(candidate.hold.chance), release: figure('share').text(candidate.release.chance) }),
                    say('choose.chance_of_both', { chance: figure('share').text(candidate.chance) }),
                    candidate.leads,
                    candidate.turnaroundMinutes === null ? null : say('choose.to_warm_and_cool', { turnaroundMinutes: duration(candidate.turnaroundMinutes) }),
                    candidate.energyWh === null ? null : figure('energy').text(candidate.energyWh),
                    candidate.costPerPrint === null ? null : say('choose.per_print', { costPerPrint: figure('money').text(candidate.costPerPrint) }),
                    say('choose.underside_2', { finish: candidate.finish }),
                    candidate.foothold,
                ]
                    .filter(Boolean)
                    .join(' · ')}
                {candidate.missed.map((missed) => (
                    <span key={missed} className="block font-[650] text-ink">
                        {missed}
                    </span>
                ))}
            </p>
            <div className="mt-2 flex flex-wrap gap-2">{onUse}</div>
            {detail ? (
                <div className="mt-3 border-t border-line pt-3 text-[0.9375rem]">
                    <CandidateNotes detail={detail} />
                </div>
            ) : null}
        </div>
    );
}
