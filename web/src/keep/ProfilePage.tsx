import { queryOptions, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { profileQuery, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { useDraft } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, CheckField, TextField } from '../ui/Field';
import { Cautions, Notice } from '../ui/Notice';
import { Figure } from '../ui/Glossary';
import { day, moment, useQuantity } from '../ui/quantity';
import { flag, text, whole, words } from '../ui/shape';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say, tell } from '../words/say';
import { DriftLine } from './DriftLine';
import { ProfileMark } from './ProfileMark';
import { Rows, useScopeRows, useSettingRows } from './ScopeText';

const route = getRouteApi('/keep/$id');
const assessmentQuery = (id: string) => queryOptions({ queryKey: ['profiles', id, 'assessment'], queryFn: () => ask(api.GET('/api/profiles/{id}/assessment', { params: { path: { id } } })) });

export function ProfilePage() {
    const { id } = route.useParams();
    const { data: profile } = useSuspenseQuery(profileQuery(id));
    const { data: assessment } = useQuery({ ...assessmentQuery(id), enabled: profile.status === 'unsigned' });
    const may = useMay();
    const [signing, setSigning] = useState(false);
    const [withdrawing, setWithdrawing] = useState(false);
    const scopeRows = useScopeRows();
    const settingRows = useSettingRows();
    const { document } = profile;
    return (
        <Sheet
            title={profile.title}
            lead={say('keep.revision_proposed_by_imported_imported', { revision: profile.revision, proposedBy: profile.proposedBy, imported: profile.imported })}
            actions={
                <>
                    {may.lead && profile.status === 'unsigned' ? (
                        <Button tone="main" onClick={() => setSigning(true)}>{say('keep.sign')}</Button>
                    ) : null}
                    {profile.status === 'validated' || profile.status === 'trial' ? (
                        <Button asChild tone={may.lead ? 'plain' : 'main'}>
                            <Link to="/choose" search={{ material: profile.materialId, ...(profile.printerId ? { printer: profile.printerId } : {}), ...(profile.lotId ? { lot: profile.lotId } : {}) }}>{say('choose.print_with_it')}</Link>
                        </Button>
                    ) : null}
                    <Button asChild>
                        <Link to="/keep/$id/card" params={{ id }}>{say('keep.card')}</Link>
                    </Button>
                    <Button asChild>
                        <a href={`/api/profiles/${id}/export`} download>{say('keep.export')}</a>
                    </Button>
                    {may.lead && profile.status !== 'withdrawn' ? (
                        <Button tone="danger" onClick={() => setWithdrawing(true)}>{say('keep.withdraw')}</Button>
                    ) : null}
                </>
            }
            margin={<Evidence profile={profile} />}
        >
            <div className="mb-6 text-xl">
                <ProfileMark profile={profile} />
                {profile.signedAt ? (
                    <span className="ml-3 text-base text-soft">{say('keep.signed_by', { signedBy: profile.signedBy, signedAt: moment(profile.signedAt) })}
                        {profile.reviewBy ? say('keep.review_by', { reviewBy: day(profile.reviewBy) }) : ''}
                    </span>
                ) : null}
                {profile.trialReason ? null : <p className="mt-1 text-base"><Figure of="accepted">{profile.accepted}</Figure></p>}
                {profile.simulated ? <p className="mt-1 text-base text-soft">{profile.simulated}</p> : null}
                {profile.differs ? (
                    <div className="mt-1 text-base">
                        <p className="font-[650]">{say('keep.against_revision', { revision: profile.differs.revision })}</p>
                        {profile.differs.sentences.length === 0 ? <p>{say('keep.says_the_same')}</p> : null}
                        <ul className="list-disc pl-5">
                            {profile.differs.sentences.map((sentence) => (
                                <li key={sentence}>{sentence}</li>
                            ))}
                        </ul>
                    </div>
                ) : null}
                {profile.seen ? <p className="mt-1 text-base">{profile.seen}</p> : null}
                {profile.drift ? <DriftLine drift={profile.drift} /> : null}
            </div>
            {profile.withdrawnReason ? (
                <div className="mb-6">
                    <Notice tone="fault">{say('keep.withdrawn', { withdrawnReason: profile.withdrawnReason })}</Notice>
                </div>
            ) : null}
            {profile.doubts.length > 0 ? (
                <div className="mb-6">
                    <Notice tone="caution">
                        <p className="font-[650]">{say('keep.in_question_do_not_rely_on')}</p>
                        <ul className="list-disc pl-5">
                            {profile.doubts.map((doubt) => (
                                <li key={doubt.kind + doubt.reason}>
                                    {doubt.reason} <span className="text-soft">{say('keep.restored_by_2', { restoredBy: doubt.restoredBy })}</span>
                                </li>
                            ))}
                        </ul>
                        <Confirm profile={profile} />
                    </Notice>
                </div>
            ) : null}
            {profile.signatureHolds === false ? (
                <div className="mb-6">
                    <Notice tone="fault">{say('keep.the_text_is_not_the_one')}</Notice>
                </div>
            ) : null}
            {profile.trialReason ? (
                <div className="mb-6">
                    <Notice tone="caution">{profile.accepted}</Notice>
                </div>
            ) : null}
            {profile.status === 'unsigned' && assessment ? (
                <div className="mb-6">
                    {assessment.missing.length === 0 ? (
                        <Notice tone="sound">{say('keep.the_evidence_carries_it_lead_it', { lead: may.lead })}</Notice>
                    ) : (
                        <Notice tone="caution">
                            <p>{say('keep.the_evidence_does_not_carry_it')}</p>
                            <ul className="list-disc pl-5">
                                {assessment.missing.map((sentence) => (
                                    <li key={sentence}>{sentence}</li>
                                ))}
                            </ul>
                        </Notice>
                    )}
                </div>
            ) : null}
            <div className="grid gap-8 xl:grid-cols-2">
                <section>
                    <h2 className="mb-2">{say('keep.settings')}</h2>
                    <Rows rows={settingRows(document, profile.dial)} />
                </section>
                <section>
                    <h2 className="mb-2">{say('keep.trust_it_for')}</h2>
                    <Rows rows={scopeRows(document)} />
                </section>
                <section>
                    <h2 className="mb-2">{say('keep.before_the_print')}</h2>
                    <ul className="flex list-disc flex-col gap-1 pl-5">
                        {document.preparation.map((sentence) => (
                            <li key={sentence}>{sentence}</li>
                        ))}
                    </ul>
                </section>
                <section>
                    <h2 className="mb-2">{say('keep.to_take_it_off')}</h2>
                    <p className="mb-3">{document.release.way}</p>
                    <Cautions sentences={document.cautions} />
                </section>
            </div>
            {signing ? <Sign profile={profile} missing={assessment?.missing ?? []} onDone={() => setSigning(false)} /> : null}
            {withdrawing ? <Withdraw profile={profile} onDone={() => setWithdrawing(false)} /> : null}
        </Sheet>
    );
}

