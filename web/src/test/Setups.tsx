import { useSuspenseQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';

import { agentsQuery, catalogueQuery, sidesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useErrors } from '../ui/DraftForm';
import { CheckField, QuantityField, SelectField } from '../ui/Field';
import { say } from '../words/say';
import type { SetupValues } from './planShape';

/** What differs: a letter for each setup. */
export function Setups({ resin, setups, onSetups }: { /** It has no bed to heat. */ resin: boolean; setups: SetupValues[]; onSetups: (setups: SetupValues[]) => void }) {
    const errorOf = useErrors();
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const change = (at: number, part: Partial<SetupValues>) => onSetups(setups.map((setup, i) => (i === at ? { ...setup, ...part } : setup)));
    const surface = (id: string) => catalogue.surfaces.find((each) => each.id === id)?.name ?? id;
    const last = setups[setups.length - 1];
    return (
        <section>
            <h2 className="mb-1">{say('test.what_differs')}</h2>
            <ol>
                {setups.map((setup, i) => (
                    <li key={i} className="grid grid-cols-[2rem_minmax(0,1fr)] gap-3 border-b border-line py-3">
                        <span className="pt-8 text-xl font-[650]">{String.fromCharCode(65 + i)}</span>
                        <div>
                            <div className="grid items-end gap-3 sm:grid-cols-2 lg:grid-cols-[minmax(0,2fr)_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)_auto_auto]">
                                <SelectField
                                    label={say('test.plate_and_side')}
                                    value={setup.plateSideId}
                                    onValue={(plateSideId) => change(i, { plateSideId })}
                                    empty={say('test.choose')}
                                    options={sides.filter((s) => (catalogue.surfaces.find((each) => each.id === s.surfaceId)?.kind === 'resin') === resin).map((s) => ({ value: s.id, label: `${s.label}, ${surface(s.surfaceId)}` }))}
                                    name={`setups.${i}.plateSideId`}
                                />
                                <SelectField label={say('test.agent')} name={`setups.${i}.agentId`} value={setup.agentId} onValue={(id) => change(i, { agentId: id || null })} empty={say('test.bare')} options={agents.filter((a) => !a.retired).map((a) => ({ value: a.id, label: a.name }))} />
                                {resin ? null : (
                                    <>
                                        <QuantityField label={say('test.bed_first')} kind="temperature" value={setup.bedFirstC} onValue={(bedFirstC) => change(i, { bedFirstC, unheated: false })} placeholder={setup.unheated ? say('test.off') : ''} name={`setups.${i}.bedFirstC`} />
                                        <QuantityField label={say('test.bed_after')} name={`setups.${i}.bedOtherC`} kind="temperature" value={setup.bedOtherC} onValue={(bedOtherC) => change(i, { bedOtherC })} placeholder={say('test.off')} />
                                        <CheckField label={say('test.bed_stays_cold')} checked={setup.unheated ?? false} onValue={(unheated) => change(i, unheated ? { unheated, bedFirstC: null, bedOtherC: null } : { unheated })} />
                                    </>
                                )}
                                <Button tone="quiet" aria-label={say('test.leave_out_setup', { fromCharCode: String.fromCharCode(65 + i) })} disabled={setups.length === 1} onClick={() => onSetups(setups.filter((_, at) => at !== i))}>
                                    <Trash2 className="size-5" aria-hidden />
                                </Button>
                            </div>
                            {errorOf(`setups.${i}`) ? <p className="mt-1 font-[650] text-fault">{errorOf(`setups.${i}`)}</p> : null}
                        </div>
                    </li>
                ))}
            </ol>
            <Button className="mt-3" onClick={() => onSetups([...setups, last ? { ...last } : { plateSideId: '', agentId: null, bedFirstC: null, bedOtherC: null, unheated: resin }])}>{say('test.add_a_setup')}</Button>
        </section>
    );
}
