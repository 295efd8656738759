import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { Cautions } from '../ui/Notice';
import { useQuantity } from '../ui/quantity';
import { say } from '../words/say';

type Catalogue = Schemas['Catalogue'];
type Fact = [name: string, value: string | null | undefined];

/** What the catalogue has on the material, the surface, its cleaners and the agents of a pair, each with what it rests on. */
export function EntryNotes({ catalogue, materialId, surfaceId, agentIds }: { catalogue: Catalogue; materialId: string; surfaceId: string; agentIds: string[] }) {
    const temperature = useQuantity('temperature');
    const span = (points: number[] | undefined) => {
        const [from, to] = points ?? [];
        if (from === undefined || to === undefined) return null;
        return from === to ? temperature.text(to) : say('choose.to', { from: temperature.bare(from), to: temperature.text(to) });
    };
    const material = catalogue.materials.find((each) => each.id === materialId);
    const surface = catalogue.surfaces.find((each) => each.id === surfaceId);
    const names = (ids: string[]) => ids.map((id) => catalogue.cleaners.find((each) => each.id === id)?.name ?? id).join(', ');
    return (
        <>
            {material ? (
                <Entry title={material.name} basis={material.basis}>
                    <Facts
                        facts={[
                            [say('choose.glass_transition'), span(material.glass_transition_c)],
                            [say('choose.crystallises'), material.crystallises_c ? say('choose.at_about', { crystallises_c: temperature.text(material.crystallises_c) }) : null],
                            [say('choose.usual_bed'), span(material.bed_c)],
                            [say('choose.usual_nozzle'), span(material.nozzle_c)],
                            [say('choose.expansion'), material.expansion_um_mk ? `${material.expansion_um_mk}e-6 /K` : null],
                            [say('choose.modulus'), material.modulus_gpa ? `${material.modulus_gpa} GPa` : null],
                            [say('choose.enclosure'), material.enclosure],
                            [say('choose.dry'), material.moisture ? say('choose.h_at_fit_for_about_days', { dry_hours: material.moisture.dry_hours, dry_c: temperature.text(material.moisture.dry_c), good_days: material.moisture.good_days }) : null],
                        ]}
                    />
                    {material.notes?.map((note) => <p key={note}>{note}</p>)}
                    {material.fumes ? <Cautions sentences={[say('choose.gives_off_fumes_ventilate_or_filter')]} /> : null}
                </Entry>
            ) : null}
            {surface ? (
                <Entry title={surface.name} basis={surface.basis}>
                    <p>{surface.grip}</p>
                    <Facts
                        facts={[
                            [say('choose.stands'), surface.kind === 'resin' ? null : surface.limit_c === undefined ? say('choose.nobody_knows_ask_its_maker') : temperature.text(surface.limit_c)],
                            [say('choose.nozzle_at_most'), surface.nozzle_limit_c ? temperature.text(surface.nozzle_limit_c) : null],
                            [say('choose.underside'), surface.finish],
                            [say('choose.alcohol_at_most'), surface.alcohol_max_percent ? `${surface.alcohol_max_percent} %` : null],
                            [say('choose.attacked_by'), surface.harmed_by ? names(surface.harmed_by) : null],
                            [say('choose.lasts_about'), say('choose.prints', { life_prints: surface.life_prints })],
                        ]}
                    />
                    <p>{surface.cleaning}</p>
                    <p>{surface.release_way}</p>
                    {surface.done_hot ? <p>{say('choose.pulled_off_hot', { done_hot: surface.done_hot })}</p> : null}
                    <Cautions sentences={surface.cautions ?? []} />
                </Entry>
            ) : null}
            {catalogue.cleaners
                .filter((each) => surface?.cleaners.includes(each.id))
                .map((cleaner) => (
                    <Entry key={cleaner.id} title={say('choose.cleaned_with', { cleaner: cleaner.name })} basis={cleaner.basis}>
                        <p>{cleaner.how}</p>
                        <Cautions sentences={cleaner.hazard ? [cleaner.hazard] : []} />
                    </Entry>
                ))}
            {catalogue.agents
                .filter((each) => agentIds.includes(each.id))
                .map((agent) => (
                    <Entry key={agent.id} title={agent.name} basis={agent.basis}>
                        <p>{agent.put_on}</p>
                        <p>
                            {say('choose.off_with', { lasts: agent.lasts, off_with: agent.off_with })}
                        </p>
                        <Cautions sentences={agent.hazard ? [agent.hazard] : []} />
                    </Entry>
                ))}
        </>
    );
}

function Entry({ title, basis, children }: { title: string; basis: string | undefined; children: ReactNode }) {
    return (
        <details>
            <summary className="flex min-h-11 cursor-pointer items-center border-b border-line text-ink underline decoration-line underline-offset-4">{title}</summary>
            <div className="my-2 flex flex-col gap-2">
                {children}
                {basis ? <p className="text-sm">{say('choose.basis', { basis })}</p> : null}
            </div>
        </details>
    );
}

function Facts({ facts }: { facts: Fact[] }) {
    return (
        <dl className="text-sm">
            {facts
                .filter(([, value]) => value)
                .map(([name, value]) => (
                    <div key={name} className="flex justify-between gap-3 border-b border-line py-1">
                        <dt>{name}</dt>
                        <dd className="text-right text-ink">{value}</dd>
                    </div>
                ))}
        </dl>
    );
}