/** One touch to the plan that shows again what it vouches for. */
function Confirm({ profile: { confirm } }: { profile: Schemas['Profile'] }) {
    const may = useMay();
    return confirm && may.test ? (
        <Button asChild className="mt-2">
            <Link to="/test/new" search={{ after: confirm.comparisonId, setup: confirm.setupId, runs: confirm.runs, kind: 'still_holding' }}>
                {say('keep.plan_its_confirmation', { runs: confirm.runs })}
            </Link>
        </Button>
    ) : null;
}

function Evidence({ profile }: { profile: Schemas['Profile'] }) {
    const force = useQuantity('force');
    const share = useQuantity('share').text;
    const { evidence } = profile.document;
    const pull = (figures: Schemas['PullFigures']) => (figures.meanN === null ? say('keep.readings', { n: figures.n }) : say('keep.mean_of_readings', { meanN: force.text(figures.meanN), sdNIsNull: figures.sdN === null, sdN: figures.sdN === null ? '' : force.text(figures.sdN), n: figures.n }));
    return (
        <MarginNote title={say('keep.evidence')}>
            <p>
                {tell('keep.evidence_in_short', { runs: evidence.runs, failures: evidence.failures, b: (words) => <strong>{words}</strong>, voids: evidence.voids, voidsAloneIf: evidence.voidsAlone > 0, voidsAlone: (evidence.voidsAlone > 0) ? evidence.voidsAlone : '', incompleteIf: evidence.incomplete > 0, incomplete: (evidence.incomplete > 0) ? evidence.incomplete : '', runsNeeded: evidence.runsNeeded, reliability: share(evidence.plan.reliability), confidence: share(evidence.plan.confidence), failuresAllowedIs0: evidence.plan.failuresAllowed === 0 })}</p>
            {evidence.limits.hotPullAtLeastN === null || evidence.limits.coldPullAtMostN === null ? null : (
                <>
                    <p>{say('keep.hot_pull_to_clear', { hotPull: pull(evidence.hotPull), hotPullAtLeastN: force.text(evidence.limits.hotPullAtLeastN) })}</p>
                    <p>{say('keep.cold_pull_to_stay_below', { coldPull: pull(evidence.coldPull), coldPullAtMostN: force.text(evidence.limits.coldPullAtMostN) })}</p>
                </>
            )}
            <p>
                {evidence.lots} {evidence.lots === 1 ? say('keep.lot') : say('keep.lots')}, {evidence.plates} {evidence.plates === 1 ? say('keep.plate_2') : say('keep.plates')}, {evidence.gcodeName}.
            </p>
            <p className="text-sm">{say('keep.rules_catalogue', { coreVersion: evidence.coreVersion, catalogueDigest: evidence.catalogueDigest.slice(0, 6) })}</p>
        </MarginNote>
    );
}

