import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState, type DragEvent } from 'react';

import { api, ask, Problem, type Schemas } from '../api/client';
import { catalogueQuery, lotsQuery, printersQuery, useMay, useSession } from '../api/queries';
import { Behind } from '../ui/Behind';
import { Button } from '../ui/Button';
import { Fault, Notice } from '../ui/Notice';
import { moment } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { useAnswer } from '../ui/useAnswer';
import { useWide } from '../ui/useWide';
import { say } from '../words/say';
import { Beyond } from './Beyond';
import { CandidateNotes } from './Detail';
import { JobLine } from './JobLine';
import { OpenRow } from './OpenRow';
import { Pair } from './Pair';
import { PartState } from './PartState';
import { keepPicked } from './picked';
import { Profiles } from './Profiles';
import type { Asked } from './request';
import { Rows } from './Rows';
import { SetupCard } from './SetupCard';
import { Tray } from './Tray';
import { useAddress } from './useAddress';
import { keepReading, keptReading, usePartReader, type Reading } from './usePartReader';
import { UseThis } from './UseThis';

/** As many alternatives as are looked through at once. */
const AT_FIRST = 10;

export function Choose() {
    const { bench } = useSession();
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const may = useMay();
    const navigate = useNavigate();
    const wide = useWide();
    const { job, named, look, ticked, pair, beside, all, beyond, set, name, show } = useAddress(bench, lots, printers);
    const [reading, setReading] = useState<Reading | null>(() => keptReading(job.part ?? null));
    const [printing, setPrinting] = useState<'first' | 'opened' | null>(null);
    const [over, setOver] = useState(false);
    const reader = usePartReader((read) => {
        const { shape } = read;
        setReading(read);
        keepReading(read);
        name(read.name);
        set({
            part: { ...shape.part, articulated: job.part?.articulated ?? false },
            partCount: shape.parts > 1 ? Math.min(500, shape.parts) : job.partCount,
            foothold: shape.foothold.kind === 'none' ? null : shape.foothold,
            nozzleC: shape.firstLayer?.nozzleC ?? null,
            file: shape.firstLayer ? { bedC: shape.firstLayer.bedC, nozzleC: shape.firstLayer.nozzleC, bedLaterC: shape.firstLayer.bedLaterC } : null,
        });
    });
    const asked: Asked = { ...job, benchSideId: bench.printerId === job.printerId ? bench.plateSideId : null };
    const answer = useAnswer('choose', job.materialId === '' ? null : asked, (question, signal) => ask(api.POST('/api/choose', { signal, body: { ...question, lookAt: look } })), [look]);
    const choice = answer.data;
    const candidates = choice?.candidates ?? [];
    const [best, ...others] = candidates;
    const bestDetail = choice?.firstDetail ?? choice?.detail ?? null;
    const opened = others.find((each) => each.key === look);
    // In a narrow window the notes stand where they were asked for.
    const noted = opened ? (choice?.detail ?? null) : bestDetail;
    const of = (candidate: Schemas['Candidate'] | undefined, its: Schemas['CandidateDetail'] | null) => (candidate && its?.key === candidate.key ? { candidate, detail: its } : null);
    const card = printing === 'first' ? of(best, bestDetail) : printing === 'opened' ? of(opened, choice?.detail ?? null) : null;
    const chosen = candidates.filter((each) => ticked.includes(each.key));
    const anyPrinter = job.printerId === null;
    const shown = all || opened !== undefined && others.indexOf(opened) >= AT_FIRST ? others : others.slice(0, AT_FIRST);
    const profile = best ? choice?.profiles.find((each) => each.trust === (best.proven ? 'proven' : 'proven_up_to') && each.plateSideId === best.plateSideId) : undefined;
    const fault = answer.error instanceof Problem ? answer.error : undefined;
    const tick = (key: string, on: boolean) => {
        // Something is compared with the answer, unless somebody takes that out again.
        const were = chosen.map((each) => each.key);
        const first = on && were.length === 0 && best && key !== best.key ? [best.key] : [];
        show({ ticked: on ? [...first, ...were, key] : were.filter((each) => each !== key) }, true);
    };
    const compare = async (setups: Schemas['Candidate'][]) => {
        const printerId = setups[0]?.printerId ?? job.printerId ?? '';
        keepPicked({
            printerId,
            lotId: job.lotId,
            materialId: job.materialId,
            roomC: job.roomC,
            setups: setups.map((each) => ({ plateSideId: each.plateSideId, agentId: each.agentId, bedFirstC: each.strip.setPointC, bedOtherC: each.bedOtherC ?? each.strip.setPointC, unheated: each.bedOff || each.strip.setPointC === null, label: each.label })),
        });
        await navigate({ to: '/test/new' });
    };
    const testRuledOut = async (label: string, { printerId, plateSideId, agentId, bedFirstC }: NonNullable<Ruled['test']>) => {
        keepPicked({ printerId, lotId: job.lotId, materialId: job.materialId, roomC: job.roomC, setups: [{ plateSideId, agentId, bedFirstC, bedOtherC: bedFirstC, unheated: bedFirstC === null, label }] });
        await navigate({ to: '/test/new' });
    };
    const drop = (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        void reader.take(event.dataTransfer.files[0]);
    };
    const estimate = others.find((each) => each.estimate);
    return (
        <Sheet
            title={say('choose.which_plate_how_warm_with_what')}
            quietTitle
            margin={
                <>
                    {noted && wide ? (
                        <Behind behind={answer.behind}>
                            <CandidateNotes detail={noted} />
                        </Behind>
                    ) : null}
                    <HowItRanks learnedAt={choice?.learnedAt} />
                    <p className="flex flex-wrap gap-x-4">
                        <Link to="/choose/catalogue" className="flex min-h-11 items-center">{say('choose.catalogue')}</Link>
                        <Link to="/choose/heat" className="flex min-h-11 items-center">{say('choose.heat_sums')}</Link>
                    </p>
                </>
            }
        >
            <section
                aria-label={say('choose.what_is_to_be_printed')}
                className={`mb-3 rounded-sm ${over ? 'bg-accent-wash outline-2 outline-offset-4 outline-accent outline-dashed' : ''}`}
                onDragOver={(event) => {
                    event.preventDefault();
                    setOver(true);
                }}
                onDragLeave={() => setOver(false)}
                onDrop={drop}
            >
                <JobLine
                    job={job}
                    reading={reading}
                    named={named}
                    advice={choice?.advice ?? null}
                    onJob={(part) => {
                        if (part.part === null) {
                            setReading(null);
                            name(undefined);
                        }
                        set(part);
                    }}
                    onFile={(file) => void reader.take(file)}
                    fault={fault}
                    printers={printers}
                    lots={lots}
                    catalogue={catalogue}
                />
                <PartState state={reader.state} />
            </section>
            <Fault error={answer.error} />
            {job.materialId === '' ? (
                <Empty>
                    <p className="mb-2 text-ink">{say('choose.say_which_material_on_which_printer')}</p>
                    <p>{say('choose.what_lies_on_the_bench_along')}</p>
                </Empty>
            ) : null}
            {choice ? (
                <Behind behind={answer.behind}>
                    {best ? (
                        <UseThis candidate={best} detail={bestDetail} profile={profile} count={job.partCount} anyPrinter={anyPrinter} may={may.test} behind={answer.behind} onPrint={() => setPrinting('first')} onCompare={() => show({ ticked: ticked.includes(best.key) ? ticked : [best.key, ...chosen.map((each) => each.key)] }, true)} />
                    ) : (
                        <Notice>{choice.rejectionCount === 0 ? say('choose.nothing_on_the_shelf_to_try') : say('choose.everything_on_the_shelf_was_ruled')}</Notice>
                    )}
                    {choice.notes.length > 0 ? (
                        <div className="mt-2">
                            <Notice tone="caution">
                                {choice.notes.map((note) => (
                                    <p key={note}>{note}</p>
                                ))}
                            </Notice>
                        </div>
                    ) : null}
                    {best && !wide ? (
                        <details className="mt-2">
                            <summary className="flex min-h-11 cursor-pointer items-center text-accent underline underline-offset-4">{say('choose.why_and_how_to_take_it')}</summary>
                            {bestDetail ? <div className="text-[0.9375rem]"><CandidateNotes detail={bestDetail} /></div> : null}
                        </details>
                    ) : null}
                    {best && others.length > 0 ? (
                        <section aria-label={say('choose.candidates')} className="sm:pl-3">
                            <Rows all={candidates} rows={shown} first={best.bracket} anyPrinter={anyPrinter} opened={opened?.key ?? null} ticked={ticked} onOpen={(key) => show({ look: key === look ? undefined : key })} onTick={may.test ? tick : undefined}>
                                {(candidate) => <OpenRow candidate={candidate} detail={!wide && choice.detail?.key === candidate.key ? choice.detail : null} onUse={<Button onClick={() => setPrinting('opened')} disabled={choice.detail?.key !== candidate.key}>{say('choose.print_with_it')}</Button>} />}
                            </Rows>
                            <p className="mt-2 text-[0.9375rem] text-soft">
                                {others.some((each) => each.bracket === best.bracket) ? `${say('choose.bracketed_cannot_be_told_apart', { label: best.label })} ` : ''}
                                {estimate ? say('choose.pale_is_an_estimate', { known: estimate.known }) : ''}
                            </p>
                        </section>
                    ) : null}
                    {best ? (
                        <p className="flex flex-wrap gap-x-4">
                            {shown.length < others.length ? <Button tone="quiet" className="-ml-4" onClick={() => show({ all: true })}>{say('choose.more_candidates', { count: others.length - shown.length })}</Button> : null}
                            {choice.candidateCount > candidates.length ? <span className="flex min-h-11 items-center text-soft">{say('choose.more_less_likely_are_not_shown', { candidateCount: choice.candidateCount - candidates.length })}</span> : null}
                            {anyPrinter ? null : <Button tone="quiet" className="-ml-4" onClick={() => set({ printerId: null, bedC: null })}>{say('choose.on_any_printer')}</Button>}
                            {beyond ? null : <Button tone="quiet" className="-ml-4" onClick={() => show({ beyond: true })}>{say('choose.what_else_would_do')}</Button>}
                        </p>
                    ) : null}
                    {may.test ? <Tray ticked={chosen} behind={answer.behind} onDrop={(key) => tick(key, false)} onPair={() => show({ pair: true })} onCompare={() => void compare(chosen)} onClear={() => show({ ticked: [] }, true)} /> : null}
                    {beyond || !best ? (
                        <section aria-label={say('choose.what_else_would_do')} className="mt-6">
                            <h2 className="mb-2">{say('choose.what_else_would_do')}</h2>
                            <Beyond asked={asked} nothing={!best} onPrinter={(printerId) => set({ printerId, bedC: null })} />
                        </section>
                    ) : null}
                    <Profiles profiles={choice.profiles} count={choice.profileCount} />
                    <Rejections rejections={choice.rejections} onBeside={best ? (key) => show({ beside: key }) : undefined} onTest={may.test ? (label, test) => void testRuledOut(label, test) : undefined} />
                    {beside && best ? <Pair asked={asked} pair={[best.key, beside]} onDone={() => show({ beside: undefined })} /> : null}
                    {pair && chosen[0] && chosen[1] ? <Pair asked={asked} pair={[chosen[0].key, chosen[1].key]} onDone={() => show({ pair: false })} /> : null}
                    {card ? (
                        <SetupCard
                            candidate={card.candidate}
                            detail={card.detail}
                            job={job}
                            asked={asked}
                            material={catalogue.materials.find((each) => each.id === job.materialId)?.name ?? ''}
                            profileId={card.candidate === best ? profile?.id : undefined}
                            may={may.test}
                            onDone={() => setPrinting(null)}
                        />
                    ) : null}
                </Behind>
            ) : null}
        </Sheet>
    );
}

