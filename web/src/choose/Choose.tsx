import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, Problem, type Schemas } from '../api/client';
import { catalogueQuery, lotsQuery, printersQuery, useMay, useSession } from '../api/queries';
import { Behind } from '../ui/Behind';
import { Button } from '../ui/Button';
import { CheckField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { duration, useFigures, useGap, useQuantity } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { useAnswer } from '../ui/useAnswer';
import { useWide } from '../ui/useWide';
import { say, tell } from '../words/say';
import { CandidateNotes } from './Detail';
import { JobForm } from './JobForm';
import { PartDrop } from './PartDrop';
import { keepPicked } from './picked';
import { isResin, type Job } from './request';

type Reading = { name: string; shape: Schemas['PartReading'] };

export function Choose() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const may = useMay();
    const navigate = useNavigate();
    const wide = useWide();
    const benchLot = lots.find((lot) => lot.id === bench.lotId);
    const [job, setJob] = useState<Job>({
        materialId: benchLot?.materialId ?? '',
        printerId: bench.printerId ?? '',
        lotId: bench.lotId,
        roomC: bench.roomC,
        partCount: 1,
        jobMinutes: null,
        part: null,
        foothold: null,
        bedC: null,
        nozzleC: null,
        gapMm: null,
        file: null,
        agent: null,
        wishes: {},
    });
    const [reading, setReading] = useState<Reading | null>(null);
    const [ticked, setTicked] = useState<string[]>([]);
    const [looked, setLooked] = useState<string | null>(null);
    const set = (part: Partial<Job>) => setJob((was) => ({ ...was, ...part }));
    const ready = job.materialId !== '' && job.printerId !== '';
    const answer = useAnswer(
        'choose',
        ready ? job : null,
        (asked, signal) => ask(api.POST('/api/choose', { signal, body: { ...asked, lookAt: looked, benchSideId: bench.printerId === asked.printerId ? bench.plateSideId : null } })),
        [looked, bench.printerId, bench.plateSideId],
    );
    const choice = answer.data;
    const candidates = choice?.candidates ?? [];
    const detail = choice?.detail ?? null;
    // In a narrow window the notes stand between the rows: only where they were asked for.
    const opened = wide || looked !== null ? detail : null;
    const chosen = candidates.filter((each) => ticked.includes(each.key));
    const resin = isResin(catalogue, job.materialId);
    const compare = async () => {
        keepPicked({
            printerId: job.printerId,
            lotId: job.lotId,
            materialId: job.materialId,
            roomC: job.roomC,
            setups: chosen.map((each) => ({ plateSideId: each.plateSideId, agentId: each.agentId, bedFirstC: each.strip.setPointC, bedOtherC: each.bedOtherC ?? each.strip.setPointC, unheated: each.bedOff || each.strip.setPointC === null, label: each.label })),
        });
        await navigate({ to: '/test/new' });
    };
    const fault = answer.error instanceof Problem ? answer.error : undefined;
    const read = (name: string, shape: Schemas['PartReading']) => {
        setReading({ name, shape });
        set({
            part: { ...shape.part, articulated: job.part?.articulated ?? false },
            partCount: shape.parts > 1 ? Math.min(500, shape.parts) : job.partCount,
            foothold: shape.foothold.kind === 'none' ? null : shape.foothold,
            nozzleC: shape.firstLayer?.nozzleC ?? null,
            file: shape.firstLayer ? { bedC: shape.firstLayer.bedC, nozzleC: shape.firstLayer.nozzleC, bedLaterC: shape.firstLayer.bedLaterC } : null,
        });
    };
    return (
        <Sheet
            title={say('choose.which_plate_how_warm_with_what')}
            lead={say('choose.your_own_plates_and_agents_ranked')}
            actions={
                <>
                    <Button asChild tone="quiet">
                        <Link to="/choose/catalogue">{say('choose.catalogue')}</Link>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/choose/heat">{say('choose.heat_sums')}</Link>
                    </Button>
                </>
            }
            margin={
                <>
                    {detail && wide ? (
                        <Behind behind={answer.behind}>
                            <CandidateNotes detail={detail} />
                        </Behind>
                    ) : null}
                    <HowItRanks />
                </>
            }
        >
            <JobForm job={job} onJob={set} fault={fault} printers={printers} lots={lots} catalogue={catalogue} />
            <PartDrop
                reading={reading}
                part={job.part ?? null}
                advice={choice?.advice ?? null}
                used={job.foothold ?? null}
                onRead={read}
                onPart={(part) => {
                    if (part === null) setReading(null);
                    set({ part, ...(part === null ? { file: null } : {}), ...(part === null || part.articulated ? { foothold: null } : {}) });
                }}
                onAdvised={() => set({ foothold: null })}
            />
            <Fault error={answer.error} />
            {!ready ? (
                <Empty>
                    <p className="mb-2 text-ink">{say('choose.say_which_material_on_which_printer')}</p>
                    <p>{say('choose.what_lies_on_the_bench_along')}</p>
                </Empty>
            ) : null}
            {choice ? (
                <Behind behind={answer.behind}>
                    {choice.notes.length > 0 ? (
                        <div className="mb-6">
                            <Notice tone="caution">
                                {choice.notes.map((note) => (
                                    <p key={note}>{note}</p>
                                ))}
                            </Notice>
                        </div>
                    ) : null}
                    <Profiles profiles={choice.profiles} count={choice.profileCount} />
                    <section aria-label={say('choose.candidates')}>
                        <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
                            <h2>
                                {choice.candidateCount === 0 ? say('choose.no_candidate') : say('choose.candidatecount_candidate', { candidateCount: choice.candidateCount })}
                            </h2>
                            {may.test && candidates.length > 0 && !resin ? (
                                <Button tone="main" disabled={chosen.length === 0 || answer.behind} onClick={() => void compare()}>
                                    {chosen.length === 0 ? say('choose.tick_some_to_compare') : say('choose.compare', { chosen: chosen.length })}
                                </Button>
                            ) : null}
                        </div>
                        {candidates.length === 0 ? <Notice>{say('choose.everything_on_the_shelf_was_ruled')}</Notice> : null}
                        <ol>
                            {candidates.map((candidate, i) => (
                                <CandidateRow
                                    key={candidate.key}
                                    place={i + 1}
                                    lessLikely={i > 0 && candidate.bracket > (candidates[i - 1]?.bracket ?? 0)}
                                    candidate={candidate}
                                    count={job.partCount}
                                    selected={opened?.key === candidate.key}
                                    detail={opened?.key === candidate.key && !wide ? opened : null}
                                    ticked={ticked.includes(candidate.key)}
                                    onLook={() => setLooked(candidate.key)}
                                    onTick={may.test && !resin ? (on) => setTicked(on ? [...ticked, candidate.key] : ticked.filter((key) => key !== candidate.key)) : undefined}
                                />
                            ))}
                        </ol>
                        {choice.candidateCount > candidates.length ? <p className="mt-2 text-soft">{say('choose.more_less_likely_are_not_shown', { candidateCount: choice.candidateCount - candidates.length })}</p> : null}
                    </section>
                    <Rejections rejections={choice.rejections} />
                </Behind>
            ) : null}
        </Sheet>
    );
}

