import { useSuspenseQueries } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { agentsQuery, catalogueQuery, lotsQuery, sidesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { CheckField } from '../ui/Field';
import { Notice } from '../ui/Notice';
import { QrCode, useAddress } from '../ui/QrCode';
import { day } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

type Kind = 'plates' | 'lots' | 'agents';
type Label = { key: string; name: string; lines: string[]; path: string };

/** Labels with a code and a number for plates, lots, and bottles, sticks and jars. */
export function Labels() {
    const [{ data: sides }, { data: lots }, { data: agents }, { data: catalogue }] = useSuspenseQueries({ queries: [sidesQuery, lotsQuery, agentsQuery, catalogueQuery] });
    const [kind, setKind] = useState<Kind>('plates');
    const address = useAddress();
    const [without, setWithout] = useState<string[]>([]);
    const named = (list: { id: string; name: string }[], id: string) => list.find((each) => each.id === id)?.name ?? id;
    const all: Record<Kind, Label[]> = {
        plates: sides.map((side) => ({ key: side.id, name: side.label, lines: [named(catalogue.surfaces, side.surfaceId)], path: `/prints?side=${side.id}` })),
        lots: lots.map((lot) => ({ key: lot.id, name: lot.label, lines: [`${named(catalogue.materials, lot.materialId)} ${lot.name}`, lot.driedOn ? say('shelf.dried_on', { at: day(lot.driedOn) }) : '', lot.openedOn ? say('shelf.opened_on', { at: day(lot.openedOn) }) : ''], path: `/shelf?tab=lot&find=${encodeURIComponent(lot.label)}` })),
        agents: agents.filter((agent) => !agent.retired).map((agent) => ({ key: agent.id, name: agent.name, lines: [named(catalogue.agents, agent.kindId), agent.batch, agent.openedOn ? say('shelf.opened_on', { at: day(agent.openedOn) }) : ''], path: `/shelf?tab=agent&find=${encodeURIComponent(agent.name)}` })),
    };
    const shown = all[kind].filter((label) => !without.includes(label.key));
    const sheet = (
        <ul className="flex flex-wrap gap-[3mm] bg-white text-[#1d1420]" data-theme="light" aria-label={say('shelf.labels')}>
            {shown.map((label) => (
                <li key={label.key} className="flex h-[29mm] w-[62mm] break-inside-avoid items-center gap-[2mm] border border-[#b9aeb8] p-[2mm]">
                    <QrCode path={label.path} label={say('shelf.code_of', { name: label.name })} className="size-[24mm] shrink-0" />
                    <span className="min-w-0 leading-tight">
                        <strong className="block text-[15px] break-words">{label.name}</strong>
                        {label.lines.filter(Boolean).map((line) => (
                            <span key={line} className="block text-[10.5px] break-words">
                                {line}
                            </span>
                        ))}
                    </span>
                </li>
            ))}
        </ul>
    );
    return (
        <>
            <div className="hidden print:block">{sheet}</div>
            <div className="no-print flex flex-1 flex-col">
                <Sheet
                    title={say('shelf.labels')}
                    lead={say('shelf.labels_in_words')}
                    actions={
                        <>
                            <Button tone="main" onClick={() => print()}>{say('keep.print')}</Button>
                            <Button asChild tone="quiet">
                                <Link to="/shelf">{say('shelf.back_to_the_shelf')}</Link>
                            </Button>
                        </>
                    }
                    margin={
                        <MarginNote title={say('shelf.leave_out')}>
                            {all[kind].map((label) => (
                                <CheckField key={label.key} label={label.name} checked={!without.includes(label.key)} onValue={(on) => setWithout((was) => (on ? was.filter((each) => each !== label.key) : [...was, label.key]))} />
                            ))}
                        </MarginNote>
                    }
                >
                    <div className="mb-5">
                        <ChoiceRow
                            label={say('shelf.labels_for')}
                            value={kind}
                            onValue={setKind}
                            options={[
                                { value: 'plates', label: say('shelf.plates') },
                                { value: 'lots', label: say('shelf.lots') },
                                { value: 'agents', label: say('shelf.agents') },
                            ]}
                        />
                    </div>
                    {/^https?:\/\/(127\.|localhost)/.test(address) ? (
                        <div className="mb-4">
                            <Notice tone="caution">{say('shelf.codes_lead_here_only', { address })}</Notice>
                        </div>
                    ) : (
                        <p className="mb-4">{say('shelf.codes_lead_to', { address })}</p>
                    )}
                    <div className="overflow-x-auto bg-white p-3" tabIndex={0} role="region" aria-label={say('shelf.labels')}>{sheet}</div>
                </Sheet>
            </div>
        </>
    );
}
