import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { careQuery, sidesQuery, printersQuery, useMay, useSession } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { useDraft, useKey } from '../ui/draft';
import { DraftDialog } from '../ui/DraftForm';
import { AreaField, optionsOf, SelectField, TextField } from '../ui/Field';
import { Figure } from '../ui/Glossary';
import { Notice } from '../ui/Notice';
import { day, moment } from '../ui/quantity';
import { as, picked, text, whole, words } from '../ui/shape';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { offerUndo } from '../ui/undo';
import { CHANGE_WORDS } from '../ui/words';
import { say } from '../words/say';
import { NoteCare } from './NoteCare';

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
            title={due === 0 ? say('care.no_plate_is_due') : say('care.due_plate_side_is', { due })}
            lead={say('care.cleaning_comes_before_any_change_of')}
            actions={
                <>
                    <Button asChild tone="quiet">
                        <Link to="/care/sums">{say('care.sums')}</Link>
                    </Button>
                    {may.test ? <Button onClick={() => setChanging(true)}>{say('care.note_a_change_to_a_printer')}</Button> : null}
                </>
            }
            margin={
                <>
                    {care.jars.length > 0 ? (
                        <MarginNote title={say('care.jars')}>
                            <ul className="flex flex-col gap-1">
                                {care.jars.map((jar) => (
                                    <li key={jar.agentId}>
                                        <strong>{jar.name}</strong>: {jar.due.join(' ')}
                                    </li>
                                ))}
                            </ul>
                            <Link to="/shelf" search={{ tab: 'agent' }} className="inline-flex min-h-11 items-center">{say('test.to_the_shelf')}</Link>
                        </MarginNote>
                    ) : null}
                    <MarginNote title={say('care.by_the_tabs')}>
                        <p>{say('care.handle_plates_by_the_tabs_fingers')}</p>
                        <Notice tone="caution">{say('care.solvent_near_a_heated_bed_or')}</Notice>
                    </MarginNote>
                    <MarginNote title={say('care.changes_to_printers')}>
                        <p>{say('care.a_new_nozzle_or_hot_end')}</p>
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
                    <p>{say('care.no_plates_on_the_shelf_yet')}</p>
                </Empty>
            ) : (
                <div className="overflow-x-auto">
                    <table className="ledger stacks w-full">
                        <thead>
                            <tr>
                                <th>{say('care.plate_side')}</th>
                                <th className="num"><Figure of="fitted">{say('care.since_fitted')}</Figure></th>
                                <th className="num"><Figure of="washed">{say('care.since_washed')}</Figure></th>
                                <th className="num"><Figure of="coat">{say('care.on_this_coat')}</Figure></th>
                                <th>{say('care.due')}</th>
                                <th aria-label={say('care.note')} />
                            </tr>
                        </thead>
                        <tbody>
                            {sides.map((side) => (
                                <tr key={side.plateSideId}>
                                    <th scope="row">
                                        <Link to="/care/$id" params={{ id: side.plateSideId }} className="inline-flex min-h-11 items-center">{side.label}</Link>
                                        <span className="block font-normal text-soft">{side.surfaceName}</span>
                                    </th>
                                    <td className="num" data-label={say('care.since_fitted')}>{side.printsSinceFitting}</td>
                                    <td className="num" data-label={say('care.since_washed')}>
                                        {side.printsSinceWash}
                                        {side.lastWash ? <span className="block text-sm text-soft">{day(side.lastWash)}</span> : null}
                                    </td>
                                    <td className="num" data-label={say('care.on_this_coat')}>
                                        {side.printsSinceCoat ?? say('care.bare')}
                                        {side.coatAgent ? <span className="block text-sm text-soft">{side.coatAgent}</span> : null}
                                    </td>
                                    <td data-label={say('care.due')} className={side.due.length > 0 ? 'font-[650] text-brass' : 'text-soft'}>{side.due.length > 0 ? side.due.join(' ') : say('care.not_yet')}</td>
                                    <td className="text-right">
                                        {may.test ? (
                                            <Button tone="quiet" onClick={() => setNoting(side)} aria-label={say('care.note_care_for', { side: side.label })}>{say('care.note')}</Button>
                                        ) : null}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            {noting ? <NoteCare side={noting} kind="wash" onDone={() => setNoting(null)} /> : null}
            {changing ? <NoteChange changes={care.changes} onDone={() => setChanging(false)} /> : null}
        </Sheet>
    );
}

type ChangeValues = { printerId: string; kind: Schemas['ChangeKind']; note: string; plateId: string; from: string; until: string };

const CHANGE = whole({ printerId: picked(), kind: as<Schemas['ChangeKind']>(), note: text(), plateId: text(), from: text(), until: text() });
const AT_FAULT = whole({ ...CHANGE.shape, from: words(), until: words() });

function NoteChange({ changes, onDone }: { changes: Schemas['Change'][]; onDone: () => void }) {
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { bench } = useSession();
    const key = useKey();
    const [during, setDuring] = useState<Schemas['NotedChange']['runs']>([]);
    const [atFault, setAtFault] = useState(false);
    const draft = useDraft({
        start: (): ChangeValues => ({ printerId: bench.printerId ?? printers[0]?.id ?? '', kind: 'levelling', note: '', plateId: sides[0]?.plateId ?? '', from: '', until: '' }),
        schema: atFault ? AT_FAULT : CHANGE,
        send: ({ printerId, kind, note, plateId, from, until }) =>
            ask(
                api.POST('/api/printers/{id}/changes', {
                    params: { path: { id: printerId } },
                    body: { id: key, kind, note, ...(kind === 'levelled_for_plate' ? { plateId } : {}), ...(kind === 'machine_fault' ? { from: instant(from), until: instant(until) } : {}) },
                }),
            ),
        touches: ['care', 'profiles', 'assess'],
        after: (noted) => {
            offerUndo({ words: say('care.noted_for', { side: noted.printerName }), undo: () => ask(api.DELETE('/api/changes/{id}', { params: { path: { id: noted.id } } })) });
            if (noted.runs.length > 0) setDuring(noted.runs);
            else onDone();
        },
    });
    const { values, set, at } = draft;
    const last = changes.find((change) => change.printerName === printers.find((p) => p.id === values.printerId)?.name);
    if (during.length > 0) {
        return (
            <Dialog title={say('care.made_while_the_machine_was_at')} open onOpen={(open) => !open && onDone()}>
                <p>{say('care.these_runs_no_longer_count_as')}</p>
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
        <DraftDialog draft={draft} send={say('care.note_it')} title={say('care.note_a_change_to_a_printer')} onDone={onDone}>
            <SelectField label={say('care.printer')} {...at('printerId')} options={printers.map((p) => ({ value: p.id, label: p.name }))} hint={last ? say('care.last', { words: last.words, at: moment(last.at) }) : undefined} />
            <ChoiceRow
                label={say('care.what_changed')}
                name="kind"
                value={values.kind}
                onValue={(kind) => {
                    set({ kind });
                    setAtFault(kind === 'machine_fault');
                }}
                options={optionsOf(CHANGE_WORDS)}
            />
            {values.kind === 'levelled_for_plate' ? <SelectField label={say('care.for_which_plate')} {...at('plateId')} options={[...new Map(sides.map((s) => [s.plateId, s.plateNumber]))].map(([value, label]) => ({ value, label }))} /> : null}
            {values.kind === 'machine_fault' ? (
                <div className="grid gap-3 sm:grid-cols-2">
                    <TextField label={say('care.from')} type="datetime-local" {...at('from')} required />
                    <TextField label={say('care.until')} type="datetime-local" {...at('until')} required />
                </div>
            ) : null}
            <AreaField label={say('care.note')} {...at('note')} maxLength={500} />
            <Notice tone="caution">{values.kind === 'machine_fault' ? say('care.runs_made_meanwhile_no_longer_count') : say('care.runs_on_this_printer_from_before')}</Notice>
        </DraftDialog>
    );
}

function instant(local: string): string {
    return new Date(local).toISOString();
}
