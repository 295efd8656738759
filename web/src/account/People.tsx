import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { call, newId, Problem, type Schemas } from '../api/client';
import { settingsQuery, useChange, usersQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { CheckField, NumberField, TextField, SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { MarginNote, Sheet } from '../ui/Sheet';

const ROLES = [
    { value: 'viewer', label: 'viewer' },
    { value: 'technician', label: 'technician' },
    { value: 'lead', label: 'lead' },
] as const;

export function People() {
    const { data: users } = useSuspenseQuery(usersQuery);
    const [editing, setEditing] = useState<Schemas['User'] | 'new' | null>(null);
    return (
        <Sheet
            title="People"
            actions={
                <Button tone="main" onClick={() => setEditing('new')}>
                    New account
                </Button>
            }
            margin={
                <>
                <OnePerson />
                <MarginNote title="Three roles">
                    <p>
                        A <strong>viewer</strong> looks. A <strong>technician</strong> keeps the shelf, plans, tests and proposes profiles. A <strong>lead</strong> also signs and withdraws them and keeps the accounts.
                    </p>
                </MarginNote>
                </>
            }
        >
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th>Name</th>
                        <th>Signs in as</th>
                        <th>Role</th>
                        <th aria-label="Change" />
                    </tr>
                </thead>
                <tbody>
                    {users.map((user) => (
                        <tr key={user.id}>
                            <td>{user.displayName}</td>
                            <td>{user.name}</td>
                            <td>{user.active ? user.role : `${user.role}, closed`}</td>
                            <td className="text-right">
                                <Button tone="quiet" onClick={() => setEditing(user)} aria-label={`Change ${user.displayName}`}>
                                    Change
                                </Button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {editing ? <UserForm key={editing === 'new' ? 'new' : editing.id} user={editing === 'new' ? null : editing} onDone={() => setEditing(null)} /> : null}
        </Sheet>
    );
}

/** Where nobody else is there to declare a run void. */
function OnePerson() {
    const { data: settings } = useSuspenseQuery(settingsQuery);
    const [hours, setHours] = useState<number | null>(settings.voidAfterHours);
    const save = useChange((change: Partial<Schemas['Settings']>) => call('PUT', '/settings', { ...settings, ...change }), ['settings']);
    return (
        <MarginNote title="How this shop works">
            <CheckField label="One person may void a run of their own with the outcome known" checked={settings.onePerson} onValue={(onePerson) => save.mutate({ onePerson })} />
            {settings.onePerson ? (
                <form
                    className="flex items-end gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (hours !== null) save.mutate({ voidAfterHours: hours });
                    }}
                >
                    <div className="w-32">
                        <NumberField label="Not before" unit="h" value={hours} onValue={setHours} />
                    </div>
                    <Button type="submit" disabled={hours === null || save.isPending}>
                        Save
                    </Button>
                </form>
            ) : null}
            <p>Usually somebody else has to. What was done alone is said wherever the evidence stands.</p>
            <SelectField
                label="If a setup does not hold, try first"
                value={settings.ladder}
                onValue={(ladder) => save.mutate({ ladder: ladder as Schemas['Settings']['ladder'] })}
                options={[
                    { value: 'heat_first', label: 'a nearer gap or more heat' },
                    { value: 'foothold_first', label: 'ears or a brim' },
                ]}
            />
            <Fault error={save.error} />
        </MarginNote>
    );
}

function UserForm({ user, onDone }: { user: Schemas['User'] | null; onDone: () => void }) {
    const [id] = useState(newId);
    const [draft, setDraft] = useState({ name: user?.name ?? '', displayName: user?.displayName ?? '', role: user?.role ?? ('technician'), active: user?.active ?? true, password: '' });
    const save = useChange(
        (d: typeof draft) =>
            user
                ? call('PUT', `/users/${user.id}`, { version: user.version, displayName: d.displayName, role: d.role, active: d.active, ...(d.password === '' ? {} : { password: d.password }) })
                : call('POST', '/users', { id, name: d.name, displayName: d.displayName, role: d.role, password: d.password }),
        ['users'],
        onDone,
    );
    const fault = save.error instanceof Problem ? save.error : undefined;
    return (
        <Dialog title={user ? `Change ${user.displayName}` : 'New account'} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate(draft);
                }}
            >
                {user ? null : <TextField label="Name to sign in with" value={draft.name} onValue={(name) => setDraft({ ...draft, name })} error={fault?.of('name')} required />}
                <TextField label="Name as it is shown" value={draft.displayName} onValue={(displayName) => setDraft({ ...draft, displayName })} error={fault?.of('displayName')} required />
                <ChoiceRow label="Role" value={draft.role} onValue={(role) => setDraft({ ...draft, role })} options={[...ROLES]} />
                <TextField
                    label={user ? 'New password' : 'Password'}
                    hint={user ? 'Leave empty to keep the present one.' : '10 characters or more.'}
                    type="password"
                    value={draft.password}
                    onValue={(password) => setDraft({ ...draft, password })}
                    error={fault?.of('password')}
                    autoComplete="new-password"
                    required={!user}
                />
                {user ? <CheckField label="May sign in" checked={draft.active} onValue={(active) => setDraft({ ...draft, active })} /> : null}
                <Fault error={save.error} />
                <div>
                    <Button type="submit" tone="main" disabled={save.isPending}>
                        Save
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