const TRUST_TITLES: Record<Schemas['Choice']['profiles'][number]['trust'], string> = {
    proven: say('choose.proven_here'),
    out_of_scope: say('choose.validated_but_this_job_goes_beyond'),
    in_question: say('choose.validated_but_in_question_now'),
    trial: say('choose.on_trial'),
};

/** Each under its own words: only what is validated, in scope and not in doubt is proven. */
function Profiles({ profiles, count }: { profiles: Schemas['Choice']['profiles']; count: number }) {
    const temperature = useQuantity('temperature');
    const gap = useGap();
    const groups = (Object.keys(TRUST_TITLES) as (keyof typeof TRUST_TITLES)[]).map((trust) => ({ trust, found: profiles.filter((profile) => profile.trust === trust) })).filter(({ found }) => found.length > 0);
    const more = count - profiles.length;
    return (
        <>
            {groups.map(({ trust, found }) => (
        <section key={trust} aria-label={TRUST_TITLES[trust]} className="mb-8">
            <h2 className="mb-2">{TRUST_TITLES[trust]}</h2>
            <ul className="flex flex-col gap-3">
                {found.map((profile) => (
                    <li key={profile.id} className={`border-l-4 px-4 py-3 ${trust === 'proven' ? 'border-sound bg-sound-wash' : 'border-strong bg-well'}`}>
                        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                            <Link to="/keep/$id" params={{ id: profile.id }} className="text-lg font-[650]">
                                {profile.title}
                            </Link>
                            <span className={`font-[650] ${trust === 'proven' ? 'text-sound' : 'text-ink'}`}>{profile.trustWords}</span>
                        </div>
                        <p>{say('choose.proven_setting', { words: profile.setting.bedFirstC === null ? say('choose.unheated_2') : (profile.dial?.words ?? temperature.text(profile.setting.bedFirstC)), bedOtherCIf: profile.setting.bedOtherC !== null && profile.setting.bedOtherC !== profile.setting.bedFirstC, bedOtherC: (profile.setting.bedOtherC !== null && profile.setting.bedOtherC !== profile.setting.bedFirstC) ? temperature.text(profile.setting.bedOtherC) : '', agentName: profile.setting.agentName ?? say('choose.bare'), setting: gap(profile.setting) })}
                        </p>
                        <ul className="mt-1 grid gap-x-6 text-[0.9375rem] sm:grid-cols-2 xl:grid-cols-3">
                            {[...profile.points]
                                .sort((a, b) => rank(a.inScope) - rank(b.inScope))
                                .map((point) => (
                                    <li key={point.point} className={point.inScope === false ? 'font-[650] text-fault' : point.inScope === null ? 'text-ink' : 'text-soft'}>
                                        {point.inScope === false ? '✗' : point.inScope === null ? '?' : '✓'} {point.sentence}
                                    </li>
                                ))}
                        </ul>
                        {profile.restoredBy.length > 0 ? <p className="mt-1">{say('choose.restored_by', { restoredBy: profile.restoredBy.join(' ') })}</p> : null}
                    </li>
                ))}
            </ul>
        </section>
            ))}
            {more > 0 ? <p className="mb-8 text-soft">{tell('choose.more_profiles', { count: more, link: (words) => <Link to="/keep">{words}</Link> })}</p> : null}
        </>
    );
}

