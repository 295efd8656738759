import { useSuspenseQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, lotsQuery, sidesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { CheckField, NumberField, QuantityField, TextField } from '../ui/Field';
import { say } from '../words/say';

type Levels = NonNullable<Schemas['BeginPlan']['combine']>;

/** So many levels of a figure anybody compares at once. */
const LEVELS = [0, 1, 2, 3];

const MOST_WITHOUT_SEARCH = 24;
const MOST_SHOWN = 60;

/** Which plates, agents, temperatures, speeds and lots: every combination of them becomes a setup. */
export function Combine({ resin, lotId, onMake, onDone }: { resin: boolean; lotId: string; onMake: (levels: Levels) => void; onDone: () => void }) {
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const [plates, setPlates] = useState<string[]>([]);
    const [coats, setCoats] = useState<(string | null)[]>([null]);
    const [others, setOthers] = useState<string[]>([]);
    const [beds, setBeds] = useState<(number | null)[]>([]);
    const [speeds, setSpeeds] = useState<(number | null)[]>([]);
    const [find, setFind] = useState('');
    const [cold, setCold] = useState(false);
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id);
    const fitting = sides.filter((side) => (surface(side.surfaceId)?.kind === 'resin') === resin);
    const given = (figures: (number | null)[]) => [...new Set(figures.filter((each) => each !== null))];
    const material = lots.find((lot) => lot.id === lotId)?.materialId;
    return (
        <Dialog title={say('test.every_combination_of')} wide open onOpen={(open) => !open && onDone()}>
            <div className="flex flex-col gap-5">
                {fitting.length > MOST_WITHOUT_SEARCH ? <TextField label={say('test.find_a_plate')} value={find} onValue={setFind} /> : null}
                <Group title={say('test.plates')}>
                    {fitting
                        .filter((side) => plates.includes(side.id) || `${side.label}, ${surface(side.surfaceId)?.name ?? ''}`.toLowerCase().includes(find.toLowerCase()))
                        .slice(0, MOST_SHOWN)
                        .map((side) => (
                            <CheckField key={side.id} label={`${side.label}, ${surface(side.surfaceId)?.name ?? ''}`} checked={plates.includes(side.id)} onValue={(on) => setPlates(on ? [...plates, side.id] : plates.filter((each) => each !== side.id))} />
                        ))}
                </Group>
                <Group title={say('test.agents')}>
                    {[{ id: null, name: say('test.bare') }, ...agents.filter((each) => !each.retired)].map((agent) => (
                        <CheckField key={agent.id} label={agent.name} checked={coats.includes(agent.id)} onValue={(on) => setCoats(on ? [...coats, agent.id] : coats.filter((each) => each !== agent.id))} />
                    ))}
                </Group>
                {resin ? null : (
                    <>
                        <Group title={say('test.beds_none_as_usual')}>
                            {LEVELS.map((i) => (
                                <QuantityField key={i} label={say('test.bed_n', { n: i + 1 })} kind="temperature" value={beds[i] ?? null} onValue={(bed) => setBeds(LEVELS.map((at) => (at === i ? bed : (beds[at] ?? null))))} />
                            ))}
                            <CheckField label={say('test.also_unheated')} checked={cold} onValue={setCold} />
                        </Group>
                        <Group title={say('test.speeds_none_as_held')}>
                            {LEVELS.slice(0, 3).map((i) => (
                                <NumberField key={i} label={say('test.speed_n', { n: i + 1 })} value={speeds[i] ?? null} onValue={(speed) => setSpeeds(LEVELS.map((at) => (at === i ? speed : (speeds[at] ?? null))))} />
                            ))}
                        </Group>
                    </>
                )}
                <Group title={say('test.lots_none_as_the_plan')}>
                    {lots
                        .filter((lot) => !lot.retired && (catalogue.materials.find((each) => each.id === lot.materialId)?.kind === 'resin') === resin)
                        .map((lot) => (
                            <CheckField
                                key={lot.id}
                                label={`${catalogue.materials.find((each) => each.id === lot.materialId)?.name ?? ''} ${lot.label}${lot.materialId === material ? '' : ` (${say('test.other_material')})`}`}
                                checked={others.includes(lot.id)}
                                onValue={(on) => setOthers(on ? [...others, lot.id] : others.filter((each) => each !== lot.id))}
                            />
                        ))}
                </Group>
                <Button
                    tone="main"
                    disabled={plates.length === 0 || coats.length === 0}
                    onClick={() => {
                        onMake({ sides: plates, agents: coats, bedsC: [...given(beds), ...(cold ? [null] : [])], speedsMmS: given(speeds), lots: others });
                        onDone();
                    }}
                >
                    {say('test.make_them')}
                </Button>
            </div>
        </Dialog>
    );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
    return (
        <fieldset>
            <legend className="mb-1 font-[650]">{title}</legend>
            <div className="grid items-end gap-x-5 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">{children}</div>
        </fieldset>
    );
}
