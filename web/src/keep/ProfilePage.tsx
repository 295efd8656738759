import { queryOptions, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { useState } from 'react';

import { call, type Schemas } from '../api/client';
import { profileQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { AreaField, CheckField, TextField } from '../ui/Field';
import { Cautions, Fault, Notice } from '../ui/Notice';
import { day, moment, percent, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { ProfileMark } from './ProfileMark';
import { Rows, useScopeRows, useSettingRows } from './ScopeText';

const route = getRouteApi('/keep/$id');
const assessmentQuery = (id: string) => queryOptions({ queryKey: ['profiles', id, 'assessment'], queryFn: () => call<{ missing: string[] }>('GET', `/profiles/${id}/assessment`) });

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
            lead={`Revision ${profile.revision}, proposed by ${profile.proposedBy}${profile.imported ? ', imported' : ''}`}
            actions={
                <>
                    {may.lead && profile.status === 'unsigned' ? (
                        <Button tone="main" onClick={() => setSigning(true)}>
                            Sign
                        </Button>
                    ) : null}
                    <Button asChild>
                        <Link to="/keep/$id/card" params={{ id }}>
                            Card
                        </Link>
                    </Button>
                    <Button asChild>
                        <a href={`/api/profiles/${id}/export`} download>
                            Export
                        </a>
                    </Button>
                    {may.lead && profile.status !== 'withdrawn' ? (
                        <Button tone="danger" onClick={() => setWithdrawing(true)}>
                            Withdraw
                        </Button>
                    ) : null}
                </>
            }
            margin={<Evidence profile={profile} />}
        >
            <div className="mb-6 text-xl">
                <ProfileMark profile={profile} />
                {profile.signedAt ? (
                    <span className="ml-3 text-base text-soft">
                        signed by {profile.signedBy}, {moment(profile.signedAt)}
                        {profile.reviewBy ? `; review by ${day(profile.reviewBy)}` : ''}
                    </span>
                ) : null}
                <p className="mt-1 text-base">{profile.accepted}</p>
            </div>
            {profile.withdrawnReason ? (
                <div className="mb-6">
                    <Notice tone="fault">Withdrawn: {profile.withdrawnReason}</Notice>
                </div>
            ) : null}
            {profile.doubts.length > 0 ? (
                <div className="mb-6">
                    <Notice tone="caution">
                        <p className="font-[650]">In question: do not rely on it as it stands.</p>
                        <ul className="list-disc pl-5">
                            {profile.doubts.map((doubt) => (
                                <li key={doubt.kind + doubt.reason}>
                                    {doubt.reason} <span className="text-soft">Restored by: {doubt.restoredBy}</span>
                                </li>
                            ))}
                        </ul>
                    </Notice>
                </div>
            ) : null}
            {profile.signatureHolds === false ? (
                <div className="mb-6">
                    <Notice tone="fault">The text is not the one that was signed. Do not use it; tell whoever keeps the server.</Notice>
                </div>
            ) : null}
            {profile.trialReason ? (
                <div className="mb-6">
                    <Notice tone="caution">On trial: {profile.trialReason}</Notice>
                </div>
            ) : null}
            {profile.status === 'unsigned' && assessment ? (
                <div className="mb-6">
                    {assessment.missing.length === 0 ? (
                        <Notice tone="sound">The evidence carries it. {may.lead ? 'It can be signed.' : 'A lead has to sign it.'}</Notice>
                    ) : (
                        <Notice tone="caution">
                            <p>The evidence does not carry it yet:</p>
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
                    <h2 className="mb-2">Set it so</h2>
                    <Rows rows={settingRows(document, profile.dial)} />
                </section>
                <section>
                    <h2 className="mb-2">Trust it for</h2>
                    <Rows rows={scopeRows(document)} />
                </section>
                <section>
                    <h2 className="mb-2">Before the print</h2>
                    <ul className="flex list-disc flex-col gap-1 pl-5">
                        {document.preparation.map((sentence) => (
                            <li key={sentence}>{sentence}</li>
                        ))}
                    </ul>
                </section>
                <section>
                    <h2 className="mb-2">To take it off</h2>
                    <p className="mb-3">{document.release.way}</p>
                    <Cautions sentences={document.cautions} />
                </section>
            </div>
            {signing ? <Sign profile={profile} missing={assessment?.missing ?? []} onDone={() => setSigning(false)} /> : null}
            {withdrawing ? <Withdraw profile={profile} onDone={() => setWithdrawing(false)} /> : null}
        </Sheet>
    );
}

function Evidence({ profile }: { profile: Schemas['Profile'] }) {
    const force = useQuantity('force');
    const { evidence } = profile.document;
    const pull = (figures: Schemas['PullFigures']) => (figures.meanN === null ? `${figures.n} readings` : `mean ${force.text(figures.meanN)}${figures.sdN === null ? '' : `, sd ${force.text(figures.sdN)}`}, n = ${figures.n}`);
    return (
        <MarginNote title="Evidence">
            <p>
                <strong>
                    {evidence.runs} runs, {evidence.failures} failed
                </strong>
                , {evidence.voids} void beside{evidence.voidsAlone > 0 ? ` (${evidence.voidsAlone} of them declared by whoever made it, with the outcome known)` : ''}
                {evidence.incomplete > 0 ? `, ${evidence.incomplete} left out as they do not say all that counts` : ''}. Needed: {evidence.runsNeeded} for {percent(evidence.plan.reliability)} reliability with {percent(evidence.plan.confidence)} confidence
                {evidence.plan.failuresAllowed === 0 ? ', none failed' : ', one may fail'}.
            </p>
            {evidence.limits.hotPullAtLeastN === null || evidence.limits.coldPullAtMostN === null ? null : (
                <>
                    <p>
                        Hot pull: {pull(evidence.hotPull)}; to clear {force.text(evidence.limits.hotPullAtLeastN)}.
                    </p>
                    <p>
                        Cold pull: {pull(evidence.coldPull)}; to stay below {force.text(evidence.limits.coldPullAtMostN)}.
                    </p>
                </>
            )}
            <p>
                {evidence.lots} {evidence.lots === 1 ? 'lot' : 'lots'}, {evidence.plates} {evidence.plates === 1 ? 'plate' : 'plates'}, {evidence.gcodeName}.
            </p>
            <p className="text-sm">
                Rules {evidence.coreVersion}, catalogue {evidence.catalogueDigest.slice(0, 6)}.
            </p>
        </MarginNote>
    );
}

function Sign({ profile, missing, onDone }: { profile: Schemas['Profile']; missing: string[]; onDone: () => void }) {
    const carried = missing.length === 0;
    const [draft, setDraft] = useState({ password: '', trial: !carried, reason: '' });
    const send = useChange((body: typeof draft) => call('POST', `/profiles/${profile.id}/sign`, { ...body, version: profile.version }), ['profiles'], onDone);
    return (
        <Dialog title={`Sign “${profile.title}”`} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    send.mutate(draft);
                }}
            >
                {carried ? <p>You vouch for the setting within its scope. It will stand first in Choose.</p> : <Notice tone="caution">The evidence does not carry it. It can only be signed as a trial, with the reason written down.</Notice>}
                {carried ? <CheckField label="Sign as a trial only" checked={draft.trial} onValue={(trial) => setDraft({ ...draft, trial })} /> : null}
                {draft.trial ? <AreaField label="Why is it tried?" value={draft.reason} onValue={(reason) => setDraft({ ...draft, reason })} required minLength={10} maxLength={500} /> : null}
                <TextField label="Your password" type="password" autoComplete="current-password" value={draft.password} onValue={(password) => setDraft({ ...draft, password })} required />
                <Fault error={send.error} />
                <div>
                    <Button type="submit" tone="main" big disabled={send.isPending}>
                        {draft.trial ? 'Sign as a trial' : 'Sign as validated'}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function Withdraw({ profile, onDone }: { profile: Schemas['Profile']; onDone: () => void }) {
    const [draft, setDraft] = useState({ password: '', reason: '' });
    const send = useChange((body: typeof draft) => call('POST', `/profiles/${profile.id}/withdraw`, { ...body, version: profile.version }), ['profiles'], onDone);
    return (
        <Dialog title={`Withdraw “${profile.title}”`} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    send.mutate(draft);
                }}
            >
                <p>It stays here, crossed out with the reason, and no longer stands in Choose.</p>
                <AreaField label="Why" value={draft.reason} onValue={(reason) => setDraft({ ...draft, reason })} required minLength={5} maxLength={500} />
                <TextField label="Your password" type="password" autoComplete="current-password" value={draft.password} onValue={(password) => setDraft({ ...draft, password })} required />
                <Fault error={send.error} />
                <div>
                    <Button type="submit" tone="danger" disabled={send.isPending}>
                        Withdraw
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
