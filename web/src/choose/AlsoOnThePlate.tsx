import type { Schemas } from '../api/client';
import { SelectField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { say } from '../words/say';
import { isResin } from './request';

/** Further materials of the first layer, one by one. */
export function AlsoOnThePlate({ also, onAlso, not, catalogue }: { also: string[]; onAlso: (also: string[]) => void; not: string; catalogue: Schemas['Catalogue'] }) {
    const free = (own: string) => inUse(catalogue.materials, own).filter((each) => each.value === own || (each.value !== not && !isResin(catalogue, each.value) && !also.includes(each.value)));
    return (
        <>
            {[...also, ''].map((id, i) => (
                <SelectField key={i} label={say('choose.also_on_the_plate')} value={id} onValue={(next) => onAlso(next === '' ? also.filter((_, at) => at !== i) : [...also.slice(0, i), next, ...also.slice(i + 1)])} empty={say('choose.nothing_else')} options={free(id)} />
            ))}
        </>
    );
}
