import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ownMaterialsQuery, ownSurfacesQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { useQuantity } from '../ui/quantity';
import { MarginNote } from '../ui/Sheet';
import { FirstTests } from './FirstTests';
import { kept, Ledger, Row, type TabProps } from './Ledger';

type Opened = { path: string; name: string };

export function OwnSurfaces(props: TabProps) {
    const { data: surfaces } = useSuspenseQuery(ownSurfacesQuery);
    const temperature = useQuantity('temperature');
    const [opened, setOpened] = useState<Opened | null>(null);
    return (
        <>
            <Ledger head={['Surface', 'Stands up to', 'The chart', 'Source', 'Next']} none={surfaces.length === 0 ? 'Only kinds that the catalogue does not have stand here. Add one with its limits, its build and its maker’s chart.' : null}>
                {kept(surfaces, props, (s) => [s.name, s.source]).map((surface) => (
                    <Row
                        key={surface.id}
                        name={surface.name}
                        retired={surface.retired}
                        action={props.may ? () => props.onEdit({ kind: 'surface', row: surface, from: null }) : null}
                        copy={props.may ? () => props.onEdit({ kind: 'surface', row: null, from: surface }) : null}
                        cells={[surface.name, temperature.text(surface.limitC), lines(surface.chart.length), surface.source, <Next key="next" onOpen={() => setOpened({ path: `/own-surfaces/${surface.id}`, name: surface.name })} name={surface.name} />]}
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
            <Ledger head={['Material', 'Bed', 'The chart', 'Source', 'Next']} none={materials.length === 0 ? 'Only materials that the catalogue does not have stand here. Add one with its figures and its maker’s chart.' : null}>
                {kept(materials, props, (m) => [m.name, m.source]).map((material) => (
                    <Row
                        key={material.id}
                        name={material.name}
                        retired={material.retired}
                        action={props.may ? () => props.onEdit({ kind: 'material', row: material, from: null }) : null}
                        copy={props.may ? () => props.onEdit({ kind: 'material', row: null, from: material }) : null}
                        cells={[material.name, material.bedC ? `${temperature.bare(material.bedC[0] ?? 0)} to ${temperature.text(material.bedC[1] ?? 0)}` : '–', lines(material.chart.length), material.source, <Next key="next" onOpen={() => setOpened({ path: `/own-materials/${material.id}`, name: material.name })} name={material.name} />]}
                    />
                ))}
            </Ledger>
            {opened ? <FirstTests {...opened} onDone={() => setOpened(null)} /> : null}
        </>
    );
}

export function OwnKindsNote() {
    return (
        <MarginNote title="What the catalogue does not have">
            <p>Name a kind by what it is, and enter what stands on its box: limits, build, and what the chart says of each material.</p>
            <p>
                A maker’s chart is <strong>where to start</strong>. It counts half of what practice counts, and each line says so, until runs of your own confirm or refute it.
            </p>
            <p>
                <strong>First tests</strong> sets the chart’s ways beside what is proven here, on plates, lots and printers that you have.
            </p>
        </MarginNote>
    );
}

function Next({ onOpen, name }: { onOpen: () => void; name: string }) {
    return (
        <Button tone="quiet" className="px-2!" onClick={onOpen} aria-label={`First tests of ${name}`}>
            First tests
        </Button>
    );
}

function lines(count: number): string {
    return count === 0 ? 'none' : count === 1 ? '1 line' : `${count} lines`;
}