/** What stands against it first, then what is open. */
function rank(inScope: boolean | null): number {
    return inScope === false ? 0 : inScope === null ? 1 : 2;
}

type RowProps = { place: number; /** The first that can be told apart from those above. */ lessLikely: boolean; candidate: Schemas['Candidate']; count: number; selected: boolean; /** Where there is no margin beside. */ detail: Schemas['CandidateDetail'] | null; ticked: boolean; onLook: () => void; onTick: ((on: boolean) => void) | undefined };

function CandidateRow({ place, lessLikely, candidate, count, selected, detail, ticked, onLook, onTick }: RowProps) {
    const figure = useFigures();
    const temperature = useQuantity('temperature');
    return (
        <li className={`border-b border-line py-3 pl-3 sm:pl-4 ${selected ? 'border-l-4 border-l-accent' : 'border-l-4 border-l-transparent'}`}>
            {lessLikely ? <p className="mb-2 font-[650]">{say('choose.from_here_on_likely_worse_than')}</p> : null}
            <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-1">
                <button className="min-h-11 min-w-0 text-left" onClick={onLook} aria-pressed={selected}>
                    <span className="mr-2 text-soft">{place}</span>
                    <span className="text-lg font-[650]">{candidate.label}</span>
                    <span className="ml-2 text-soft">{candidate.surfaceName}</span>
                    {candidate.proven ? <span className="ml-2 font-[650] text-sound">{say('choose.proven_here_2')}</span> : null}
                </button>
                <div className="flex items-center gap-6">
                    <Odds word={say('choose.holds_2')} expectation={candidate.hold} />
                    <Odds word={say('choose.lets_go_2')} expectation={candidate.release} />
                    {count > 1 ? (
                        <span className="text-right leading-tight">
                            <span className="block text-xl font-[650]">{figure('share').text(candidate.chance)}</span>
                            <span className="block text-sm text-soft">{say('choose.all', { count })}</span>
                        </span>
                    ) : null}
                    {onTick ? <CheckField label={say('choose.compare_2')} checked={ticked} onValue={onTick} /> : null}
                </div>
            </div>
            <SeatStrip strip={candidate.strip} runs={candidate.ownRuns} label={candidate.label} />
            <p className="mt-1 text-[0.9375rem]">
                <strong>
                    {candidate.dial?.words ?? (candidate.bedOff ? say('choose.bed_off') : null)}
                    {typeof candidate.bedOtherC !== 'number' ? '' : say('choose.then', { bedOtherC: temperature.text(candidate.bedOtherC) })}
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
                    candidate.turnaroundMinutes === null ? null : say('choose.to_warm_and_cool', { turnaroundMinutes: duration(candidate.turnaroundMinutes) }),
                    candidate.energyWh === null ? null : figure('energy').text(candidate.energyWh),
                    candidate.costPerPrint === null ? null : say('choose.per_print', { costPerPrint: figure('money').text(candidate.costPerPrint) }),
                    say('choose.underside_2', { finish: candidate.finish }),
                    candidate.foothold === 'no brim' ? null : candidate.foothold,
                ]
                    .filter(Boolean)
                    .join(' · ')}
                {candidate.missed.map((missed) => (
                    <span key={missed} className="block font-[650] text-ink">
                        {missed}
                    </span>
                ))}
            </p>
            {detail ? (
                <div className="mt-3 border-t border-line pt-3 text-[0.9375rem]">
                    <CandidateNotes detail={detail} />
                </div>
            ) : selected ? null : (
                <button className="min-h-11 text-accent underline underline-offset-4 lg:hidden" onClick={onLook}>{say('choose.why_and_how_to_take_it')}</button>
            )}
        </li>
    );
}