const SIGN = whole({ password: words(), trial: flag(), reason: text() });
const TRIAL = whole({ ...SIGN.shape, reason: words() });

function Sign({ profile, missing, onDone }: { profile: Schemas['Profile']; missing: string[]; onDone: () => void }) {
    const carried = missing.length === 0;
    const [trial, setTrial] = useState(!carried);
    const draft = useDraft({
        start: () => ({ password: '', trial: !carried, reason: '' }),
        schema: trial ? TRIAL : SIGN,
        row: profile,
        send: (body, version) => ask(api.POST('/api/profiles/{id}/sign', { params: { path: { id: profile.id } }, body: { ...body, version } })),
        touches: ['profiles'],
        after: onDone,
    });
    const { set, at } = draft;
    return (
        <DraftDialog draft={draft} send={trial ? say('keep.sign_as_a_trial') : say('keep.sign_as_validated')} title={say('keep.sign_2', { title: profile.title })} onDone={onDone}>
            {carried ? <p>{say('keep.you_vouch_for_the_setting_within')}</p> : <Notice tone="caution">{say('keep.the_evidence_does_not_carry_it_2')}</Notice>}
            {carried ? (
                <CheckField
                    label={say('keep.sign_as_a_trial_only')}
                    checked={trial}
                    onValue={(on) => {
                        setTrial(on);
                        set({ trial: on });
                    }}
                />
            ) : null}
            {trial ? <AreaField label={say('keep.why_is_it_tried')} {...at('reason')} required maxLength={500} /> : null}
            <TextField label={say('keep.your_password')} type="password" autoComplete="current-password" {...at('password')} required />
        </DraftDialog>
    );
}

const WITHDRAW = whole({ password: words(), reason: words() });

function Withdraw({ profile, onDone }: { profile: Schemas['Profile']; onDone: () => void }) {
    const draft = useDraft({
        start: () => ({ password: '', reason: '' }),
        schema: WITHDRAW,
        row: profile,
        send: (body, version) => ask(api.POST('/api/profiles/{id}/withdraw', { params: { path: { id: profile.id } }, body: { ...body, version } })),
        touches: ['profiles'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('keep.withdraw')} tone="danger" title={say('keep.withdraw_2', { title: profile.title })} onDone={onDone}>
            <p>{say('keep.it_stays_here_crossed_out_with')}</p>
            <AreaField label={say('keep.why')} {...at('reason')} required maxLength={500} />
            <TextField label={say('keep.your_password')} type="password" autoComplete="current-password" {...at('password')} required />
        </DraftDialog>
    );
}
