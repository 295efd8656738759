import { Trash2 } from 'lucide-react';

import type { Schemas } from '../api/client';
import { Button } from './Button';
import { NumberField, SelectField } from './Field';

export type Layers = Schemas['Layer'][];

type Props = { label: string; layers: Layers; onLayers: (layers: Layers) => void; materials: { id: string; name: string }[]; withContact?: boolean; error?: (at: number) => string | undefined };

/** Layers from below: what each is made of and how thick it is. */
export function LayersField({ label, layers, onLayers, materials, withContact = false, error }: Props) {
    const change = (at: number, part: Partial<Layers[number]>) => onLayers(layers.map((layer, i) => (i === at ? { ...layer, ...part } : layer)));
    return (
        <fieldset className="min-w-0">
            <legend className="mb-1 text-sm font-[650]">{label}, from below</legend>
            <ol className="flex flex-col gap-2">
                {layers.map((layer, i) => (
                    <li key={i} className={`grid items-end gap-2 ${withContact ? 'grid-cols-[minmax(0,1fr)_5rem_7rem_auto]' : 'grid-cols-[minmax(0,1fr)_6rem_auto]'}`}>
                        <SelectField label={`Layer ${i + 1}`} value={layer.of} onValue={(of) => change(i, { of })} options={materials.map((m) => ({ value: m.id, label: m.name }))} error={error?.(i)} />
                        <NumberField label="mm" value={layer.mm} onValue={(mm) => mm !== null && mm > 0 && change(i, { mm })} />
                        {withContact ? <NumberField label="Contact, 1e-4" value={layer.contactM2KW ? Math.round(layer.contactM2KW * 1e5) / 10 : 0} onValue={(n) => n !== null && n >= 0 && change(i, { contactM2KW: n / 1e4 })} /> : null}
                        <Button tone="quiet" aria-label={`Leave out layer ${i + 1} of ${label}`} onClick={() => onLayers(layers.filter((_, at) => at !== i))}>
                            <Trash2 className="size-5" aria-hidden />
                        </Button>
                    </li>
                ))}
            </ol>
            <Button tone="quiet" onClick={() => onLayers([...layers, { of: materials[0]?.id ?? '', mm: 1 }])}>
                Add a layer
            </Button>
        </fieldset>
    );
}
