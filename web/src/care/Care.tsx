import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { call, newId, type Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, careQuery, platesQuery, printersQuery, useChange, useMay, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { AreaField, SelectField, TextField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { day, moment } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { CHANGE_WORDS } from '../ui/words';

type Side = Schemas['Care']['sides'][number];

export function Care() {
    const { data: care } = useSuspenseQuery(careQuery);
    const may = useMay();
    const [noting, setNoting] = useState<Side | null>(null);
    const [changing, setChanging] = useState(false);
    const sides = [...care.sides].sort((a, b) => b.due.length - a.due.length || b.printsSinceWash - a.printsSinceWash || a.label.localeCompare(b.label, undefined, { numeric: true }));
    const due = sides.filter((side) => side.due.length > 0).length;
    return (
        <Sheet
            title={due === 0 ? 'No plate is due' : `${due} ${due === 1 ? 'plate side is' : 'plate sides are'} due`}
            lead="Cleaning comes before any change of settings."
            actions={
                may.test ? (
                    <Button onClick={() => setChanging(true)}>Note a change to a printer</Button>
                ) : null
            }
            margin={
                <>
                    <MarginNote title="By the tabs">
                        <p>Handle plates by the tabs: fingers touch edges, so corners fail first. A setup that used to hold and suddenly does not has, most often, a touched plate.</p>
                        <Notice tone="caution">Solvent near a heated bed or a spark: no. Let the bed cool, ventilate.</Notice>
                    </MarginNote>
                    <MarginNote title="Changes to printers">
                        <p>A new nozzle or hot end, levelling, a crash or other magnets put earlier results in question: runs from before no longer count as evidence.</p>
                        <ul className="flex flex-col gap-1">
                            {care.changes.map((change) => (
                                <li key={change.id}>
                                    <strong>{change.printerName}</strong>: {change.words}, {day(change.at)}. {change.note}
                                </li>
                            ))}
                        </ul>
                    </MarginNote>
                </>
            }
        >
            {sides.length === 0 ? (
                <Empty>
                    <p>No plates on the shelf yet.</p>
                </Empty>
            ) : (
                <div className="overflow-x-auto">
                    <table className="ledger w-full">
                        <thead>
                            <tr>
                                <th>Plate side</th>
                                <th className="num">since fitted</th>
                                <th className="num">since washed</th>
                                <th className="num">on this coat</th>
                                <th>Due</th>
                                <th aria-label="Note" />
                            </tr>
                        </thead>
                        <tbody>
                            {sides.map((side) => (
                                <tr key={side.plateSideId}>
                                    <th scope="row">
                                        {side.label}
                                        <span className="block font-normal text-soft">{side.surfaceName}</span>
                                    </th>
                                    <td className="num">{side.printsSinceFitting}</td>
                                    <td className="num">
                                        {side.printsSinceWash}
                                        {side.lastWash ? <span className="block text-sm text-soft">{day(side.lastWash)}</span> : null}
                                    </td>
                                    <td className="num">
                                        {side.printsSinceCoat ?? 'bare'}
                                        {side.coatAgent ? <span className="block text-sm text-soft">{side.coatAgent}</span> : null}
                                    </td>
                                    <td className={side.due.length > 0 ? 'font-[650] text-brass' : 'text-soft'}>{side.due.length > 0 ? side.due.join(' ') : 'not yet'}</td>
                                    <td className="text-right">
                                        {may.test ? (
                                            <Button tone="quiet" onClick={() => setNoting(side)} aria-label={`Note care for ${side.label}`}>
                                                Note
                                            </Button>
                                        ) : null}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            {noting ? <NoteCare side={noting} onDone={() => setNoting(null)} /> : null}
            {changing ? <NoteChange changes={care.changes} onDone={() => setChanging(false)} /> : null}
        </Sheet>
    );
}

function NoteCare({ side, onDone }: { side: Side; onDone: () => void }) {
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [draft, setDraft] = useState({ id: newId(), kind: 'wash' as 'wash' | 'scuff' | 'coat', agentId: null as string | null, cleanerId: null as string | null, note: '' });
    const send = useChange((body: typeof draft) => call('POST', `/plate-sides/${side.plateSideId}/care`, body), ['care'], onDone);
    return (
        <Dialog title={`Care for ${side.label}`} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    send.mutate(draft);
                }}
            >
                <p>{side.cleaning}</p>
                <ChoiceRow
                    label="What was done"
                    value={draft.kind}
                    onValue={(kind) => setDraft({ ...draft, kind, agentId: kind === 'coat' ? (draft.agentId ?? agents[0]?.id ?? null) : null, cleanerId: kind === 'coat' ? null : draft.cleanerId })}
                    options={[
                        { value: 'wash', label: 'Washed' },
                        { value: 'scuff', label: 'Scuffed' },
                        { value: 'coat', label: 'Coated' },
                    ]}
                />
                {draft.kind === 'coat' ? <SelectField label="With" value={draft.agentId ?? ''} onValue={(id) => setDraft({ ...draft, agentId: id })} options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} /> : <SelectField label="With" value={draft.cleanerId ?? ''} onValue={(id) => setDraft({ ...draft, cleanerId: id || null })} empty="not said" options={catalogue.cleaners.map((c) => ({ value: c.id, label: c.name }))} />}
                <AreaField label="Note" value={draft.note} onValue={(note) => setDraft({ ...draft, note })} maxLength={500} />
                <Fault error={send.error} />
                <div>
                    <Button type="submit" tone="main" disabled={send.isPending}>
                        Note it
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function NoteChange({ changes, onDone }: { changes: Schemas['Change'][]; onDone: () => void }) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { bench } = useSession();
    const [printerId, setPrinterId] = useState(bench.printerId ?? printers[0]?.id ?? '');
    const [draft, setDraft] = useState({ id: newId(), kind: 'levelling' as Schemas['ChangeKind'], note: '', plateId: plates[0]?.id ?? '', from: '', until: '' });
    const [during, setDuring] = useState<Schemas['NotedChange']['runs']>([]);
    const send = useChange(
        ({ id, kind, note, plateId, from, until }: typeof draft) =>
            call<Schemas['NotedChange']>('POST', `/printers/${printerId}/changes`, {
                id,
                kind,
                note,
                ...(kind === 'levelled_for_plate' ? { plateId } : {}),
                ...(kind === 'machine_fault' ? { from: instant(from), until: instant(until) } : {}),
            }),
        ['care', 'profiles', 'assess'],
        (noted) => (noted.runs.length > 0 ? setDuring(noted.runs) : onDone()),
    );
    const last = changes.find((change) => change.printerName === printers.find((p) => p.id === printerId)?.name);
    if (during.length > 0) {
        return (
            <Dialog title="Made while the machine was at fault" open onOpen={(open) => !open && onDone()}>
                <p>These runs no longer count as evidence. Void each that the fault has spoiled, with the reason; it is then planned anew.</p>
                <ul className="flex flex-col gap-1">
                    {during.map((run) => (
                        <li key={run.id}>
                            <Link to="/runs/$id" params={{ id: run.id }} className="inline-flex min-h-11 items-center">
                                {run.name}
                            </Link>
                        </li>
                    ))}
                </ul>
            </Dialog>
        );
    }
    return (
        <Dialog title="Note a change to a printer" open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    send.mutate(draft);
                }}
            >
                <SelectField label="Printer" value={printerId} onValue={setPrinterId} options={printers.map((p) => ({ value: p.id, label: p.name }))} hint={last ? `Last: ${last.words}, ${moment(last.at)}` : undefined} />
                <ChoiceRow label="What changed" value={draft.kind} onValue={(kind) => setDraft({ ...draft, kind })} options={(Object.keys(CHANGE_WORDS) as Schemas['ChangeKind'][]).map((value) => ({ value, label: CHANGE_WORDS[value] }))} />
                {draft.kind === 'levelled_for_plate' ? <SelectField label="For which plate" value={draft.plateId} onValue={(plateId) => setDraft({ ...draft, plateId })} options={plates.filter((p) => !p.retired).map((p) => ({ value: p.id, label: p.number }))} /> : null}
                {draft.kind === 'machine_fault' ? (
                    <div className="grid gap-3 sm:grid-cols-2">
                        <TextField label="From" type="datetime-local" value={draft.from} onValue={(from) => setDraft({ ...draft, from })} required />
                        <TextField label="Until" type="datetime-local" value={draft.until} onValue={(until) => setDraft({ ...draft, until })} required />
                    </div>
                ) : null}
                <AreaField label="Note" value={draft.note} onValue={(note) => setDraft({ ...draft, note })} maxLength={500} />
                <Notice tone="caution">{draft.kind === 'machine_fault' ? 'Runs made meanwhile no longer count as evidence, and profiles that rest on them are in question.' : 'Runs on this printer from before no longer count as evidence for a new profile, and its signed profiles are in question.'}</Notice>
                <Fault error={send.error} />
                <div>
                    <Button type="submit" tone="main" disabled={send.isPending}>
                        Note it
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

function instant(local: string): string | null {
    return local === '' ? null : new Date(local).toISOString();
}