function HowItRanks({ learnedAt }: { learnedAt: string | null | undefined }) {
    return (
        <MarginNote title={say('choose.how_this_is_ranked')}>
            <p>{say('choose.by_the_chance_that_all_parts')}</p>
            <p>{say('choose.what_this_job_printer_and_plate')}</p>
            {learnedAt ? <p>{say('prints.learned_at', { when: moment(learnedAt) })}</p> : null}
            <p>{say('choose.more_force_never_wins_by_itself')}</p>
            <p>{say('choose.on_the_scale_the_triangle_is')}</p>
        </MarginNote>
    );
}

type Ruled = Schemas['Choice']['rejections'][number];

function Rejections({ rejections, onBeside, onTest }: { rejections: Ruled[]; onBeside: ((key: string) => void) | undefined; /** Tries it all the same. */ onTest: ((label: string, test: NonNullable<Ruled['test']>) => void) | undefined }) {
    if (rejections.length === 0) return null;
    return (
        <details className="mt-6">
            <summary className="flex min-h-11 cursor-pointer items-center text-lg font-[650]">{say('choose.ruled_out', { rejections: rejections.length })}</summary>
            <table className="ledger w-full">
                <tbody>
                    {rejections.map((rejection) => (
                        <tr key={rejection.label + rejection.reason}>
                            <th scope="row" className="w-56">
                                {rejection.label}
                            </th>
                            <td>{rejection.reason}</td>
                            <td className="w-36 text-right">
                                {onTest && rejection.test ? (
                                    <Button tone="quiet" className="px-2!" aria-label={say('choose.test_all_the_same', { label: rejection.label })} onClick={() => rejection.test && onTest(rejection.label, rejection.test)}>{say('choose.test_it')}</Button>
                                ) : null}
                                {onBeside && rejection.key !== null ? (
                                    <Button tone="quiet" className="px-2!" aria-label={say('choose.beside_the_answer', { label: rejection.label })} onClick={() => rejection.key !== null && onBeside(rejection.key)}>{say('choose.side_by_side')}</Button>
                                ) : null}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </details>
    );
}
