import { get, set, update } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import { v7 } from 'uuid';

import { api, ask, Problem, type Schemas } from '../api/client';
import type { Sealed } from './seal';

/** What somebody says of a print for use when it comes off. */
export type JobCommand =
    | { kind: 'answer'; outcome: Schemas['Outcome']; effort: number | null; damaged: boolean; note: string; spot: number | null; liftMm: number | null; marks: { kind: Schemas['MarkKind']; x: number; y: number; place: number | null }[] }
    | { kind: 'drop'; reason: string }
    | { kind: 'job_photo'; image: Blob };

/** What somebody does with a run on its sheet, or says of a print; each is kept until the server has it. */
export type Command =
    | JobCommand
    | { kind: 'step'; step: Schemas['Step'] }
    | { kind: 'outcome'; outcome: Schemas['Outcome']; note: string }
    | { kind: 'reading'; measure: Schemas['Measure']; value: number; unit: Schemas['Unit']; atLeast: boolean; place: number; /** Of a lift by calliper: the height in the middle. */ againstHeight?: number }
    | { kind: 'mark'; mark: Schemas['MarkKind']; x: number; y: number; place: number | null }
    | { kind: 'photo'; shows: Schemas['PhotoShows']; image: Blob }
    | { kind: 'finish' }
    | { kind: 'void'; reason: string };

export type Entry = {
    id: string;
    /** Of the run, or of the print. */
    runId: string;
    /** As the page names it. */
    run: string;
    command: Command;
    /** The version that it rests on; null: whatever those before it make of the run or print. */
    version: number | null;
    touchedAt: number;
};

/** What the server did not take, with what it has instead where somebody else was first. */
export type Refused = Entry & { message: string; theirs: Schemas['Run'] | Schemas['Job'] | null };

/** What the server answers: the run or the print as it stands now. */
export type Delivered = { sheet: Schemas['RunSheet'] } | { job: Schemas['Job'] };

type Box = { waiting: Entry[]; refused: Refused[] };

const EMPTY: Box = { waiting: [], refused: [] };
const BUSY_MS = 1_500;
/** Told to other windows of this browser: whoever was here signed out. */
const LEFT = 'left';

/** Whose entries are sent now, and by which key they are sealed when they leave. Those of others wait on this device, sealed, until they sign in again. */
let person: string | null = null;
let sealKey = '';
let box: Box = EMPTY;
/** Touches that the device is writing. */
let writing: Entry[] = [];
/** What the device could not write, being full or keeping nothing for this page: it waits behind the rest as long as the page is open. */
let unkept: Box = EMPTY;
/** What was sent and could not be taken out of what is kept: a full device may refuse even that. */
const sent = new Set<string>();
/** All of it, as pages see it. */
let seen: Box & { unkept: number } = { ...EMPTY, unkept: 0 };
let answered: (delivered: Delivered) => Promise<void> = () => Promise.resolve();
let nowOpen: () => void = () => undefined;
/** A touch before it is known whose it is waits for that, and is not lost. */
const isOpen = new Promise<void>((resolve) => {
    nowOpen = resolve;
});
const listeners = new Set<() => void>();
const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('sitzplatz.outbox');

const key = (id: string) => `outbox.${id}`;

function show(next: { box?: Box; writing?: Entry[]; unkept?: Box }): void {
    ({ box, writing, unkept } = { box, writing, unkept, ...next });
    const kept = waiting();
    const there = new Set(kept.map((entry) => entry.id));
    seen = { waiting: [...kept, ...writing.filter((entry) => !there.has(entry.id))], refused: [...box.refused, ...unkept.refused], unkept: unkept.waiting.length };
    listeners.forEach((listener) => listener());
}

/** In the order in which it is sent. */
function waiting(): Entry[] {
    return [...box.waiting.filter((entry) => !sent.has(entry.id)), ...unkept.waiting];
}

