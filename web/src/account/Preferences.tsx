import { useState } from 'react';

import { call, type Schemas } from '../api/client';
import { useChange, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { Fault } from '../ui/Notice';

export function Preferences({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
    return (
        <Dialog title="Units and look" open={open} onOpen={onOpen}>
            <Form onDone={() => onOpen(false)} />
        </Dialog>
    );
}

function Form({ onDone }: { onDone: () => void }) {
    const { preferences } = useSession();
    const [draft, setDraft] = useState(preferences);
    const save = useChange((body: Schemas['Preferences']) => call('PUT', '/preferences', body), ['session'], onDone);
    const row = <Key extends keyof Schemas['Preferences']>(key: Key, label: string, options: { value: Schemas['Preferences'][Key]; label: string }[]) => (
        <ChoiceRow label={label} value={draft[key]} onValue={(value) => setDraft({ ...draft, [key]: value })} options={options} />
    );
    return (
        <div className="flex flex-col gap-5">
            {row('temperature', 'Temperature', [
                { value: '°C', label: '°C' },
                { value: '°F', label: '°F' },
            ])}
            {row('force', 'Force', [
                { value: 'N', label: 'N' },
                { value: 'kgf', label: 'kgf' },
                { value: 'lbf', label: 'lbf' },
            ])}
            {row('length', 'Length', [
                { value: 'mm', label: 'mm' },
                { value: 'in', label: 'in' },
            ])}
            {row('theme', 'Look', [
                { value: 'system', label: 'as the device' },
                { value: 'light', label: 'light' },
                { value: 'dark', label: 'dark' },
            ])}
            <Fault error={save.error} />
            <div>
                <Button tone="main" onClick={() => save.mutate(draft)} disabled={save.isPending}>
                    Save
                </Button>
            </div>
        </div>
    );
}
