import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { agentsQuery, lotsQuery, sidesQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { QuantityField, SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { say } from '../words/say';

/** Of a print that a printer reported: with which setup it really is. */
export function OtherSetup({ job }: { job: Schemas['Job'] }) {
    const { data: sides } = useQuery(sidesQuery);
    const { data: agents } = useQuery(agentsQuery);
    const { data: lots } = useQuery(lotsQuery);
    const [said, setSaid] = useState<{ plateSideId?: string; agentId?: string; lotId?: string; bedC?: number | null }>({});
    const plateSideId = said.plateSideId ?? job.plateSideId;
    const agentId = said.agentId ?? agents?.find((agent) => agent.name === job.agentName)?.id ?? '';
    const lotId = said.lotId ?? lots?.find((lot) => lot.label === job.lotLabel)?.id ?? '';
    const bedC = said.bedC === undefined ? job.bedFirstC : said.bedC;
    const save = useChange(() => ask(api.PUT('/api/jobs/{id}/setup', { params: { path: { id: job.id } }, body: { version: job.version, plateSideId, agentId: agentId || null, lotId: lotId || null, bedC } })), ['jobs', 'care', 'sides']);
    const set = (part: typeof said) => setSaid((was) => ({ ...was, ...part }));
    return (
        <div className="grid max-w-2xl gap-3 pb-2 sm:grid-cols-2">
            <SelectField label={say('prints.plate')} value={plateSideId} onValue={(value) => set({ plateSideId: value })} options={(sides ?? []).map((side) => ({ value: side.id, label: side.label }))} />
            <SelectField label={say('prints.agent')} value={agentId} onValue={(value) => set({ agentId: value })} empty={say('test.bare')} options={(agents ?? []).filter((agent) => !agent.retired).map((agent) => ({ value: agent.id, label: agent.name }))} />
            <SelectField label={say('prints.lot')} value={lotId} onValue={(value) => set({ lotId: value })} empty={say('prints.lot_not_known')} options={(lots ?? []).map((lot) => ({ value: lot.id, label: `${lot.label} ${lot.name}` }))} />
            <QuantityField label={say('prints.bed')} kind="temperature" value={bedC} onValue={(value) => set({ bedC: value })} />
            <div className="sm:col-span-2">
                <Fault error={save.error} />
                <Button onClick={() => save.mutate(undefined)} disabled={save.isPending}>
                    {say('prints.it_is_this_setup')}
                </Button>
            </div>
        </div>
    );
}
