import { get, update } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import { v7 } from 'uuid';

import { api, ask, Problem, type Schemas } from '../api/client';
import { say } from '../words/say';

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

/** Whose entries are sent now. Those of others wait on this device until they sign in again. */
let person: string | null = null;
let box: Box = EMPTY;
/** What the device has not written: touches that are being written, and what could be neither written nor sent. */
let unwritten: Box = EMPTY;
/** All of it, as pages see it. */
let seen: Box = EMPTY;
let answered: (delivered: Delivered) => Promise<void> = () => Promise.resolve();
let nowOpen: () => void = () => undefined;
/** A touch before it is known whose it is waits for that, and is not lost. */
const isOpen = new Promise<void>((resolve) => {
    nowOpen = resolve;
});
const listeners = new Set<() => void>();
const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('sitzplatz.outbox');

const key = (id: string) => `outbox.${id}`;

function show(next: Box, notYet = unwritten): void {
    box = next;
    unwritten = notYet;
    const written = new Set(box.waiting.map((entry) => entry.id));
    seen = { waiting: [...box.waiting, ...unwritten.waiting.filter((entry) => !written.has(entry.id))], refused: [...box.refused, ...unwritten.refused] };
    listeners.forEach((listener) => listener());
}

/** Changes what is kept in one go, also against another window of this browser. */
async function change(make: (was: Box) => Box): Promise<void> {
    const whose = person;
    if (whose === null) return;
    let next = EMPTY;
    await update<Box>(key(whose), (was) => (next = make(was ?? EMPTY)));
    if (whose === person) show(next);
    others?.postMessage(whose);
}

others?.addEventListener('message', () => void load());

async function load(): Promise<void> {
    const whose = person;
    if (whose === null) return;
    const stored = await get<Box>(key(whose));
    if (whose === person) show(stored ?? EMPTY);
}

/** From now on entries are this person's; what the server answers is handed on. */
export async function open(id: string, onAnswer: (delivered: Delivered) => Promise<void>): Promise<void> {
    answered = onAnswer;
    if (person !== id) {
        person = id;
        show(EMPTY, { ...unwritten, refused: [] });
    }
    nowOpen();
    await load();
    await flush();
}

/** Shows what was touched at once, keeps it, and sends it as soon as it can. */
export async function post(rests: { id: string; version: number }, run: string, command: Command): Promise<void> {
    const entry: Entry = { id: v7(), runId: rests.id, run, command, version: null, touchedAt: Date.now() };
    // A photo leaves a print as it is: what is said of it rests on what was seen.
    const moves = !['answer', 'drop', 'job_photo'].includes(command.kind);
    const restsOn = (waiting: Entry[]) => (moves && waiting.some((each) => each.runId === entry.runId) ? null : rests.version);
    // Writing takes a moment, in which the next touch would be one of what stood there before.
    show(box, { waiting: [...unwritten.waiting, entry], refused: unwritten.refused.filter((each) => each.runId !== entry.runId) });
    await isOpen;
    try {
        await change(({ waiting, refused }) => ({ waiting: [...waiting, { ...entry, version: restsOn(waiting) }], refused: refused.filter((each) => each.runId !== entry.runId) }));
    } catch {
        // The device is full, or keeps nothing for this page.
        await flush();
        await sendUnwritten({ ...entry, version: restsOn(box.waiting) });
    } finally {
        show(box, { ...unwritten, waiting: unwritten.waiting.filter((each) => each.id !== entry.id) });
    }
    await flush();
}

async function sendUnwritten(entry: Entry): Promise<void> {
    try {
        await answered(await deliver(entry));
    } catch (error) {
        const { message, theirs } = error instanceof Problem ? error : { message: say('outbox.device_is_full'), theirs: null };
        show(box, { ...unwritten, refused: [...unwritten.refused, { ...entry, message, theirs: (theirs ?? null) as Refused['theirs'] }] });
    }
}

export async function dropRefused(id: string): Promise<void> {
    show(box, { ...unwritten, refused: unwritten.refused.filter((each) => each.id !== id) });
    if (box.refused.some((each) => each.id === id)) await change(({ waiting, refused }) => ({ waiting, refused: refused.filter((each) => each.id !== id) }));
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
    for (let entry = box.waiting[0]; entry; entry = box.waiting[0]) {
        const current = entry;
        const rest = (waiting: Entry[], version: number | null) => {
            const left = waiting.filter((each) => each.id !== current.id);
            const next = left.findIndex((each) => each.runId === current.runId);
            return version === null ? left : left.map((each, i) => (i === next ? { ...each, version } : each));
        };
        try {
            const delivered = await deliver(current);
            // Shown first and forgotten then: in between nothing falls back to what was before.
            await answered(delivered);
            await change(({ waiting, refused }) => ({ waiting: rest(waiting, 'job' in delivered ? delivered.job.version : delivered.sheet.run.version), refused }));
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
            await change(({ waiting, refused }) => ({ waiting: rest(waiting, theirs?.version ?? null), refused: done ? refused : [...refused, { ...current, message: error.message, theirs }] }));
        }
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

export function useOutbox(): Box {
    return useSyncExternalStore(subscribe, () => seen);
}
