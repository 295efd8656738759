import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ownMaterialsQuery, ownSurfacesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useQuantity } from '../ui/quantity';
import { MarginNote } from '../ui/Sheet';
import { say, tell } from '../words/say';
import { FirstTests } from './FirstTests';
import { kept, Ledger, Row, type TabProps } from './Ledger';

type Opened = { of: 'surface' | 'material'; id: string; name: string };

export function OwnSurfaces(props: TabProps) {
    const { data: surfaces } = useSuspenseQuery(ownSurfacesQuery);
    const temperature = useQuantity('temperature');
    const [opened, setOpened] = useState<Opened | null>(null);
    return (
        <>
            <Ledger head={[say('shelf.surface_2'), say('shelf.stands_up_to'), say('shelf.the_chart'), say('shelf.source'), say('shelf.next')]} none={surfaces.length === 0 ? say('shelf.only_kinds_that_the_catalogue_does') : null}>
                {kept(surfaces, props, (s) => [s.name, s.source]).map((surface) => (
                    <Row
                        key={surface.id}
                        name={surface.name}
                        retired={surface.retired}
                        action={props.may ? () => props.onEdit({ kind: 'surface', row: surface, from: null }) : null}
                        copy={props.may ? () => props.onEdit({ kind: 'surface', row: null, from: surface }) : null}
                        cells={[surface.name, temperature.text(surface.limitC), lines(surface.chart.length), surface.source, <Next key="next" onOpen={() => setOpened({ of: 'surface', id: surface.id, name: surface.name })} name={surface.name} />]}
                    />
                ))}
            </Ledger>
            {opened ? <FirstTests {...opened} onDone={() => setOpened(null)} /> : null}
        </>
    );
}

export function OwnMaterials(props: TabProps) {
    const { data: materials } = useSuspenseQuery(ownMaterialsQuery);
    const temperature = useQuantity('temperature');
    const [opened, setOpened] = useState<Opened | null>(null);
    return (
        <>
            <Ledger head={[say('shelf.material'), say('shelf.bed'), say('shelf.the_chart'), say('shelf.source'), say('shelf.next')]} none={materials.length === 0 ? say('shelf.only_materials_that_the_catalogue_does') : null}>
                {kept(materials, props, (m) => [m.name, m.source]).map((material) => (
                    <Row
                        key={material.id}
                        name={material.name}
                        retired={material.retired}
                        action={props.may ? () => props.onEdit({ kind: 'material', row: material, from: null }) : null}
                        copy={props.may ? () => props.onEdit({ kind: 'material', row: null, from: material }) : null}
                        cells={[material.name, material.bedC ? say('shelf.to_3', { bare: temperature.bare(material.bedC[0] ?? 0), temperature: temperature.text(material.bedC[1] ?? 0) }) : '–', lines(material.chart.length), material.source, <Next key="next" onOpen={() => setOpened({ of: 'material', id: material.id, name: material.name })} name={material.name} />]}
                    />
                ))}
            </Ledger>
            {opened ? <FirstTests {...opened} onDone={() => setOpened(null)} /> : null}
        </>
    );
}

export function OwnKindsNote() {
    return (
        <MarginNote title={say('shelf.what_the_catalogue_does_not_have')}>
            <p>{say('shelf.name_a_kind_by_what_it')}</p>
            <p>{tell('shelf.a_maker_s_chart_is_where', { b: (words) => <strong>{words}</strong> })}</p>
            <p>
                {tell('shelf.first_tests_sets_the_chart_s', { b: (words) => <strong>{words}</strong> })}</p>
        </MarginNote>
    );
}

function Next({ onOpen, name }: { onOpen: () => void; name: string }) {
    return (
        <Button tone="quiet" className="px-2!" onClick={onOpen} aria-label={say('shelf.first_tests_of', { name })}>{say('shelf.first_tests')}</Button>
    );
}

function lines(count: number): string {
    return count === 0 ? 'none' : count === 1 ? say('shelf.1_line') : say('shelf.lines', { count });
}
