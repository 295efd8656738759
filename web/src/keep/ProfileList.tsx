import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, type Schemas } from '../api/client';
import { profilesQuery, useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { usePause } from '../ui/usePause';
import { ProfileMark } from './ProfileMark';

export function ProfileList() {
    const [find, setFind] = useState('');
    const looked = usePause(find.trim());
    const pages = useInfiniteQuery({ ...profilesQuery(looked), placeholderData: keepPreviousData });
    const profiles = pages.data?.pages.flat() ?? [];
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
            <div className="mb-3 w-full sm:w-80">
                <TextField label="Find" type="search" value={find} onValue={setFind} placeholder="title, material, surface, printer" />
            </div>
            <Fault error={pages.error} />
            {pages.isPending ? (
                <p>Looking …</p>
            ) : profiles.length === 0 && looked !== '' ? (
                <Empty>
                    <p>No profile has all of these words.</p>
                </Empty>
            ) : profiles.length === 0 ? (
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
                                    {profile.materialName} on {profile.surfaceName}, {profile.agentName ?? 'bare'}, {typeof profile.bedFirstC === 'number' ? temperature.text(profile.bedFirstC) : 'unheated'}, {profile.printerName}
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
            {pages.hasNextPage ? (
                <Button className="mt-4" disabled={pages.isFetchingNextPage} onClick={() => void pages.fetchNextPage()}>
                    Show more
                </Button>
            ) : null}
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
