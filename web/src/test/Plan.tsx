import { useMutation, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { useRef, useState, type ReactNode } from 'react';

import { api, ask, Problem, type Schemas } from '../api/client';
import { begunQuery, comparisonQuery } from '../api/queries';
import { dropPicked, takePicked } from '../choose/picked';
import { Behind } from '../ui/Behind';
import { Button } from '../ui/Button';
import { useDraft, useKey } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { TextField } from '../ui/Field';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { duration, useFigures } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { useAnswer } from '../ui/useAnswer';
import { say } from '../words/say';
import { Beside } from './Beside';
import { Combine } from './Combine';
import { Constants, ConstantsInWords, Minutes } from './Constants';
import { letter } from './letter';
import { PlanChances, usePlanChances } from './PlanChances';
import { PLAN, type PlanBody, type PlanValues } from './planShape';
import { PowerPicture } from './PowerPicture';
import { Proof } from './Proof';
import { Setups } from './Setups';
import { ThreeQuestions, type Asked } from './ThreeQuestions';
import { Timetable } from './Timetable';
import { Where } from './Where';

type Begin = Schemas['BeginPlan'];
type Begun = Schemas['BegunPlan'];

const route = getRouteApi('/test/$id/plan');

const newRoute = getRouteApi('/test/new');

const FIRST_ASKED = { kind: 'grid', measures: [], sure: 'use' } satisfies Asked;

export function NewPlan(): ReactNode {
    const { after, setup, runs, kind } = newRoute.useSearch();
    return after ? <PlanAfter id={after} setup={setup} runs={runs} kind={kind} /> : <FreshPlan />;
}

/** The plan of a comparison once more, for a setup that it left open; only its own runs will count. */
function PlanAfter({ id, setup, runs, kind }: { id: string; setup: string | undefined; runs: number | undefined; /** Asked of it now; left out: the same. */ kind: string | undefined }) {
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const [start] = useState((): PlanBody => {
        const draft = draftOf(comparison);
        const setups = draft.setups.filter((_, i) => setup === undefined || comparison.setups[i]?.id === setup);
        const perSetup = runs ?? draft.runsPerSetup;
        const hot = Math.round((perSetup * draft.hotPerSetup) / draft.runsPerSetup);
        return { ...draft, ...(kind ? { kind } : {}), controlId: id, setups, runsPerSetup: perSetup, hotPerSetup: hot, title: say('test.again', { title: draft.title.slice(0, 140) }), seed: draft.seed + 1 };
    });
    return <PlanAgain start={start}>{(begun) => <SavedPlan start={start} asked={askedOf(start)} begun={begun} />}</PlanAgain>;
}

function FreshPlan() {
    const [picked] = useState(takePicked);
    const [question] = useState((): Begin => ({ ...FIRST_ASKED, ...(picked ? { lotId: picked.lotId, materialId: picked.materialId, printerId: picked.printerId, roomC: picked.roomC, asTheyAre: true, setups: picked.setups.map(({ plateSideId, agentId, bedFirstC, bedOtherC, unheated }) => ({ plateSideId, agentId, bedFirstC, bedOtherC, unheated: unheated ?? false })), ...(picked.runsPerSetup ? { runsPerSetup: picked.runsPerSetup } : {}) } : {}) }));
    const { data: begun } = useSuspenseQuery(begunQuery(question));
    if (!begun.plan) {
        return (
            <Sheet title={say('test.what_do_you_want_to_know')}>
                <Empty>
                    {begun.leftOut.join(' ')} <Link to="/shelf">{say('test.to_the_shelf')}</Link>
                </Empty>
            </Sheet>
        );
    }
    return <SavedPlan start={begun.plan} asked={{ ...FIRST_ASKED, sure: picked?.runsPerSetup ? null : FIRST_ASKED.sure }} begun={begun} laid />;
}

/** What there is to ask of a plan that is there already. */
function PlanAgain({ start, children }: { start: PlanBody; children: (begun: Begun) => ReactNode }) {
    const [question] = useState((): Begin => ({ ...askedOf(start), sure: 'use', lotId: start.lotId, printerId: start.printerId, asTheyAre: true, setups: start.setups }));
    const { data: begun } = useSuspenseQuery(begunQuery(question));
    return children(begun);
}

/** How sure it was meant to be is not kept: its runs and share are. */
function askedOf({ kind, proof }: PlanBody): Asked {
    return { kind: kind ?? FIRST_ASKED.kind, measures: proof.measures, sure: null };
}

function SavedPlan({ start, asked, begun, laid = false }: { start: PlanBody; asked: Asked; begun: Begun; laid?: boolean }) {
    const navigate = useNavigate();
    const key = useKey();
    return (
        <PlanForm
            title={say('test.what_do_you_want_to_know')}
            start={() => start}
            asked={asked}
            begun={begun}
            laid={laid}
            row={null}
            send={(body) => ask(api.POST('/api/comparisons', { body: { ...body, id: key } }))}
            after={(comparison) => {
                dropPicked();
                void navigate({ to: '/test/$id', params: { id: comparison.id } });
            }}
        />
    );
}

export function EditPlan() {
    const { id } = route.useParams();
    const { data: comparison } = useSuspenseQuery(comparisonQuery(id));
    const navigate = useNavigate();
    const [start] = useState(() => draftOf(comparison));
    return (
        <PlanAgain start={start}>
            {(begun) => (
                <PlanForm
                    title={say('test.change_the_plan')}
                    start={() => start}
                    asked={askedOf(start)}
                    begun={begun}
                    laid={false}
                    row={comparison}
                    send={(body, version) => ask(api.PUT('/api/comparisons/{id}', { params: { path: { id } }, body: { ...body, version } }))}
                    after={() => void navigate({ to: '/test/$id', params: { id } })}
                />
            )}
        </PlanAgain>
    );
}

function draftOf({ kind, controlId, title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups }: Schemas['Comparison']): PlanBody {
    const own = setups.map((s) => ({ plateSideId: s.plateSideId, agentId: s.agentId, bedFirstC: s.bedFirstC, bedOtherC: s.bedOtherC, unheated: s.bedFirstC === null, lotId: s.lotId, gapMm: s.gapMm, nozzleFirstC: s.nozzleFirstC, speedMmS: s.speedMmS, brim: s.brim, exposureS: s.exposureS, takenHot: s.takenHot, ends: s.ends }));
    return { kind, controlId, title, lotId, printerId, roomC, constants, limits, proof, durations, runsPerSetup, hotPerSetup, seed, setups: own };
}

type PlanProps = { title: string; start: () => PlanValues; asked: Asked; begun: Begun; /** Its title is the server's, until somebody writes another. */ laid: boolean; row: { version: number } | null; send: (body: PlanBody, version: number) => Promise<Schemas['Comparison']>; after: (comparison: Schemas['Comparison']) => void };

function PlanForm({ title, start, asked: first, begun: begunFirst, laid, row, send, after }: PlanProps) {
    const figure = useFigures();
    const [asked, setAsked] = useState(first);
    const [begun, setBegun] = useState(begunFirst);
    const named = useRef(laid ? begunFirst.plan?.title : undefined);
    const starts = useRef(false);
    const saved = async (body: PlanBody, version: number) => {
        const comparison = await send(body, version);
        // Where it cannot be started it is there, and its page says why.
        return starts.current ? ask(api.POST('/api/comparisons/{id}/start', { params: { path: { id: comparison.id } }, body: { version: comparison.version } })).catch(() => comparison) : comparison;
    };
    const draft = useDraft({ start, schema: PLAN, row, send: saved, touches: ['comparisons'], after, read: (theirs) => draftOf(theirs as Schemas['Comparison']) });
    const { values, set, at } = draft;
    const lay = useMutation({
        mutationFn: (body: Begin) => ask(api.POST('/api/plans/begin', { body })),
        onSuccess: (answer, body) => {
            setBegun(answer);
            if (!answer.plan) return;
            const { measures } = answer.plan.proof;
            // Some questions are answered by one measure alone.
            setAsked((was) => ({ ...was, measures }));
            // Another lot or printer has another nozzle temperature, and is set up otherwise.
            const elsewhere = answer.plan.lotId !== values.lotId || answer.plan.printerId !== values.printerId;
            const names = !body.asTheyAre && values.title === named.current;
            if (names) named.current = answer.plan.title;
            const { proof, limits, runsPerSetup, hotPerSetup, durations, constants, lotId, printerId, setups, kind } = answer.plan;
            set({ proof, limits, runsPerSetup, hotPerSetup, ...(body.asTheyAre ? {} : { kind, setups, lotId, printerId }), ...(names ? { title: answer.plan.title } : {}), ...(elsewhere ? { durations, constants } : { constants: { ...values.constants, ...follows(begun.plan?.constants, constants, body.asTheyAre ?? false) } }) });
        },
    });
    const complete = PLAN.safeParse(values).data;
    const begin = (part: Partial<Begin>, now: Asked = asked): Begin => ({ kind: now.kind, measures: now.measures, sure: now.sure ?? 'use', lotId: values.lotId, printerId: values.printerId, ...(values.roomC === null ? {} : { roomC: values.roomC }), ...part });
    /** What is asked is laid out anew; the setups stay where the question does. */
    const again = (next: Partial<Asked>, where: Partial<Pick<PlanValues, 'lotId' | 'printerId'>> = {}) => {
        const now = { ...asked, ...next };
        setAsked(now);
        const asTheyAre = now.kind === asked.kind && Object.keys(where).length === 0;
        const base = complete && Object.keys(where).length === 0 ? complete.setups : [];
        lay.mutate({ ...begin({}, now), lotId: where.lotId ?? values.lotId, printerId: where.lotId ? null : (where.printerId ?? values.printerId), asTheyAre: asTheyAre && base.length > 0, setups: base });
    };
    const [combines, setCombines] = useState(false);
    const { resin, leftOut } = begun;
    const { data: order, error: wrong, behind } = useAnswer('plan-order', complete ?? null, (body, signal) => ask(api.POST('/api/plans/order', { signal, body })));
    const pulls = values.proof.measures.includes('pull');
    const byHand = (part: Partial<PlanValues>) => {
        set(part);
        setAsked({ ...asked, sure: null });
    };
    const submit = (now: boolean) => {
        starts.current = now;
        void draft.submit();
    };
    return (
        <Sheet
            title={title}
            lead={<Where values={values} resin={resin} onRoom={(roomC) => set({ roomC })} onLot={(lotId) => again({}, { lotId })} onPrinter={(printerId) => again({}, { printerId })} />}
            margin={
                <>
                    <CanShow plan={values} />
                    {order ? (
                        <MarginNote title={say('test.what_differs')}>
                            <Notice tone={order.varied.confounded ? 'caution' : 'note'}>{order.varied.sentence}</Notice>
                            <Cautions sentences={order.cautions} />
                        </MarginNote>
                    ) : null}
                    <MarginNote title={say('test.held_constant')}>
                        <ConstantsInWords resin={resin} constants={values.constants} />
                    </MarginNote>
                    {pulls ? (
                        <MarginNote title={say('test.why_the_limits_first')}>
                            <p>{say('test.a_limit_set_after_the_readings')}</p>
                            <p>{say('test.more_force_never_wins_by_itself')}</p>
                        </MarginNote>
                    ) : null}
                </>
            }
        >
            <DraftForm draft={draft} send={say('test.save_the_plan')} tone={row ? 'main' : 'plain'} className="flex flex-col gap-5">
                <ThreeQuestions begun={begun} asked={asked} onAsked={again} />
                <Fault error={lay.error ?? wrong} />
                {(order?.setups ?? []).map((each, i) =>
                    each.risk ? (
                        <Notice key={each.id} tone="caution">
                            <p>{say('test.ruled_out_until', { label: letter(i), reasons: each.risk.reasons.join(' ') })}</p>
                        </Notice>
                    ) : null,
                )}
                {leftOut.length > 0 ? (
                    <Notice tone="caution">
                        {leftOut.map((each) => (
                            <p key={each}>{each}</p>
                        ))}
                    </Notice>
                ) : null}
                <section aria-label={say('test.the_plan')}>
                    <div className="mb-3 flex flex-wrap items-start justify-between gap-3">
                        <div className="min-w-0 flex-1">
                            <h2 className="text-xl">{order?.sentence ?? '…'}</h2>
                            {order ? (
                                <p className="text-soft">
                                    {say('test.days_and_changes', { days: order.days, minutes: duration(order.totalMinutes), changes: order.plateChanges, material: figure('volume').text(order.materialMm3), adaptive: values.proof.design === 'adaptive' })}
                                </p>
                            ) : null}
                        </div>
                        <div className="flex flex-wrap gap-2">
                            {row ? null : (
                                <Button tone="main" big disabled={draft.pending || order === undefined} onClick={() => submit(true)}>
                                    {say('test.start')}
                                </Button>
                            )}
                        </div>
                    </div>
                    {order && complete ? (
                        <Behind behind={behind}>
                            <Timetable order={order} pulls={pulls} indexOf={(id) => order.setups.findIndex((each) => each.id === id)} />
                        </Behind>
                    ) : null}
                </section>
                <Setups resin={resin} setups={values.setups} onSetups={(setups) => set({ setups })} names={order?.setups.length === values.setups.length ? order.setups.map((each) => each.name) : []} wrong={wrong instanceof Problem ? wrong : undefined} also={asked.kind === 'grid' ? <Button onClick={() => setCombines(true)}>{say('test.every_combination')}</Button> : null} />
                {combines ? <Combine resin={resin} lotId={values.lotId} onMake={(combine) => lay.mutate(begin({ combine }))} onDone={() => setCombines(false)} /> : null}
                <TextField label={say('test.what_it_is_called')} {...at('title')} />
                <Beside id={values.controlId ?? null} onId={(controlId) => set({ controlId })} />
                <Proof values={values} set={byHand} why={begun.why} offers={begun.offers} />
                <Constants resin={resin} lotId={values.lotId} constants={values.constants} set={(constants) => set({ constants })} />
                <Minutes resin={resin} durations={values.durations} set={(durations) => set({ durations })} />
            </DraftForm>
        </Sheet>
    );
}

type Constants = Schemas['Constants'];

/** What is held constant because of the measure or the plates, where that is another now; what somebody wrote stays. */
function follows(were: Constants | undefined, are: Constants, sameSetups: boolean): Partial<Constants> {
    const { piece, gcodeName, file, holdDown, cleaning } = are;
    return { ...(were && were.piece.name !== piece.name ? { piece, gcodeName, file: file ?? null } : {}), ...(sameSetups ? {} : { holdDown, ...(cleaning === undefined ? {} : { cleaning }) }) };
}

/** What so many runs can and cannot show, as a picture first. */
function CanShow({ plan }: { plan: PlanValues }) {
    const { data, behind } = usePlanChances(plan);
    if (!data) return null;
    const [hold, release] = data.questions;
    const alike = hold && release && hold.sees === release.sees;
    return (
        <Behind behind={behind}>
            {(alike ? [hold] : data.questions).map((question) => (
                <MarginNote key={question.question} title={alike ? say('test.what_this_plan_can_show') : question.question === 'hold' ? say('test.can_show_hold') : say('test.can_show_release')}>
                    <PowerPicture question={question} share={plan.proof.share} />
                    <p>{question.sees}</p>
                </MarginNote>
            ))}
            {data.warnings.map((warning) => (
                <Notice key={warning} tone="caution">
                    {warning}
                </Notice>
            ))}
            <details className="mb-4">
                <summary className="flex min-h-11 cursor-pointer items-center">{say('test.in_figures')}</summary>
                <PlanChances plan={plan} narrow />
            </details>
        </Behind>
    );
}
