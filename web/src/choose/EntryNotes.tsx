import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { Cautions } from '../ui/Notice';
import { useQuantity } from '../ui/quantity';

type Catalogue = Schemas['Catalogue'];
type Fact = [name: string, value: string | null | undefined];

/** What the catalogue has on the material, the surface, its cleaners and the agents of a pair, each with what it rests on. */
export function EntryNotes({ catalogue, materialId, surfaceId, agentIds }: { catalogue: Catalogue; materialId: string; surfaceId: string; agentIds: string[] }) {
    const temperature = useQuantity('temperature');
    const span = (points: number[] | undefined) => {
        const [from, to] = points ?? [];
        if (from === undefined || to === undefined) return null;
        return from === to ? temperature.text(to) : `${temperature.bare(from)} to ${temperature.text(to)}`;
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
                            ['Glass transition', span(material.glass_transition_c)],
                            ['Crystallises', material.crystallises_c ? `at about ${temperature.text(material.crystallises_c)}` : null],
                            ['Usual bed', span(material.bed_c)],
                            ['Usual nozzle', span(material.nozzle_c)],
                            ['Expansion', material.expansion_um_mk ? `${material.expansion_um_mk}e-6 /K` : null],
                            ['Modulus', material.modulus_gpa ? `${material.modulus_gpa} GPa` : null],
                            ['Enclosure', material.enclosure],
                            ['Dry', material.moisture ? `${material.moisture.dry_hours} h at ${temperature.text(material.moisture.dry_c)}; fit for about ${material.moisture.good_days} days` : null],
                        ]}
                    />
                    {material.notes?.map((note) => <p key={note}>{note}</p>)}
                    {material.fumes ? <Cautions sentences={['Gives off fumes: ventilate or filter.']} /> : null}
                </Entry>
            ) : null}
            {surface ? (
                <Entry title={surface.name} basis={surface.basis}>
                    <p>{surface.grip}</p>
                    <Facts
                        facts={[
                            ['Stands', surface.kind === 'resin' ? null : temperature.text(surface.limit_c)],
                            ['Nozzle at most', surface.nozzle_limit_c ? temperature.text(surface.nozzle_limit_c) : null],
                            ['Underside', surface.finish],
                            ['Alcohol at most', surface.alcohol_max_percent ? `${surface.alcohol_max_percent} %` : null],
                            ['Attacked by', surface.harmed_by ? names(surface.harmed_by) : null],
                            ['Lasts about', `${surface.life_prints} prints`],
                        ]}
                    />
                    <p>{surface.cleaning}</p>
                    <p>{surface.release_way}</p>
                    {surface.done_hot ? <p>Done hot: {surface.done_hot}</p> : null}
                    <Cautions sentences={surface.cautions ?? []} />
                </Entry>
            ) : null}
            {catalogue.cleaners
                .filter((each) => surface?.cleaners.includes(each.id))
                .map((cleaner) => (
                    <Entry key={cleaner.id} title={`Cleaned with ${cleaner.name}`} basis={cleaner.basis}>
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
                            {agent.lasts} Off with: {agent.off_with}
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
                {basis ? <p className="text-sm">Basis: {basis}.</p> : null}
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
