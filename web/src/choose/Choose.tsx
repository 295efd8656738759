import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { call, Problem, type Schemas } from '../api/client';
import { catalogueQuery, lotsQuery, printersQuery, useMay, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { CheckField, NumberField, QuantityField, SelectField } from '../ui/Field';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { percent, useQuantity } from '../ui/quantity';
import { SeatStrip } from '../ui/SeatStrip';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { PROFILE_WORDS } from '../ui/words';
import { keepPicked } from './picked';

type Request = { materialId: string; printerId: string; lotId: string | null; roomC: number; partCount: number; jobMinutes: number | null };

export function Choose() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const may = useMay();
    const navigate = useNavigate();
    const benchLot = lots.find((lot) => lot.id === bench.lotId);
    const [request, setRequest] = useState<Request>({
        materialId: benchLot?.materialId ?? '',
        printerId: bench.printerId ?? '',
        lotId: bench.lotId,
        roomC: bench.roomC,
        partCount: 1,
        jobMinutes: null,
    });
    const [ticked, setTicked] = useState<string[]>([]);
    const [looked, setLooked] = useState<string | null>(null);
    const set = (part: Partial<Request>) => setRequest({ ...request, ...part });
    const ready = request.materialId !== '' && request.printerId !== '';
    const answer = useQuery({
        queryKey: ['choose', request],
        queryFn: () => call<Schemas['Choice']>('POST', '/choose', request),
        enabled: ready,
        placeholderData: keepPreviousData,
    });
    const choice = ready && !answer.isError ? answer.data : undefined;
    const candidates = choice?.candidates ?? [];
    const selected = candidates.find((each) => each.key === looked) ?? candidates[0];
    const chosen = candidates.filter((each) => ticked.includes(each.key));
    const compare = async () => {
        keepPicked({
            printerId: request.printerId,
            lotId: request.lotId,
            materialId: request.materialId,
            roomC: request.roomC,
            setups: chosen.map((each) => ({ plateSideId: each.plateSideId, agentId: each.agentId, bedFirstC: each.strip.targetC, bedOtherC: each.strip.targetC, label: each.label })),
        });
        await navigate({ to: '/test/new' });
    };
    const fault = answer.error instanceof Problem ? answer.error : undefined;
    return (
        <Sheet
            title="Which plate, how warm, with what on it?"
            lead="Your own plates and agents, ranked for this material: will it hold to the end, and will it let go?"
            margin={selected ? <Reasons candidate={selected} /> : <HowItRanks />}
        >
            <form className="mb-8 grid grid-cols-2 gap-4 sm:grid-cols-3 xl:grid-cols-6" aria-label="What is to be printed" onSubmit={(event) => event.preventDefault()}>
                <SelectField
                    label="Material"
                    value={request.materialId}
                    onValue={(materialId) => set({ materialId, lotId: lots.find((lot) => lot.id === request.lotId)?.materialId === materialId ? request.lotId : null })}
                    empty="Choose …"
                    options={catalogue.materials.map((m) => ({ value: m.id, label: m.name }))}
                    error={fault?.of('materialId')}
                />
                <SelectField label="Printer" value={request.printerId} onValue={(printerId) => set({ printerId })} empty="Choose …" options={printers.filter((p) => !p.retired).map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
                <SelectField
                    label="Lot"
                    value={request.lotId ?? ''}
                    onValue={(id) => set({ lotId: id || null })}
                    empty="any"
                    options={lots.filter((l) => !l.retired && l.materialId === request.materialId).map((l) => ({ value: l.id, label: `${l.label}, ${l.name}` }))}
                    error={fault?.of('lotId')}
                />
                <QuantityField label="Room" kind="temperature" value={request.roomC} onValue={(roomC) => roomC !== null && set({ roomC })} error={fault?.of('roomC')} />
                <NumberField label="Parts on the plate" value={request.partCount} onValue={(n) => n !== null && set({ partCount: Math.max(1, Math.round(n)) })} error={fault?.of('partCount')} />
                <NumberField label="Job, minutes" value={request.jobMinutes} onValue={(jobMinutes) => set({ jobMinutes })} placeholder="unknown" error={fault?.of('jobMinutes')} />
            </form>
            <Fault error={answer.error} />
            {!ready ? (
                <Empty>
                    <p className="mb-2 text-ink">Say which material on which printer.</p>
                    <p>What lies on the bench, along the bottom edge, is filled in for you.</p>
                </Empty>
            ) : null}
            {choice ? (
                <>
                    <Profiles profiles={choice.profiles} />
                    <section aria-label="Candidates">
                        <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
                            <h2>
                                {choice.candidateCount === 0 ? 'No candidate' : `${choice.candidateCount} ${choice.candidateCount === 1 ? 'candidate' : 'candidates'}, the likeliest first`}
                            </h2>
                            {may.test && candidates.length > 0 ? (
                                <Button tone="main" disabled={chosen.length === 0} onClick={() => void compare()}>
                                    {chosen.length === 0 ? 'Tick some to compare' : `Compare ${chosen.length}`}
                                </Button>
                            ) : null}
                        </div>
                        {candidates.length === 0 ? <Notice>Everything on the shelf was ruled out. The reasons stand below.</Notice> : null}
                        <ol>
                            {candidates.map((candidate, i) => (
                                <CandidateRow
                                    key={candidate.key}
                                    place={i + 1}
                                    candidate={candidate}
                                    selected={candidate === selected}
                                    ticked={ticked.includes(candidate.key)}
                                    onLook={() => setLooked(candidate.key)}
                                    onTick={may.test ? (on) => setTicked(on ? [...ticked, candidate.key] : ticked.filter((key) => key !== candidate.key)) : undefined}
                                />
                            ))}
                        </ol>
                        {choice.candidateCount > candidates.length ? <p className="mt-2 text-soft">{choice.candidateCount - candidates.length} more, less likely, are not shown.</p> : null}
                    </section>
                    <Rejections rejections={choice.rejections} />
                </>
            ) : null}
        </Sheet>
    );
}

function Profiles({ profiles }: { profiles: Schemas['Choice']['profiles'] }) {
    const temperature = useQuantity('temperature');
    if (profiles.length === 0) return null;
    return (
        <section aria-label="Validated profiles" className="mb-8">
            <h2 className="mb-2">{profiles[0]?.inScope ? 'Proven here' : 'Proven here, but not for this job'}</h2>
            <ul className="flex flex-col gap-3">
                {profiles.map((profile) => (
                    <li key={profile.id} className={`border-l-4 px-4 py-3 ${profile.inScope ? 'border-sound bg-sound-wash' : 'border-strong bg-well'}`}>
                        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                            <Link to="/keep/$id" params={{ id: profile.id }} className="text-lg font-[650]">
                                {profile.title}
                            </Link>
                            <span className={`font-[650] ${profile.inScope ? 'text-sound' : 'text-ink'}`}>
                                {profile.inScope ? 'in scope' : 'out of scope'}, {PROFILE_WORDS[profile.status]}
                            </span>
                        </div>
                        <p>
                            Bed {profile.setting.bedFirstC === null ? 'unheated' : temperature.text(profile.setting.bedFirstC)}, {profile.setting.agentName ?? 'bare'}, gap: {profile.setting.firstLayerGap}
                        </p>
                        <ul className="mt-1 grid gap-x-6 text-[0.9375rem] sm:grid-cols-2 xl:grid-cols-3">
                            {[...profile.points]
                                .sort((a, b) => Number(a.inScope) - Number(b.inScope))
                                .map((point) => (
                                    <li key={point.point} className={point.inScope ? 'text-soft' : 'font-[650] text-fault'}>
                                        {point.inScope ? '✓' : '✗'} {point.sentence}
                                    </li>
                                ))}
                        </ul>
                    </li>
                ))}
            </ul>
        </section>
    );
}

type RowProps = { place: number; candidate: Schemas['Candidate']; selected: boolean; ticked: boolean; onLook: () => void; onTick: ((on: boolean) => void) | undefined };

function CandidateRow({ place, candidate, selected, ticked, onLook, onTick }: RowProps) {
    return (
        <li className={`border-b border-line py-3 pl-3 sm:pl-4 ${selected ? 'border-l-4 border-l-accent' : 'border-l-4 border-l-transparent'}`}>
            <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-1">
                <button className="min-h-11 min-w-0 text-left" onClick={onLook} aria-pressed={selected}>
                    <span className="mr-2 text-soft">{place}</span>
                    <span className="text-lg font-[650]">{candidate.label}</span>
                    <span className="ml-2 text-soft">{candidate.surfaceName}</span>
                </button>
                <div className="flex items-center gap-6">
                    <Odds word="holds" expectation={candidate.hold} />
                    <Odds word="lets go" expectation={candidate.release} />
                    {onTick ? <CheckField label="Compare" checked={ticked} onValue={onTick} /> : null}
                </div>
            </div>
            <SeatStrip strip={candidate.strip} runs={candidate.ownRuns} label={candidate.label} />
            <details className="lg:hidden">
                <summary className="flex min-h-11 cursor-pointer items-center text-accent underline underline-offset-4">Why, and how to take it off</summary>
                <ReasonList candidate={candidate} />
            </details>
        </li>
    );
}

function Odds({ word, expectation }: { word: string; expectation: Schemas['Expectation'] }) {
    return (
        <span className="text-right leading-tight" title={`90 % of what is believed lies between ${percent(expectation.interval90[0] ?? 0)} and ${percent(expectation.interval90[1] ?? 1)}`}>
            <span className="block text-xl font-[650]">{percent(expectation.mean)}</span>
            <span className="block text-sm text-soft">{word}</span>
        </span>
    );
}

function ReasonList({ candidate }: { candidate: Schemas['Candidate'] }) {
    return (
        <div className="flex flex-col gap-2">
            {candidate.reasons.map((reason) => (
                <p key={reason}>{reason}</p>
            ))}
            <p>
                <strong className="text-ink">To take it off:</strong> {candidate.releaseWay}
            </p>
            <Cautions sentences={candidate.cautions} />
        </div>
    );
}

function Reasons({ candidate }: { candidate: Schemas['Candidate'] }) {
    return (
        <div className="lg:sticky lg:top-4">
            <MarginNote title={`Why ${candidate.label}`}>
                <ReasonList candidate={candidate} />
            </MarginNote>
            <HowItRanks />
        </div>
    );
}

function HowItRanks() {
    return (
        <MarginNote title="How this is ranked">
            <p>By the chance that all parts hold and come off cleanly: the grade of practice is worth ten runs, your own runs count in full, similar ones at 0.3. Where the chances are alike, bare comes before an agent, then less heat.</p>
            <p>More force never wins by itself.</p>
            <p>Below the scale, own runs: full dot held, open dot did not, square held but would not come off.</p>
        </MarginNote>
    );
}

function Rejections({ rejections }: { rejections: Schemas['Choice']['rejections'] }) {
    if (rejections.length === 0) return null;
    return (
        <details className="mt-8">
            <summary className="flex min-h-11 cursor-pointer items-center text-lg font-[650]">Ruled out: {rejections.length}</summary>
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
