import { Link } from '@tanstack/react-router';
import { TriangleAlert } from 'lucide-react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { duration, useQuantity, useShares } from '../ui/quantity';
import { What } from '../ui/What';
import { say } from '../words/say';

type Props = {
    candidate: Schemas['Candidate'];
    detail: Schemas['CandidateDetail'] | null;
    profile: Schemas['Choice']['profiles'][number] | undefined;
    count: number;
    /** Several printers were asked for: which one is part of the answer. */
    anyPrinter: boolean;
    may: boolean;
    behind: boolean;
    onPrint: () => void;
    onCompare: () => void;
};

/** The answer: which side, what on it, what to dial, what to expect, what to do first, how it comes off, and what can hurt. */
export function UseThis({ candidate, detail, profile, count, anyPrinter, may, behind, onPrint, onCompare }: Props) {
    const shares = useShares();
    const open = profile?.points.filter((point) => point.inScope === null) ?? [];
    return (
        <section aria-label={say('choose.use_this')} className="border-l-[5px] border-accent bg-accent-wash px-4 py-3 sm:px-5">
            <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-3">
                <div className="min-w-0 flex-1">
                    <p className="flex flex-wrap items-baseline gap-x-3">
                        <strong className="text-[1.375rem] leading-tight tracking-tight">{anyPrinter ? say('choose.on_printer', { label: candidate.label, printer: candidate.printerName }) : candidate.label}</strong>
                        <span className="text-soft">
                            {candidate.surfaceName} · <span className={candidate.proven ? 'font-[650] text-sound' : candidate.estimate ? 'italic' : 'font-[650]'}>{candidate.known}</span>
                        </span>
                    </p>
                    {profile ? (
                        <p className="text-[0.9375rem]">
                            <Link to="/keep/$id" params={{ id: profile.id }}>{profile.title}</Link>
                            {open.map((point) => (
                                <span key={point.point} className="ml-2">{point.sentence}</span>
                            ))}
                        </p>
                    ) : null}
                    <div className="mt-2 flex flex-wrap gap-x-3 gap-y-2 sm:flex-nowrap sm:gap-x-6">
                        <ToSet candidate={candidate} />
                        <Range range={candidate.hold.range90} estimate={candidate.estimate} words={count > 1 ? say('choose.all_hold', { count }) : say('choose.holds_2')} says={say('choose.what_hold_is')} shares={shares} />
                        <Range range={candidate.release.range90} estimate={candidate.estimate} words={say('choose.let_go_unharmed')} says={say('choose.what_release_is')} shares={shares} />
                        <div className="w-full text-[0.9375rem] leading-snug sm:w-auto sm:min-w-0 sm:flex-1">
                            <Then candidate={candidate} detail={detail} />
                        </div>
                    </div>
                </div>
                <div className="flex w-full shrink-0 flex-row gap-2 sm:w-auto sm:flex-col">
                    <Button tone="main" className="flex-1" onClick={onPrint}>{say('choose.print_with_it')}</Button>
                    {may ? <Button className="flex-1" disabled={behind} onClick={onCompare}>{say('choose.compare_2')}</Button> : null}
                </div>
            </div>
            {detail && detail.cautions.length > 0 ? (
                <ul className="mt-2 flex flex-col gap-0.5 border-t border-strong/40 pt-2 text-[0.9375rem] leading-snug">
                    {detail.cautions.map((caution) => (
                        <li key={caution} className="flex gap-2">
                            <TriangleAlert className="mt-0.5 size-4 shrink-0 text-brass" aria-label={say('ui.caution')} /> {caution}
                        </li>
                    ))}
                </ul>
            ) : null}
        </section>
    );
}

function ToSet({ candidate }: { candidate: Schemas['Candidate'] }) {
    const about = useQuantity('temperature_about');
    const temperature = useQuantity('temperature');
    const count = useQuantity('count');
    const { strip, dial, bedOtherC } = candidate;
    if (strip.axis === 's') {
        return (
            <p className="leading-tight">
                <span className="block text-[2.25rem] font-[650] text-accent">{say('unit.seconds', { figure: count.bare(strip.target ?? strip.low) })}</span>
                <span className="text-sm text-soft">{say('choose.of_bottom_exposure')}</span>
            </p>
        );
    }
    return (
        <p className="leading-tight">
            <What name={say('choose.what_to_dial')} says={say('choose.what_the_dial_is')} chapter="what-the-numbers-mean" className="block text-[2.25rem] font-[650] whitespace-nowrap text-accent">{dial ? temperature.text(dial.displayC) : say('choose.off')}</What>
            <span className="block max-w-24 text-sm sm:max-w-28 text-soft">{dial ? (dial.surfaceC === null ? say('choose.set_on_the_display') : say('choose.set_on_the_display_surface', { surfaceC: about.bare(dial.surfaceC) })) : say('choose.bed_off')}</span>
            {typeof bedOtherC === 'number' ? <span className="block text-sm font-[650]">{say('choose.then_set', { bedOtherC: temperature.text(bedOtherC) })}</span> : null}
        </p>
    );
}

function Range({ range, estimate, words, says, shares }: { range: number[]; estimate: boolean; words: string; says: string; shares: (range: number[]) => string }) {
    return (
        <p className="leading-tight">
            <What name={words} says={says} chapter="what-the-numbers-mean" className={`block pt-2 text-[1.375rem] whitespace-nowrap ${estimate ? 'italic' : 'font-[650]'}`}>{shares(range)}</What>
            <span className="block max-w-20 text-sm text-soft sm:max-w-24">{words}</span>
        </p>
    );
}

/** What comes before and after the print. */
function Then({ candidate, detail }: { candidate: Schemas['Candidate']; detail: Schemas['CandidateDetail'] | null }) {
    const temperature = useQuantity('temperature');
    const wait = detail?.release.waits[0];
    const below = detail?.release.belowC ?? null;
    const steps = detail ? detail.release.steps.slice(below === null ? 0 : 1) : [];
    return (
        <>
            <p>
                    <strong className="font-[650]">{candidate.steps.map((step) => step.words).join(' ')}</strong> {candidate.strip.axis === 's' ? null : say('choose.around_the_part_is', { foothold: candidate.foothold })}
                </p>
            {detail ? (
                <p>
                    <strong>{say('choose.off_2')}</strong> {below === null ? null : wait?.minutes == null ? say('choose.off_at', { belowC: temperature.text(below) }) : say('choose.off_at_after', { belowC: temperature.text(below), minutes: duration(Math.round(wait.minutes)) })} {steps[0] ?? ''}
                </p>
            ) : null}
        </>
    );
}