/** Changes what is kept in one go, also against another window of this browser; and with it what only this page knows. */
async function change(whose: string | null, make: (was: Box) => Box, also: () => { unkept?: Box } = () => ({})): Promise<void> {
    if (whose === null) return;
    let next = EMPTY;
    await update<Box>(key(whose), (was = EMPTY) => (next = make({ ...was, waiting: was.waiting.filter((entry) => !sent.has(entry.id)) })));
    if (whose === person) show({ box: next, ...also() });
    others?.postMessage(whose);
}

others?.addEventListener('message', ({ data }) => {
    if (data === LEFT) location.reload();
    else void load();
});

async function load(): Promise<void> {
    const whose = person;
    if (whose === null) return;
    // Where the device keeps nothing for this page, what it touches is sent all the same.
    const stored = await get<Box | Sealed>(key(whose)).catch(() => undefined);
    const opened = stored && 'sealed' in stored ? await openedAgain(whose, stored) : stored;
    if (whose === person) show({ box: opened ?? EMPTY });
}

/** What its owner left sealed lies open again for as long as they are here. */
async function openedAgain(whose: string, stored: Sealed): Promise<Box> {
    const box = await import('./seal').then(({ unseal }) => unseal<Box>(stored, sealKey)).catch(() => null);
    // A server that was made anew has another key: it is put aside, and nothing else is in its way.
    if (box === null) await set(`${key(whose)}.sealed`, stored).catch(() => undefined);
    await set(key(whose), box ?? EMPTY).catch(() => undefined);
    return box ?? EMPTY;
}

/** From now on entries are this person's; what the server answers is handed on. */
export async function open(id: string, ofSession: string, onAnswer: (delivered: Delivered) => Promise<void>): Promise<void> {
    answered = onAnswer;
    sealKey = ofSession;
    if (person !== id) {
        person = id;
        show({ box: EMPTY, unkept: EMPTY });
    }
    nowOpen();
    await load();
    await flush();
}

let last: Promise<void> = Promise.resolve();

/** Shows what was touched at once, keeps it, and sends it as soon as it can. */
export async function post(rests: { id: string; version: number }, run: string, command: Command): Promise<void> {
    const entry: Entry = { id: v7(), runId: rests.id, run, command, version: rests.version, touchedAt: Date.now() };
    const left = (refused: Refused[]) => refused.filter((each) => each.runId !== entry.runId);
    // Writing takes a moment, in which the next touch would be one of what stood there before.
    show({ writing: [...writing, entry], unkept: { ...unkept, refused: left(unkept.refused) } });
    await isOpen;
    // One after the other: where the first finds no room and the second does, the second would be sent first.
    const whose = person;
    await (last = last.then(() => keep(whose, entry, left)));
    await flush();
}

async function keep(whose: string | null, entry: Entry, left: (refused: Refused[]) => Refused[]): Promise<void> {
    const kept = new Set<string>();
    try {
        // What found no room before may find it now.
        await change(
            whose,
            ({ waiting, refused }) => {
                const before = [...waiting, ...unkept.waiting];
                unkept.waiting.forEach((each) => kept.add(each.id));
                return { waiting: [...before, behind(before, entry)], refused: left(refused) };
            },
            () => ({ unkept: { ...unkept, waiting: unkept.waiting.filter((each) => !kept.has(each.id)) } }),
        );
    } catch {
        show({ unkept: { ...unkept, waiting: [...unkept.waiting, behind(waiting(), entry)] } });
    } finally {
        show({ writing: writing.filter((each) => each.id !== entry.id) });
    }
}

/** Behind others of its run it rests on what they make of it. A photo leaves a print as it is: what is said of it rests on what was seen. */
function behind(others: Entry[], entry: Entry): Entry {
    const moves = !['answer', 'drop', 'job_photo'].includes(entry.command.kind);
    return moves && others.some((each) => each.runId === entry.runId) ? { ...entry, version: null } : entry;
}

/**
 * Whoever was here is gone: what waits is kept for them, sealed by a key that the server gives to them alone; what this page alone kept is lost, which
 * they were told. A touch that is still being written is kept first.
 */
