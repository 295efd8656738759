import { useSuspenseQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { useState } from 'react';

import { agentsQuery, catalogueQuery, gaugesQuery, lotsQuery, platesQuery, printersQuery, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { CheckField, TextField } from '../ui/Field';
import { day, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { AgentForm, FittingForm, GaugeForm, LotForm, PlateForm, PrinterForm } from './forms';
import { kept, Ledger, Row, type Editing, type TabProps } from './Ledger';
import { OwnMaterialForm } from './OwnMaterialForm';
import { OwnKindsNote, OwnMaterials, OwnSurfaces } from './OwnKinds';
import { OwnSurfaceForm } from './OwnSurfaceForm';

const TABS = [
    { value: 'plate', label: 'Plates' },
    { value: 'printer', label: 'Printers' },
    { value: 'agent', label: 'Agents' },
    { value: 'lot', label: 'Lots' },
    { value: 'gauge', label: 'Gauges' },
    { value: 'surface', label: 'Own surfaces' },
    { value: 'material', label: 'Own materials' },
] as const;

export function Shelf() {
    const may = useMay();
    const [tab, setTab] = useState<(typeof TABS)[number]['value']>('plate');
    const [editing, setEditing] = useState<Editing | null>(null);
    const [find, setFind] = useState('');
    const [retired, setRetired] = useState(false);
    const done = () => setEditing(null);
    const list = { onEdit: setEditing, may: may.test, find: find.trim().toLowerCase(), retired };
    const names = { plate: 'plate', printer: 'printer', agent: 'agent', lot: 'lot', gauge: 'gauge', surface: 'kind of surface', material: 'material' };
    return (
        <Sheet
            title="Shelf"
            lead="What the workshop has: Choose looks only at this."
            actions={
                may.test ? (
                    <Button tone="main" onClick={() => setEditing({ kind: tab, row: null, from: null })}>
                        New {names[tab]}
                    </Button>
                ) : null
            }
            margin={
                tab === 'surface' || tab === 'material' ? (
                    <OwnKindsNote />
                ) : (
                    <MarginNote title="Numbers on plates">
                        <p>Number every plate: engrave a corner. Plates of one name differ by lot, so a result belongs to a plate, a side and the sheet that lay on it.</p>
                        <p>
                            A <strong>new sheet</strong> on an old plate is a new surface: what was proven on the old one no longer counts.
                        </p>
                        <p>Nothing is deleted. What is gone is retired, and its results stay.</p>
                    </MarginNote>
                )
            }
        >
            <Tabs.Root value={tab} onValueChange={(value) => setTab(value as typeof tab)}>
                <Tabs.List aria-label="Shelf" className="mb-4 flex flex-wrap border-b-2 border-line">
                    {TABS.map((each) => (
                        <Tabs.Trigger key={each.value} value={each.value} className="min-h-11 px-3 sm:px-4 data-[state=active]:-mb-0.5 data-[state=active]:border-b-4 data-[state=active]:border-accent data-[state=active]:font-[650]">
                            {each.label}
                        </Tabs.Trigger>
                    ))}
                </Tabs.List>
                <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
                    <div className="w-64">
                        <TextField label="Find" type="search" value={find} onValue={setFind} />
                    </div>
                    <CheckField label="Show what is retired" checked={retired} onValue={setRetired} />
                </div>
                <Tabs.Content value="plate">
                    <Plates {...list} />
                </Tabs.Content>
                <Tabs.Content value="printer">
                    <Printers {...list} />
                </Tabs.Content>
                <Tabs.Content value="agent">
                    <Agents {...list} />
                </Tabs.Content>
                <Tabs.Content value="lot">
                    <Lots {...list} />
                </Tabs.Content>
                <Tabs.Content value="gauge">
                    <Gauges {...list} />
                </Tabs.Content>
                <Tabs.Content value="surface">
                    <OwnSurfaces {...list} />
                </Tabs.Content>
                <Tabs.Content value="material">
                    <OwnMaterials {...list} />
                </Tabs.Content>
            </Tabs.Root>
            {editing?.kind === 'printer' ? <PrinterForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'plate' ? <PlateForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'agent' ? <AgentForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'lot' ? <LotForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'gauge' ? <GaugeForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'surface' ? <OwnSurfaceForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'material' ? <OwnMaterialForm row={editing.row} from={editing.from} onDone={done} /> : null}
            {editing?.kind === 'fitting' ? <FittingForm side={editing.row} onDone={done} /> : null}
        </Sheet>
    );
}

function Plates(props: TabProps) {
    const { onEdit, may } = props;
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const length = useQuantity('length');
    const surface = (id: string) => catalogue.surfaces.find((s) => s.id === id)?.name;
    return (
        <Ledger head={['Plate', 'Sides', 'Size', 'Printer', 'Note']} none={plates.length === 0 ? 'No plates yet. Number one and put it here.' : null}>
            {kept(plates, props, (p) => [p.number, p.note, printers.find((each) => each.id === p.printerId)?.name, ...p.sides.flatMap((side) => [side.fitting.surfaceLot, surface(side.fitting.surfaceId)])])
                .sort((a, b) => a.number.localeCompare(b.number, undefined, { numeric: true }))
                .map((plate) => (
                    <Row
                        key={plate.id}
                        name={plate.number}
                        retired={plate.retired}
                        action={may ? () => onEdit({ kind: 'plate', row: plate, from: null }) : null}
                    copy={may ? () => onEdit({ kind: 'plate', row: null, from: plate }) : null}
                        cells={[
                            plate.number,
                            <ul key="sides">
                                {plate.sides.map((side) => (
                                    <li key={side.id} className="flex flex-wrap items-baseline gap-x-3">
                                        <span>
                                            {side.face}: <strong>{surface(side.fitting.surfaceId)}</strong>{' '}
                                            <span className="text-soft">
                                                {side.fitting.surfaceLot}, {day(side.fitting.fittedAt)}
                                            </span>
                                        </span>
                                        {may ? (
                                            <button className="min-h-11 text-accent underline underline-offset-4" onClick={() => onEdit({ kind: 'fitting', row: side })}>
                                                New sheet
                                            </button>
                                        ) : null}
                                    </li>
                                ))}
                            </ul>,
                            <span key="size" className="whitespace-nowrap">{`${length.bare(plate.widthMm)} × ${length.text(plate.depthMm)}`}</span>,
                            <span key="printer" className="whitespace-nowrap">{printers.find((p) => p.id === plate.printerId)?.name}</span>,
                            plate.note,
                        ]}
                    />
                ))}
        </Ledger>
    );
}

function Printers(props: TabProps) {
    const { onEdit, may } = props;
    const { data: printers } = useSuspenseQuery(printersQuery);
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    return (
        <Ledger head={['Printer', 'Kind', 'Bed', 'Bed up to', 'Nozzle up to', 'Magnets up to', 'Enclosed']} none={printers.length === 0 ? 'No printers yet.' : null}>
            {kept(printers, props, (p) => [p.name, p.kind, p.holdDown]).map((printer) => (
                <Row
                    key={printer.id}
                    name={printer.name}
                    retired={printer.retired}
                    action={may ? () => onEdit({ kind: 'printer', row: printer, from: null }) : null}
                    copy={may ? () => onEdit({ kind: 'printer', row: null, from: printer }) : null}
                    cells={[
                        printer.name,
                        printer.kind,
                        `${length.bare(printer.bedWidthMm)} × ${length.text(printer.bedDepthMm)}`,
                        typeof printer.maxBedC === 'number' ? temperature.text(printer.maxBedC) : 'unheated',
                        printer.kind === 'filament' ? temperature.text(printer.maxNozzleC) : '–',
                        typeof printer.magnetLimitC === 'number' ? temperature.text(printer.magnetLimitC) : '–',
                        printer.enclosed ? 'yes' : 'no',
                    ]}
                />
            ))}
        </Ledger>
    );
}

function Agents(props: TabProps) {
    const { onEdit, may } = props;
    const { data: agents } = useSuspenseQuery(agentsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    return (
        <Ledger head={['Agent', 'Kind', 'Batch', 'Opened']} none={agents.length === 0 ? 'No agents yet; bare is always tried.' : null}>
            {kept(agents, props, (a) => [a.name, a.batch, catalogue.agents.find((each) => each.id === a.kindId)?.name]).map((agent) => (
                <Row
                    key={agent.id}
                    name={agent.name}
                    retired={agent.retired}
                    action={may ? () => onEdit({ kind: 'agent', row: agent, from: null }) : null}
                    copy={may ? () => onEdit({ kind: 'agent', row: null, from: agent }) : null}
                    cells={[agent.name, catalogue.agents.find((a) => a.id === agent.kindId)?.name, agent.batch, agent.openedOn ? day(agent.openedOn) : '']}
                />
            ))}
        </Ledger>
    );
}

function Gauges(props: TabProps) {
    const { onEdit, may } = props;
    const { data: gauges } = useSuspenseQuery(gaugesQuery);
    const force = useQuantity('force');
    return (
        <Ledger head={['Gauge', 'Reached at', 'Range', 'Smallest step', 'Last check']} none={gauges.length === 0 ? 'No gauges yet. Without one, readings are typed in.' : null}>
            {kept(gauges, props, (g) => [g.name, g.address]).map((gauge) => (
                <Row
                    key={gauge.id}
                    name={gauge.name}
                    retired={gauge.retired}
                    action={may ? () => onEdit({ kind: 'gauge', row: gauge, from: null }) : null}
                    copy={null}
                    cells={[
                        gauge.simulated ? `${gauge.name} (simulated: proves nothing outside the demo)` : gauge.name,
                        gauge.address,
                        force.text(gauge.rangeN),
                        force.text(gauge.resolutionN, 3),
                        gauge.checkedOn ? `${day(gauge.checkedOn)}${typeof gauge.checkedWithN === 'number' && typeof gauge.checkShowedN === 'number' ? `: ${force.text(gauge.checkShowedN)} for ${force.text(gauge.checkedWithN)}` : ''}` : 'never',
                    ]}
                />
            ))}
        </Ledger>
    );
}

function Lots(props: TabProps) {
    const { onEdit, may } = props;
    const { data: lots } = useSuspenseQuery(lotsQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    return (
        <Ledger head={['Lot', 'Material', 'Name', 'Dried', 'Note']} none={lots.length === 0 ? 'No lots yet. A lot is a spool or bottle of a material.' : null}>
            {kept(lots, props, (l) => [l.label, l.name, l.note, catalogue.materials.find((m) => m.id === l.materialId)?.name]).map((lot) => (
                <Row
                    key={lot.id}
                    name={lot.label}
                    retired={lot.retired}
                    action={may ? () => onEdit({ kind: 'lot', row: lot, from: null }) : null}
                    copy={may ? () => onEdit({ kind: 'lot', row: null, from: lot }) : null}
                    cells={[lot.label, catalogue.materials.find((m) => m.id === lot.materialId)?.name, lot.name, lot.driedOn ? day(lot.driedOn) : '', lot.note]}
                />
            ))}
        </Ledger>
    );
}
