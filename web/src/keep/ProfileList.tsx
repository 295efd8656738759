import { useSuspenseQueries } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';

import { api, ask } from '../api/client';
import { catalogueQuery, printersQuery, profilesList, sidesQuery, useChange, useMay, type ProfilesOf } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field, optionsOf, SelectField } from '../ui/Field';
import { FoundList } from '../ui/FoundList';
import { inUse } from '../ui/inUse';
import { Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { SmallStrip } from '../ui/SmallStrip';
import { PROFILE_WORDS } from '../ui/words';
import { say, tell } from '../words/say';
import { ProfileMark } from './ProfileMark';
import { useScopeLine } from './ScopeText';

export function ProfileList() {
    const temperature = useQuantity('temperature');
    const seconds = useQuantity('count');
    const may = useMay();
    const [importing, setImporting] = useState(false);
    const [{ data: catalogue }, { data: printers }, { data: sides }] = useSuspenseQueries({ queries: [catalogueQuery, printersQuery, sidesQuery] });
    const [only, setOnly] = useState<ProfilesOf>({});
    const list = useMemo(() => profilesList(only), [only]);
    const narrow = (part: { [Name in keyof ProfilesOf]?: ProfilesOf[Name] | '' }) => setOnly((was) => Object.fromEntries(Object.entries({ ...was, ...part }).filter(([, value]) => value !== '')));
    const scopeLine = useScopeLine();
    return (
        <Sheet
            title={say('keep.profiles')}
            lead={say('keep.setups_that_are_proven_here_for')}
            actions={
                <>
                    <Button asChild>
                        <Link to="/keep/coverage">{say('keep.what_is_proven')}</Link>
                    </Button>
                    {may.test ? <Button onClick={() => setImporting(true)}>{say('keep.import_a_profile')}</Button> : null}
                </>
            }
            margin={
                <MarginNote title={say('keep.how_a_profile_comes_about')}>
                    <p>{say('keep.a_setup_that_holds_and_lets')}</p>
                    <p>{say('keep.nobody_signs_what_the_evidence_does')}</p>
                    <p>{say('keep.a_profile_that_is_imported_arrives')}</p>
                </MarginNote>
            }
        >
            <FoundList
                list={list}
                filters={
                    <>
                        <SelectField label={say('keep.material')} value={only.materialId ?? ''} onValue={(materialId) => narrow({ materialId })} empty={say('keep.all')} options={inUse(catalogue.materials, only.materialId ?? '')} />
                        <SelectField label={say('keep.printer')} value={only.printerId ?? ''} onValue={(printerId) => narrow({ printerId })} empty={say('keep.all')} options={printers.map((printer) => ({ value: printer.id, label: printer.name }))} />
                        <SelectField label={say('keep.plate')} value={only.sideId ?? ''} onValue={(sideId) => narrow({ sideId })} empty={say('keep.all')} options={sides.map((side) => ({ value: side.id, label: side.label }))} />
                        <SelectField label={say('keep.state')} value={only.status ?? ''} onValue={(status) => narrow({ status })} empty={say('keep.all')} options={optionsOf(PROFILE_WORDS)} />
                    </>
                }
                placeholder={say('keep.title_material_surface_printer')}
                nothing={say('keep.no_profile_has_all_of_these')}
                none={<p>{tell('keep.no_profile_yet_judge_a_comparison', { link: (words) => <Link to="/judge">{words}</Link> })}</p>}
                row={(profile) => (
                        <li key={profile.id} className={`grid gap-x-6 border-b border-line py-3 sm:grid-cols-[minmax(0,1fr)_12rem] ${profile.status === 'withdrawn' ? 'text-soft' : ''}`}>
                            <div>
                                <Link to="/keep/$id" params={{ id: profile.id }} className="inline-flex min-h-11 items-center text-lg font-[650]">
                                    {profile.title}
                                </Link>
                                <p className="text-soft">
                                    {say('keep.on', { materialName: profile.materialName, surfaceName: profile.surfaceName, agentName: profile.agentName ?? say('keep.bare'), bedFirstC: typeof profile.exposureS === 'number' ? say('unit.seconds', { figure: seconds.bare(profile.exposureS) }) : typeof profile.bedFirstC === 'number' ? temperature.text(profile.bedFirstC) : say('keep.unheated'), printerName: profile.printerName })}
                                </p>
                                <p className="text-[0.9375rem]">{scopeLine(profile)}</p>
                                {profile.seat ? <SmallStrip label={profile.title} lowC={profile.seat.lowC} highC={profile.seat.highC} releaseC={profile.seat.releaseC} setC={profile.bedFirstC} /> : null}
                            </div>
                            <div className="sm:pt-2">
                                <ProfileMark profile={profile} />
                                {profile.doubts.map((doubt) => (
                                    <p key={doubt.reason} className="text-sm">
                                        {doubt.reason}
                                    </p>
                                ))}
                                <p className="text-sm text-soft">{say('keep.revision_2', { revision: profile.revision })}
                                    {profile.signedAt ? `, ${profile.signedBy ?? ''} ${day(profile.signedAt)}` : ''}
                                </p>
                            </div>
                        </li>
                )}
            />
            {importing ? <ImportProfile onDone={() => setImporting(false)} /> : null}
        </Sheet>
    );
}

function ImportProfile({ onDone }: { onDone: () => void }) {
    const [id] = useState(() => v7());
    const [fault, setFault] = useState<string | undefined>();
    const navigate = useNavigate();
    const send = useChange(
        (document: Record<string, never>) => ask(api.POST('/api/profiles/import', { body: { id, document } })),
        ['profiles'],
        (profile) => {
            onDone();
            void navigate({ to: '/keep/$id', params: { id: profile.id } });
        },
    );
    const load = async (file: File | undefined) => {
        if (!file) return;
        if (file.size > 500_000) {
            setFault(say('keep.a_profile_is_a_small_file'));
            return;
        }
        try {
            setFault(undefined);
            send.mutate(JSON.parse(await file.text()) as Record<string, never>);
        } catch {
            setFault(say('keep.this_file_is_not_json_take'));
        }
    };
    return (
        <Dialog title={say('keep.import_a_profile')} open onOpen={(open) => !open && onDone()}>
            <div className="flex flex-col gap-4">
                <p>{say('keep.it_arrives_unsigned_whoever_signed_it')}</p>
                <Field label={say('keep.profile_file_json')} error={fault}>
                    {(ids) => <input type="file" accept="application/json,.json" className="control" {...ids} onChange={(event) => void load(event.target.files?.[0])} />}
                </Field>
                <Fault error={send.error} />
            </div>
        </Dialog>
    );
}