export async function close(): Promise<void> {
    await last;
    const whose = person;
    person = null;
    show({ box: EMPTY, unkept: EMPTY });
    if (whose === null) return;
    const stored = await get<Box | Sealed>(key(whose)).catch(() => undefined);
    if (stored && !('sealed' in stored) && stored.waiting.length + stored.refused.length > 0) {
        // Where the browser seals nothing for this page it stays as it is: it is shown to nobody else.
        await import('./seal')
            .then(async ({ seal }) => set(key(whose), await seal(stored, sealKey)))
            .catch(() => undefined);
    }
    others?.postMessage(LEFT);
}

addEventListener('beforeunload', (event) => {
    if (unkept.waiting.length > 0) event.preventDefault();
});

export async function dropRefused(id: string): Promise<void> {
    const left = (refused: Refused[]) => refused.filter((each) => each.id !== id);
    show({ unkept: { ...unkept, refused: left(unkept.refused) } });
    if (box.refused.some((each) => each.id === id)) await change(person, ({ waiting, refused }) => ({ waiting, refused: left(refused) }));
}

let sending: Promise<void> | null = null;

/** Sends what waits, in order, from one window at a time; stops at the first that the network does not take. */
export function flush(): Promise<void> {
    sending ??= oneAtATime().finally(() => {
        sending = null;
    });
    return sending;
}

async function oneAtATime(): Promise<void> {
    // Where the page is not served safely the browser lends no locks; then every window sends what it sees.
    await ('locks' in navigator ? navigator.locks.request('sitzplatz.outbox', send) : send());
}

async function send(): Promise<void> {
    await load();
    for (let entry = waiting()[0]; entry; entry = waiting()[0]) {
        const current = entry;
        try {
            const delivered = await deliver(current);
            // Shown first and forgotten then: in between nothing falls back to what was before.
            await answered(delivered);
            await forget(current, 'job' in delivered ? delivered.job.version : delivered.sheet.run.version, null);
        } catch (error) {
            // Signed out, or a trouble of the server: neither is a fault of the entry, and it is tried again.
            if (!(error instanceof Problem) || error.status === 401 || (error.status >= 500 && !error.busy)) return;
            // Others are at the same thing, or it was too much at once: in a moment.
            if (error.busy || error.status === 429) {
                setTimeout(() => void flush(), BUSY_MS);
                return;
            }
            const theirs = (error.theirs ?? null) as Refused['theirs'];
            // An answer may have been lost on its way: what is as wished already is done.
            const done = theirs !== null && isSo(current.command, theirs);
            await forget(current, theirs?.version ?? null, done ? null : { ...current, message: error.message, theirs });
        }
    }
}

/**
 * It waits no more, and the next of its run rests on what came of it.
 *
 * @param version that its run has now; null: nobody knows
 * @param why     null: it was taken
 */
async function forget(entry: Entry, version: number | null, why: Refused | null): Promise<void> {
    const next = waiting().find((each) => each.runId === entry.runId && each.id !== entry.id)?.id;
    const rest = (entries: Entry[]) => entries.filter((each) => each.id !== entry.id).map((each) => (version !== null && each.id === next ? { ...each, version } : each));
    const refused = why === null ? [] : [why];
    if (unkept.waiting.some((each) => each.id === entry.id)) {
        show({ unkept: { waiting: rest(unkept.waiting), refused: [...unkept.refused, ...refused] } });
        return;
    }
    show({ unkept: { ...unkept, waiting: rest(unkept.waiting) } });
    try {
        await change(person, (was) => ({ waiting: rest(was.waiting), refused: [...was.refused, ...refused] }));
    } catch {
        sent.add(entry.id);
        show({ unkept: { ...unkept, refused: [...unkept.refused, ...refused] } });
    }
}

