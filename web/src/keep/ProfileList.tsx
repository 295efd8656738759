import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, type Schemas } from '../api/client';
import { profilesQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { ProfileMark } from './ProfileMark';

export function ProfileList() {
    const { data: profiles } = useSuspenseQuery(profilesQuery);
    const temperature = useQuantity('temperature');
    const may = useMay();
    const [importing, setImporting] = useState(false);
    return (
        <Sheet
            title="Profiles"
            lead="Setups that are proven here, for what they are proven for."
            actions={may.test ? <Button onClick={() => setImporting(true)}>Import a profile</Button> : null}
            margin={
                <MarginNote title="How a profile comes about">
                    <p>A setup that holds and lets go is proposed from its verdict. Its evidence has to meet an acceptance plan; then a lead signs, with the password again.</p>
                    <p>Nobody signs what the evidence does not carry, except as a trial with a written reason.</p>
                    <p>A profile that is imported arrives unsigned.</p>
                </MarginNote>
            }
        >
            {profiles.length === 0 ? (
                <Empty>
                    <p>
                        No profile yet. <Link to="/judge">Judge</Link> a comparison; a setup that holds and lets go can be proposed from there.
                    </p>
                </Empty>
            ) : (
                <ul>
                    {profiles.map((profile) => (
                        <li key={profile.id} className={`grid gap-x-6 border-b border-line py-3 sm:grid-cols-[minmax(0,1fr)_12rem] ${profile.status === 'withdrawn' ? 'text-soft' : ''}`}>
                            <div>
                                <Link to="/keep/$id" params={{ id: profile.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                    {profile.title}
                                </Link>
                                <p className="text-soft">
                                    {profile.document.scope.materialName} on {profile.document.scope.surfaceName}, {profile.document.setting.agentName ?? 'bare'}, {profile.document.setting.bedFirstC === null ? 'unheated' : temperature.text(profile.document.setting.bedFirstC)}, {profile.document.scope.printerName}
                                </p>
                            </div>
                            <div className="sm:pt-2">
                                <ProfileMark profile={profile} />
                                {profile.doubts.map((doubt) => (
                                    <p key={doubt.reason} className="text-sm">
                                        {doubt.reason}
                                    </p>
                                ))}
                                <p className="text-sm text-soft">
                                    revision {profile.revision}
                                    {profile.signedAt ? `, ${profile.signedBy ?? ''} ${day(profile.signedAt)}` : ''}
                                </p>
                            </div>
                        </li>
                    ))}
                </ul>
            )}
            {importing ? <ImportProfile onDone={() => setImporting(false)} /> : null}
        </Sheet>
    );
}

function ImportProfile({ onDone }: { onDone: () => void }) {
    const [id] = useState(newId);
    const [fault, setFault] = useState<string | undefined>();
    const navigate = useNavigate();
    const send = useChange(
        (document: unknown) => call<Schemas['Profile']>('POST', '/profiles/import', { id, document }),
        ['profiles'],
        (profile) => {
            onDone();
            void navigate({ to: '/keep/$id', params: { id: profile.id } });
        },
    );
    const load = async (file: File | undefined) => {
        if (!file) return;
        if (file.size > 500_000) {
            setFault('A profile is a small file; this one is larger than 500 kB.');
            return;
        }
        try {
            setFault(undefined);
            send.mutate(JSON.parse(await file.text()));
        } catch {
            setFault('This file is not JSON. Take one that was exported from Keep.');
        }
    };
    return (
        <Dialog title="Import a profile" open onOpen={(open) => !open && onDone()}>
            <div className="flex flex-col gap-4">
                <p>It arrives unsigned, whoever signed it elsewhere. A lead here can sign it as a trial.</p>
                <Field label="Profile file (JSON)" error={fault}>
                    {(ids) => <input type="file" accept="application/json,.json" className="control" {...ids} onChange={(event) => void load(event.target.files?.[0])} />}
                </Field>
                <Fault error={send.error} />
            </div>
        </Dialog>
    );
}
