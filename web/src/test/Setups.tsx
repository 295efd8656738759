import { useSuspenseQuery } from '@tanstack/react-query';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';

import type { Problem } from '../api/client';
import { agentsQuery, catalogueQuery, lotsQuery, sidesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useErrors } from '../ui/DraftForm';
import { CheckField, NumberField, QuantityField, SelectField, TextField } from '../ui/Field';
import { say } from '../words/say';
import { letter } from './letter';
import type { SetupValues } from './planShape';

type Change = (part: Partial<SetupValues>) => void;

const NEW: SetupValues = { plateSideId: '', agentId: null, bedFirstC: null, bedOtherC: null, unheated: false };

/** What differs: a letter for each setup, in words until somebody changes it. */
export function Setups({ resin, setups, onSetups, names, wrong, also }: { /** It has no bed to heat. */ resin: boolean; setups: SetupValues[]; onSetups: (setups: SetupValues[]) => void; /** As the server calls them; none while it has not answered. */ names: string[]; /** What the server has against the plan as it stands. */ wrong: Problem | undefined; /** Beside the button for one more. */ also?: ReactNode }) {
    const errorOf = useErrors();
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const surfaceOf = (sideId: string) => catalogue.surfaces.find((each) => each.id === sides.find((side) => side.id === sideId)?.surfaceId)?.name;
    const [open, setOpen] = useState<number | null>(null);
    const last = setups[setups.length - 1];
    const faults = ['', '.plateSideId', '.bedFirstC', '.bedOtherC', '.exposureS', '.gapMm', '.nozzleFirstC', '.speedMmS', '.lotId'];
    const faulty = (i: number) => faults.some((field) => Boolean(errorOf(`setups.${i}${field}`) ?? wrong?.of(`setups.${i}${field}`)));
    return (
        <section>
            <h2 className="mb-1">{say('test.what_differs')}</h2>
            <ol>
                {setups.map((setup, i) => {
                    const name = names[i];
                    const shut = i !== open && !faulty(i);
                    return (
                        <li key={i} className="border-b border-line py-1.5">
                            <div className="flex items-center gap-3">
                                <span className="w-6 text-xl font-[650]">{letter(i)}</span>
                                <span className="min-w-0 flex-1">
                                    {name?.replace(/^[A-Z]: /, '') ?? '…'} <span className="text-soft">{shut ? surfaceOf(setup.plateSideId) : ''}</span>
                                </span>
                                {shut ? (
                                    <Button tone="quiet" aria-label={say('test.change_setup', { letter: letter(i) })} onClick={() => setOpen(i)}>
                                        <Pencil className="size-5" aria-hidden />
                                    </Button>
                                ) : null}
                                <Button tone="quiet" aria-label={say('test.leave_out_setup', { fromCharCode: letter(i) })} disabled={setups.length === 1} onClick={() => onSetups(setups.filter((_, at) => at !== i))}>
                                    <Trash2 className="size-5" aria-hidden />
                                </Button>
                            </div>
                            {shut ? null : (
                                <div className="pb-2 sm:pl-9">
                                    <SetupFields resin={resin} setup={setup} at={`setups.${i}`} change={(part) => onSetups(setups.map((each, other) => (other === i ? { ...each, ...part } : each)))} />
                                    {errorOf(`setups.${i}`) ? <p className="mt-1 font-[650] text-fault">{errorOf(`setups.${i}`)}</p> : null}
                                </div>
                            )}
                        </li>
                    );
                })}
            </ol>
            <div className="mt-3 flex flex-wrap gap-2">
                <Button
                    onClick={() => {
                        setOpen(setups.length);
                        onSetups([...setups, last ? { ...last } : NEW]);
                    }}
                >
                    {say('test.add_a_setup')}
                </Button>
                {also}
            </div>
        </section>
    );
}