function isSo(command: Command, theirs: NonNullable<Refused['theirs']>): boolean {
    if (isJob(theirs)) return command.kind === 'answer' ? theirs.status === 'answered' && theirs.outcome === command.outcome && theirs.effort === command.effort : command.kind === 'drop' && theirs.status === 'dropped';
    const run = theirs;
    switch (command.kind) {
        case 'step':
            return run.step === command.step && run.status === 'running';
        case 'outcome':
            return run.outcome === command.outcome && run.outcomeNote === command.note;
        case 'finish':
            return run.status === 'done';
        case 'void':
            return run.status === 'void';
        case 'reading':
        case 'mark':
        case 'photo':
        case 'answer':
        case 'drop':
        case 'job_photo':
            return false;
    }
}

export function isJob(thing: Schemas['Run'] | Schemas['Job']): thing is Schemas['Job'] {
    return 'takenOff' in thing;
}

async function deliver(entry: Entry): Promise<Delivered> {
    const { id, runId, command, version, touchedAt } = entry;
    const params = { path: { id: runId } };
    const heldSeconds = Math.max(0, (Date.now() - touchedAt) / 1000);
    switch (command.kind) {
        case 'answer': {
            const { outcome, effort, damaged, note, spot, liftMm, marks } = command;
            return { job: await ask(api.POST('/api/jobs/{id}/answer', { params, body: { outcome, effort, damaged, note, spot, liftMm, marks, version: version ?? 0, heldSeconds } })) };
        }
        case 'drop':
            return { job: await ask(api.POST('/api/jobs/{id}/drop', { params, body: { version: version ?? 0, reason: command.reason, heldSeconds } })) };
        case 'job_photo':
            return { job: await ask(api.POST('/api/jobs/{id}/photos', { params: { ...params, query: { id } }, body: '', bodySerializer: () => command.image, headers: { 'Content-Type': 'application/octet-stream' } })) };
        default:
            return { sheet: await deliverToRun({ ...entry, command }) };
    }
}

async function deliverToRun({ id, runId, command, version, touchedAt }: Entry & { command: Exclude<Command, JobCommand> }): Promise<Schemas['RunSheet']> {
    const params = { path: { id: runId } };
    const heldSeconds = Math.max(0, (Date.now() - touchedAt) / 1000);
    // Only what stood behind an entry that was refused for another reason knows no version: it rests on what is there.
    const rests = version ?? (await ask(api.GET('/api/runs/{id}', { params }))).run.version;
    switch (command.kind) {
        case 'step':
            return ask(api.POST('/api/runs/{id}/step', { params, body: { version: rests, step: command.step, heldSeconds } }));
        case 'outcome':
            return ask(api.POST('/api/runs/{id}/outcome', { params, body: { version: rests, outcome: command.outcome, note: command.note, heldSeconds } }));
        case 'reading': {
            const { measure, value, unit, atLeast, place, againstHeight } = command;
            return ask(api.POST('/api/runs/{id}/readings', { params, body: { id, measure, value, unit, atLeast, place, heldSeconds, ...(againstHeight === undefined ? {} : { againstHeight }) } }));
        }
        case 'mark': {
            const { mark, x, y, place } = command;
            return ask(api.POST('/api/runs/{id}/marks', { params, body: { id, kind: mark, x, y, place, heldSeconds } }));
        }
        case 'photo':
            return ask(api.POST('/api/runs/{id}/photos', { params: { ...params, query: { id, shows: command.shows } }, body: '', bodySerializer: () => command.image, headers: { 'Content-Type': 'application/octet-stream' } }));
        case 'finish':
            return ask(api.POST('/api/runs/{id}/finish', { params, body: { version: rests, heldSeconds } }));
        case 'void':
            return ask(api.POST('/api/runs/{id}/void', { params, body: { version: rests, reason: command.reason, heldSeconds } }));
    }
}

function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

/** @returns how many of those that wait are kept by this page alone, too */
export function useOutbox(): Box & { unkept: number } {
    return useSyncExternalStore(subscribe, () => seen);
}
