import type { z } from 'zod/mini';

import type { Schemas } from '../api/client';
import { as, flag, list, maybe, number, optional, picked, text, whole, words } from '../ui/shape';

type Proof = Schemas['Proof'];
type Limits = Schemas['Limits'];

/** What is asked of what the plan can show. */
const ASKED = {
    proof: whole({ criterion: as<Proof['criterion']>(), share: number(), design: as<Proof['design']>(), measures: as<Proof['measures']>(), scaleStepN: number(), visits: number(), plateStays: flag(), coatStays: optional(flag()), partsPerRun: optional(number()), spotsBalanced: optional(flag()) }),
    limits: whole({ hotPullAtLeastN: maybe(), coldPullAtMostN: maybe(), liftAtMostMm: optional(maybe()), liftBy: optional(as<NonNullable<Limits['liftBy']>>()), pullMattersN: optional(maybe()), liftMattersMm: optional(maybe()), why: optional(text()), effortAtMost: number(), failuresAllowed: number() }),
    runsPerSetup: number(),
    hotPerSetup: number(),
};

export const CHANCES = whole(ASKED);

export const PLAN = whole({
    ...ASKED,
    kind: optional(text()),
    controlId: optional(as<string | null>()),
    title: words(),
    lotId: picked(),
    printerId: picked(),
    roomC: number(),
    constants: whole({
        piece: whole({ name: words(), alongPullMm: number(), acrossPullMm: number(), pullHeightMm: number(), contactAreaMm2: optional(maybe()), sectionMm3: optional(maybe()) }),
        file: optional(as<NonNullable<Schemas['Constants']['file']> | null>()),
        gcodeName: words(),
        alsoMaterialIds: optional(list(text())),
        cleaning: optional(text()),
        nozzleMm: number(),
        nozzleFirstC: number(),
        lineWidthMm: number(),
        gapMm: maybe(),
        feeler: words(),
        firstLayerSpeedMmS: number(),
        resin: optional(as<NonNullable<Schemas['Constants']['resin']> | null>()),
        fan: text(),
        holdDown: text(),
        brim: text(),
    }),
    durations: whole({ prepareMinutes: number(), heatAndSoakMinutes: number(), printMinutes: number(), coolMinutes: number(), inspectAndCleanMinutes: number(), plateChangeMinutes: number() }),
    seed: number(),
    setups: list(whole({ plateSideId: picked(), agentId: as<string | null>(), bedFirstC: maybe(), bedOtherC: maybe(), unheated: optional(flag()), lotId: optional(as<string | null>()), gapMm: optional(maybe()), nozzleFirstC: optional(maybe()), speedMmS: optional(maybe()), brim: optional(as<string | null>()), exposureS: optional(maybe()), takenHot: optional(flag()), ends: optional(as<'square' | 'round' | null>()) })),
});

/** The same while it is entered: a number may be missing. */
type Blank<T> = T extends number ? number | null : T extends string | boolean | null | undefined ? T : T extends (infer Item)[] ? Blank<Item>[] : { [Key in keyof T]: Blank<T[Key]> };

export type PlanBody = z.infer<typeof PLAN>;
export type PlanValues = Blank<PlanBody>;
export type SetupValues = PlanValues['setups'][number];
export type ProofValues = Blank<z.infer<typeof CHANCES>>;