function SetupFields({ resin, setup, at, change }: { resin: boolean; setup: SetupValues; at: string; change: Change }) {
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    return (
        <>
            <div className="grid items-end gap-3 sm:grid-cols-2 lg:grid-cols-[minmax(0,2fr)_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_auto]">
                <SelectField
                    label={say('test.plate_and_side')}
                    value={setup.plateSideId}
                    onValue={(plateSideId) => change({ plateSideId })}
                    empty={say('test.choose')}
                    options={sides.filter((s) => (catalogue.surfaces.find((each) => each.id === s.surfaceId)?.kind === 'resin') === resin).map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.surfaceId)}` }))}
                    name={`${at}.plateSideId`}
                />
                <SelectField label={say('test.agent')} name={`${at}.agentId`} value={setup.agentId} onValue={(id) => change({ agentId: id || null })} empty={say('test.bare')} options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
                {resin ? (
                    <NumberField label={say('test.exposure_s')} name={`${at}.exposureS`} value={setup.exposureS ?? null} onValue={(exposureS) => change({ exposureS })} />
                ) : (
                    <>
                        <QuantityField label={say('test.bed_first')} kind="temperature" value={setup.bedFirstC} onValue={(bedFirstC) => change({ bedFirstC, unheated: false })} placeholder={setup.unheated ? say('test.off') : ''} name={`${at}.bedFirstC`} />
                        <QuantityField label={say('test.bed_after')} name={`${at}.bedOtherC`} kind="temperature" value={setup.bedOtherC} onValue={(bedOtherC) => change({ bedOtherC })} placeholder={say('test.off')} />
                        <CheckField label={say('test.bed_stays_cold')} checked={setup.unheated ?? false} onValue={(unheated) => change(unheated ? { unheated, bedFirstC: null, bedOtherC: null } : { unheated })} />
                    </>
                )}
            </div>
            {resin ? null : <OwnFirstLayer setup={setup} at={at} change={change} />}
        </>
    );
}

/** Where this setup has a lot or a first layer of its own. */
function OwnFirstLayer({ setup, at, change }: { setup: SetupValues; at: string; change: Change }) {
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const own = [setup.lotId, setup.gapMm, setup.nozzleFirstC, setup.speedMmS, setup.brim].some((each) => each !== null && each !== undefined) || setup.takenHot === true;
    const [open, setOpen] = useState(own);
    if (!open) {
        return (
            <Button tone="quiet" onClick={() => setOpen(true)}>
                {say('test.own_lot_or_first_layer')}
            </Button>
        );
    }
    const as = say('test.as_held_constant');
    return (
        <div className="mt-3 grid items-end gap-3 sm:grid-cols-3 lg:grid-cols-5">
            <SelectField label={say('test.lot')} name={`${at}.lotId`} value={setup.lotId ?? ''} onValue={(id) => change({ lotId: id || null })} empty={as} options={lots.filter((each) => !each.retired).map((each) => ({ value: each.id, label: `${catalogue.materials.find((m) => m.id === each.materialId)?.name ?? ''} ${each.label}` }))} />
            <QuantityField label={say('test.first_layer_gap')} kind="length" name={`${at}.gapMm`} value={setup.gapMm ?? null} onValue={(gapMm) => change({ gapMm })} placeholder={as} />
            <QuantityField label={say('test.nozzle_first_layer')} kind="temperature" name={`${at}.nozzleFirstC`} value={setup.nozzleFirstC ?? null} onValue={(nozzleFirstC) => change({ nozzleFirstC })} placeholder={as} />
            <NumberField label={say('test.first_layer_speed_mm_s')} name={`${at}.speedMmS`} value={setup.speedMmS ?? null} onValue={(speedMmS) => change({ speedMmS })} placeholder={as} />
            <TextField label={say('test.brim')} name={`${at}.brim`} value={setup.brim ?? ''} onValue={(brim) => change({ brim: brim === '' ? null : brim })} placeholder={as} />
            <CheckField label={say('test.taken_off_hot')} checked={setup.takenHot ?? false} onValue={(takenHot) => change({ takenHot })} />
        </div>
    );
}