function Odds({ word, expectation }: { word: string; expectation: Schemas['Expectation'] }) {
    const figure = useFigures();
    return (
        <span className="text-right leading-tight" title={say('choose.90_of_what_is_believed_lies', { percent: figure('share').text(expectation.interval90[0] ?? 0), percent2: figure('share').text(expectation.interval90[1] ?? 1) })}>
            <span className="block text-xl font-[650]">{figure('share').text(expectation.mean)}</span>
            <span className="block text-sm text-soft">{word}</span>
        </span>
    );
}

function HowItRanks() {
    return (
        <MarginNote title={say('choose.how_this_is_ranked')}>
            <p>{say('choose.by_the_chance_that_all_parts')}</p>
            <p>{say('choose.what_this_job_printer_and_plate')}</p>
            <p>{say('choose.more_force_never_wins_by_itself')}</p>
            <p>{say('choose.on_the_scale_the_triangle_is')}</p>
        </MarginNote>
    );
}

function Rejections({ rejections }: { rejections: Schemas['Choice']['rejections'] }) {
    if (rejections.length === 0) return null;
    return (
        <details className="mt-8">
            <summary className="flex min-h-11 cursor-pointer items-center text-lg font-[650]">{say('choose.ruled_out', { rejections: rejections.length })}</summary>
            <table className="ledger w-full">
                <tbody>
                    {rejections.map((rejection) => (
                        <tr key={rejection.label + rejection.reason}>
                            <th scope="row" className="w-56">
                                {rejection.label}
                            </th>
                            <td>{rejection.reason}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </details>
    );
}
