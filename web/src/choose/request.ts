import type { Schemas } from '../api/client';
import { say } from '../words/say';

export type Job = Omit<Schemas['ChooseRequest'], 'lookAt' | 'benchSideId'>;
/** A job as it is asked for: with what lies on its printer now. */
export type Asked = Omit<Schemas['ChooseRequest'], 'lookAt'>;
export type Wishes = NonNullable<Schemas['ChooseRequest']['wishes']>;

/** Whether a material is seated on seconds of exposure and not on a bed temperature. */
export function isResin(catalogue: Schemas['Catalogue'], materialId: string): boolean {
    return catalogue.materials.find((each) => each.id === materialId)?.kind === 'resin';
}

export const CRITERION_WORDS: Record<Schemas['Criterion'], string> = {
    chance: say('criterion.chance'),
    consumable: say('criterion.consumable'),
    turnaround: say('criterion.turnaround'),
    cost: say('criterion.cost'),
    energy: say('criterion.energy'),
};

export const USUAL_ORDER: Schemas['Criterion'][] = ['chance', 'consumable', 'turnaround', 'cost'];

export const FOOTHOLD_WORDS: Record<Schemas['FootholdKind'], string> = {
    none: say('foothold.none'),
    brim: say('foothold.brim'),
    ears: say('foothold.ears'),
    raft: say('foothold.raft'),
};

export const FINISH_WORDS: Record<Schemas['Finish'], string> = {
    gloss: say('finish.gloss'),
    satin: say('finish.satin'),
    texture: say('finish.texture'),
    pattern: say('finish.pattern'),
};
