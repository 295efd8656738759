import { z } from 'zod/mini';

import type { Schemas } from '../api/client';
import type { Job } from './request';

/** Chosen to be none, as what is left out comes from the bench. */
const NONE = 'any';

/** What does not have the shape of it is as if it were not there; its range is the server's to say. */
const loose = <T extends z.ZodMiniType>(of: T) => z.catch(z.optional(of), undefined);
const SHAPE = z.object({
    material: loose(z.string()),
    printer: loose(z.string()),
    lot: loose(z.string()),
    also: loose(z.array(z.string())),
    room: loose(z.number()),
    parts: loose(z.number()),
    minutes: loose(z.number()),
    part: loose(z.looseObject({ contactAreaMm2: z.number(), outlineMm: z.number(), spanMm: z.number(), barWidthMm: z.number(), heightMm: z.number() })),
    named: loose(z.string()),
    foothold: loose(z.object({ kind: z.enum(['none', 'brim', 'ears', 'raft']), mm: z.number() })),
    bed: loose(z.number()),
    nozzle: loose(z.number()),
    gap: loose(z.number()),
    file: loose(z.looseObject({})),
    agent: loose(z.string()),
    wishes: loose(z.looseObject({})),
    look: loose(z.string()),
    ticked: loose(z.array(z.string())),
    pair: loose(z.boolean()),
    beside: loose(z.string()),
    all: loose(z.boolean()),
    beyond: loose(z.boolean()),
});

/** All that the page shows, in its address: to be shared, reloaded and gone back to. */
export type Address = z.infer<typeof SHAPE>;

export const readAddress = (search: Address): Address => SHAPE.parse(search);

/** Members that say nothing do not stand in the address. */
function without<T extends object>(from: T): T {
    return Object.fromEntries(Object.entries(from).filter(([, value]) => value !== undefined)) as T;
}

/** Where there is but one printer or lot, it is meant. */
export function withTheOnly(bench: Schemas['Bench'], lots: Schemas['Lot'][], printers: Schemas['Printer'][]): Schemas['Bench'] {
    const only = (rows: { id: string; retired: boolean }[]) => {
        const used = rows.filter((row) => !row.retired);
        return used.length === 1 ? (used[0]?.id ?? null) : null;
    };
    return { ...bench, printerId: bench.printerId ?? only(printers), lotId: bench.lotId ?? only(lots) };
}

/** The job that an address stands for; what it leaves out lies on the bench. */
export function jobOf(address: Address, bench: Schemas['Bench'], lots: Schemas['Lot'][]): Job {
    const lotId = address.lot === NONE ? null : (address.lot ?? (address.material === undefined ? bench.lotId : null));
    return {
        materialId: address.material ?? lots.find((lot) => lot.id === lotId)?.materialId ?? '',
        printerId: address.printer === NONE ? null : (address.printer ?? bench.printerId),
        lotId,
        alsoMaterialIds: address.also ?? [],
        roomC: address.room ?? bench.roomC,
        partCount: address.parts ?? 1,
        jobMinutes: address.minutes ?? null,
        part: (address.part as Schemas['Part'] | undefined) ?? null,
        foothold: address.foothold ?? null,
        bedC: address.bed ?? null,
        nozzleC: address.nozzle ?? null,
        gapMm: address.gap ?? null,
        file: (address.file as Job['file']) ?? null,
        agent: address.agent ?? null,
        wishes: (address.wishes as Job['wishes']) ?? {},
    };
}

/** Where the job differs from what lies on the bench; with it, what the page shows of it. */
export function addressOf(job: Job, bench: Schemas['Bench'], lots: Schemas['Lot'][], shown: Pick<Address, 'named' | 'look' | 'ticked' | 'pair' | 'beside' | 'all' | 'beyond'>): Address {
    const usual = jobOf({}, bench, lots);
    const lotMoved = job.lotId !== usual.lotId || job.materialId !== usual.materialId;
    return without({
        material: lotMoved ? job.materialId : undefined,
        printer: job.printerId === usual.printerId ? undefined : (job.printerId ?? NONE),
        lot: lotMoved ? (job.lotId ?? NONE) : undefined,
        also: job.alsoMaterialIds && job.alsoMaterialIds.length > 0 ? job.alsoMaterialIds : undefined,
        room: job.roomC === usual.roomC ? undefined : job.roomC,
        parts: job.partCount === 1 ? undefined : job.partCount,
        minutes: job.jobMinutes ?? undefined,
        part: job.part ?? undefined,
        named: job.part ? shown.named : undefined,
        foothold: job.foothold ?? undefined,
        bed: job.bedC ?? undefined,
        nozzle: job.nozzleC ?? undefined,
        gap: job.gapMm ?? undefined,
        file: job.file ?? undefined,
        agent: job.agent ?? undefined,
        wishes: Object.values(job.wishes ?? {}).some(Boolean) ? (job.wishes ?? undefined) : undefined,
        look: shown.look,
        ticked: shown.ticked && shown.ticked.length > 0 ? shown.ticked : undefined,
        pair: shown.pair === true ? true : undefined,
        beside: shown.beside,
        all: shown.all === true ? true : undefined,
        beyond: shown.beyond === true ? true : undefined,
    });
}
