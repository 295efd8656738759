import type { Schemas } from '../api/client';

export type Job = Omit<Schemas['ChooseRequest'], 'lookAt' | 'benchSideId'>;
export type Wishes = NonNullable<Schemas['ChooseRequest']['wishes']>;

/** Whether a material is seated on seconds of exposure and not on a bed temperature. */
export function isResin(catalogue: Schemas['Catalogue'], materialId: string): boolean {
    return catalogue.materials.find((each) => each.id === materialId)?.kind === 'resin';
}

export const CRITERION_WORDS: Record<Schemas['Criterion'], string> = {
    chance: 'Chance of success',
    consumable: 'Less consumable',
    turnaround: 'Shorter turnaround',
    cost: 'Lower cost per print',
    energy: 'Less energy',
};

export const USUAL_ORDER: Schemas['Criterion'][] = ['chance', 'consumable', 'turnaround', 'cost'];

export const FOOTHOLD_WORDS: Record<Schemas['FootholdKind'], string> = { none: 'nothing', brim: 'brim', ears: 'ears', raft: 'raft' };

export const FINISH_WORDS: Record<Schemas['Finish'], string> = { gloss: 'gloss', satin: 'satin', texture: 'texture', pattern: 'pattern' };
