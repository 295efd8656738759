import { Trash2 } from 'lucide-react';

import type { Schemas } from '../api/client';
import { say } from '../words/say';
import { Button } from './Button';
import { useDrawn, useErrors } from './DraftForm';
import { NumberField, QuantityField, SelectField } from './Field';
import { useQuantity } from './quantity';

export type Layers = Schemas['Layer'][];

type Props = { label: string; layers: Layers; onLayers: (layers: Layers) => void; materials: { id: string; name: string }[]; withContact?: boolean; name?: string };

/** Layers from below: what each is made of and how thick it is. */
export function LayersField({ label, layers, onLayers, materials, withContact = false, name }: Props) {
    const length = useQuantity('length');
    const words = (all: Layers) => all.map(({ of, mm }) => `${materials.find((m) => m.id === of)?.name ?? of} ${length.text(mm)}`).join(', ');
    useDrawn(name, { label, show: (each) => (Array.isArray(each) && each.length > 0 ? words(each as Layers) : '–') });
    const errorOf = useErrors();
    const error = (at: number) => (name === undefined ? undefined : (errorOf(`${name}.${at}.of`) ?? errorOf(`${name}.${at}.mm`) ?? (at === 0 ? errorOf(name) : undefined)));
    const change = (at: number, part: Partial<Layers[number]>) => onLayers(layers.map((layer, i) => (i === at ? { ...layer, ...part } : layer)));
    return (
        <fieldset className="min-w-0">
            <legend className="mb-1 text-sm font-[650]">{say('ui.from_below', { label })}</legend>
            <ol className="flex flex-col gap-2">
                {layers.map((layer, i) => (
                    <li key={i} className={`grid items-end gap-2 ${withContact ? 'grid-cols-[minmax(0,1fr)_5rem_7rem_auto]' : 'grid-cols-[minmax(0,1fr)_6rem_auto]'}`}>
                        <SelectField label={say('ui.layer', { i: i + 1 })} value={layer.of} onValue={(of) => change(i, { of })} options={materials.map((m) => ({ value: m.id, label: m.name }))} error={error(i)} />
                        <QuantityField label={say('ui.thickness')} kind="length" value={layer.mm} onValue={(mm) => mm !== null && mm > 0 && change(i, { mm })} />
                        {withContact ? <NumberField label={say('ui.contact_1e_4')} value={layer.contactM2KW ? Math.round(layer.contactM2KW * 1e5) / 10 : 0} onValue={(n) => n !== null && n >= 0 && change(i, { contactM2KW: n / 1e4 })} /> : null}
                        <Button tone="quiet" aria-label={say('ui.leave_out_layer_of', { i: i + 1, label })} onClick={() => onLayers(layers.filter((_, at) => at !== i))}>
                            <Trash2 className="size-5" aria-hidden />
                        </Button>
                    </li>
                ))}
            </ol>
            <Button tone="quiet" onClick={() => onLayers([...layers, { of: materials[0]?.id ?? '', mm: 1 }])}>{say('ui.add_a_layer')}</Button>
        </fieldset>
    );
}
