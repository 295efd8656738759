import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { backupKeyQuery, networkQuery, settingsQuery, useChange, usersQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog, DraftForm } from '../ui/DraftForm';
import { CheckField, NumberField, SelectField, TextField, type Option } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { QrCode } from '../ui/QrCode';
import { day } from '../ui/quantity';
import { as, flag, number, text, whole, words } from '../ui/shape';
import { MarginNote, Sheet } from '../ui/Sheet';
import { USER_ROLE_WORDS } from '../ui/words';
import { say, tell } from '../words/say';

const ROLES: Option<Schemas['Role']>[] = (['viewer', 'technician', 'lead'] as const).map((value) => ({ value, label: USER_ROLE_WORDS[value] }));

export function People() {
    const { data: users } = useSuspenseQuery(usersQuery);
    const [editing, setEditing] = useState<Schemas['User'] | 'new' | null>(null);
    return (
        <Sheet
            title={say('account.people')}
            actions={
                <>
                    <Button tone="main" onClick={() => setEditing('new')}>{say('account.new_account')}</Button>
                    <Button asChild>
                        <Link to="/people/log">{say('account.log')}</Link>
                    </Button>
                </>
            }
            margin={
                <>
                <Backups />
                <Tablets />
                <OnePerson />
                <MarginNote title={say('account.three_roles')}>
                    <p>{tell('account.a_viewer_looks_a_technician_keeps', { b: (words) => <strong>{words}</strong> })}</p>
                </MarginNote>
                </>
            }
        >
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th>{say('account.name')}</th>
                        <th>{say('account.signs_in_as')}</th>
                        <th>{say('account.role')}</th>
                        <th aria-label={say('account.change')} />
                    </tr>
                </thead>
                <tbody>
                    {users.map((user) => (
                        <tr key={user.id}>
                            <td>{user.displayName}</td>
                            <td>{user.name}</td>
                            <td>{user.active ? USER_ROLE_WORDS[user.role] : say('account.closed', { role: USER_ROLE_WORDS[user.role] })}</td>
                            <td className="text-right">
                                <Button tone="quiet" onClick={() => setEditing(user)} aria-label={say('account.change_2', { displayName: user.displayName })}>{say('account.change')}</Button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {editing ? <UserForm key={editing === 'new' ? 'new' : editing.id} user={editing === 'new' ? null : editing} onDone={() => setEditing(null)} /> : null}
        </Sheet>
    );
}

const HOURS = whole({ hours: number() });
const ADDRESS = whole({ address: text() });

/** Where nobody else is there to declare a run void. */
function OnePerson() {
    const { data: settings } = useSuspenseQuery(settingsQuery);
    const save = useChange((change: Partial<Schemas['Settings']>) => ask(api.PUT('/api/settings', { body: { ...settings, ...change } })), ['settings']);
    const draft = useDraft({ start: (): { hours: number | null } => ({ hours: settings.voidAfterHours }), schema: HOURS, send: ({ hours }) => ask(api.PUT('/api/settings', { body: { ...settings, voidAfterHours: hours } })), touches: ['settings'] });
    const reached = useDraft({ start: () => ({ address: settings.address ?? '' }), schema: ADDRESS, send: ({ address }) => ask(api.PUT('/api/settings', { body: { ...settings, address: address.trim().replace(/\/+$/, '') } })), touches: ['settings'] });
    return (
        <MarginNote title={say('account.how_this_shop_works')}>
            <CheckField label={say('account.one_person_may_void_a_run')} checked={settings.onePerson} onValue={(onePerson) => save.mutate({ onePerson })} />
            {settings.onePerson ? (
                <DraftForm draft={draft} send={say('account.save')} tone="plain" className="flex items-end gap-2">
                    <div className="w-32">
                        <NumberField label={say('account.not_before')} unit={say('account.h')} {...draft.at('hours')} />
                    </div>
                </DraftForm>
            ) : null}
            <p>{say('account.usually_somebody_else_has_to_what')}</p>
            <SelectField
                label={say('account.if_a_setup_does_not_hold')}
                value={settings.ladder}
                onValue={(ladder) => save.mutate({ ladder })}
                options={[
                    { value: 'heat_first', label: say('account.a_nearer_gap_or_more_heat') },
                    { value: 'foothold_first', label: say('account.ears_or_a_brim') },
                ]}
            />
            <DraftForm draft={reached} send={say('account.set_the_address')} tone="plain" className="flex flex-col gap-2">
                <TextField label={say('account.address_of_the_app')} hint={say('account.address_in_words')} {...reached.at('address')} />
            </DraftForm>
            <Fault error={save.error} />
        </MarginNote>
    );
}

const LAST_GROUP = whole({ lastGroup: words() });

/** Backups are sealed once somebody has the key on paper: whoever loses it loses every one of them. */
function Backups() {
    const { data: key } = useSuspenseQuery(backupKeyQuery);
    const draft = useDraft({ start: () => ({ lastGroup: '' }), schema: LAST_GROUP, send: ({ lastGroup }) => ask(api.POST('/api/backup-key', { body: { lastGroup } })), touches: ['backup-key', 'overview'] });
    return (
        <MarginNote title={say('account.backups')}>
            <p>{say(`account.backup_key_${key.state}`, { day: key.writtenDownOn === null ? '' : day(key.writtenDownOn) })}</p>
            {key.state === 'to_write_down' ? (
                <DraftForm draft={draft} send={say('account.i_have_it')} tone="plain" className="flex flex-col gap-2">
                    <TextField label={say('account.its_last_four_signs')} {...draft.at('lastGroup')} autoComplete="off" />
                </DraftForm>
            ) : null}
        </MarginNote>
    );
}

/** How a tablet comes in: the code to hold it before, and what to compare. */
function Tablets() {
    const { data: network } = useSuspenseQuery(networkQuery);
    return (
        <MarginNote title={say('account.tablets_and_phones')}>
            {network.address === null ? (
                <p>{say('account.open_on_this_machine_only')}</p>
            ) : (
                <>
                    <p>{say('account.hold_a_tablet_before', { address: network.address })}</p>
                    <QrCode path={`${network.address}/trust`} label={say('account.code_to_the_app')} className="w-40" />
                    {network.fingerprint === null ? null : <p className="font-mono text-sm break-all">{say('account.fingerprint_is', { fingerprint: network.fingerprint })}</p>}
                </>
            )}
        </MarginNote>
    );
}

const SHAPE = whole({ name: text(), displayName: words(), role: as<Schemas['Role']>(), active: flag(), password: text() });
const OF_NEW = whole({ ...SHAPE.shape, name: words(), password: words() });

type Values = Pick<Schemas['User'], 'name' | 'displayName' | 'role' | 'active'> & { password: string };

function read(user: Schemas['User'] | null): Values {
    return { name: user?.name ?? '', displayName: user?.displayName ?? '', role: user?.role ?? 'technician', active: user?.active ?? true, password: '' };
}

function UserForm({ user, onDone }: { user: Schemas['User'] | null; onDone: () => void }) {
    const key = useKey();
    const draft = useDraft({
        start: () => read(user),
        schema: user ? SHAPE : OF_NEW,
        row: user,
        send: ({ name, displayName, role, active, password }, version) =>
            user ? ask(api.PUT('/api/users/{id}', { params: { path: { id: user.id } }, body: { version, displayName, role, active, ...(password === '' ? {} : { password }) } })) : ask(api.POST('/api/users', { body: { id: key, name, displayName, role, password } })),
        read: (theirs) => read(theirs as Schemas['User']),
        touches: ['users'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftDialog draft={draft} send={say('account.save')} title={user ? say('account.change_2', { displayName: user.displayName }) : say('account.new_account')} onDone={onDone}>
            {user ? null : <TextField label={say('account.name_to_sign_in_with')} {...at('name')} required />}
            <TextField label={say('account.name_as_it_is_shown')} {...at('displayName')} required />
            <ChoiceRow label={say('account.role')} {...at('role')} options={ROLES} />
            <TextField label={user ? say('account.new_password') : say('account.password')} hint={user ? say('account.leave_empty_to_keep_the_present') : say('account.10_characters_or_more')} type="password" {...at('password')} autoComplete="new-password" required={!user} />
            {user ? <CheckField label={say('account.may_sign_in')} {...at('active')} /> : null}
        </DraftDialog>
    );
}
