import { useState } from 'react';

import { call, Problem } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { Door } from './SignIn';

/** The first account of an empty start. */
export function FirstLead() {
    const [draft, setDraft] = useState({ name: '', displayName: '', password: '' });
    const create = useChange(
        async (body: typeof draft) => {
            await call('POST', '/first-lead', body);
            return call('POST', '/session', { name: body.name, password: body.password });
        },
        ['session'],
    );
    const fault = create.error instanceof Problem ? create.error : undefined;
    return (
        <Door title="Who leads this workshop?">
            <p className="mb-6 max-w-prose">Nobody is here yet. The first account is a lead: a lead signs profiles and makes accounts for the others.</p>
            <form
                className="flex max-w-sm flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    create.mutate(draft);
                }}
            >
                <TextField label="Name to sign in with" hint="Letters, digits, point, dash." value={draft.name} onValue={(name) => setDraft({ ...draft, name })} error={fault?.of('name')} autoComplete="username" required />
                <TextField label="Name as it is shown" value={draft.displayName} onValue={(displayName) => setDraft({ ...draft, displayName })} error={fault?.of('displayName')} required />
                <TextField label="Password" hint="10 characters or more." type="password" value={draft.password} onValue={(password) => setDraft({ ...draft, password })} error={fault?.of('password')} autoComplete="new-password" required />
                <Fault error={create.error} />
                <div>
                    <Button type="submit" tone="main" disabled={create.isPending}>
                        Make the account
                    </Button>
                </div>
            </form>
        </Door>
    );
}
