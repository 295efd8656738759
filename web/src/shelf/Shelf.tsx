import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link, useNavigate } from '@tanstack/react-router';
import { Tabs } from 'radix-ui';
import { Suspense, useState, type ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { agentsQuery, catalogueQuery, feelersQuery, gaugesQuery, lotsList, platesList, printersQuery, thermometersQuery, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { CheckField, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { day, useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { ShowMore } from '../ui/ShowMore';
import { useFound } from '../ui/useFound';
import { say, tell } from '../words/say';
import { AgentForm } from './AgentForm';
import { FittingForm } from './FittingForm';
import { GaugeForm } from './GaugeForm';
import { kept, Ledger, Row, type Editing, type TabProps } from './Ledger';
import { FeelerForm } from './FeelerForm';
import { LotForm } from './LotForm';
import { OwnKindsNote, OwnMaterials, OwnSurfaces } from './OwnKinds';
import { OwnMaterialForm } from './OwnMaterialForm';
import { OwnSurfaceForm } from './OwnSurfaceForm';
import { PlateForm } from './PlateForm';
import { PrinterForm } from './PrinterForm';
import { ThermometerForm } from './ThermometerForm';

const TABS = [
    { value: 'plate', label: say('shelf.plates') },
    { value: 'printer', label: say('shelf.printers') },
    { value: 'agent', label: say('shelf.agents') },
    { value: 'lot', label: say('shelf.lots') },
    { value: 'gauge', label: say('shelf.gauges') },
    { value: 'feeler', label: say('shelf.feelers') },
    { value: 'thermometer', label: say('shelf.thermometers') },
    { value: 'surface', label: say('shelf.own_surfaces') },
    { value: 'material', label: say('shelf.own_materials') },
] as const;

const route = getRouteApi('/shelf');

export function Shelf() {
    const may = useMay();
    const search = route.useSearch();
    const navigate = useNavigate();
    const tab = TABS.find((each) => each.value === search.tab)?.value ?? 'plate';
    const [editing, setEditing] = useState<Editing | null>(null);
    const [find, setFind] = useState(search.find ?? '');
    const [sought, setSought] = useState(search.find);
    // Come anew, for another thing.
    if (search.find !== sought) {
        setSought(search.find);
        setFind(search.find ?? '');
    }
    const [retired, setRetired] = useState(false);
    const done = () => setEditing(null);
    const list = { onEdit: setEditing, may: may.test, find, retired };
    const names = { plate: say('shelf.a_plate'), printer: say('shelf.a_printer'), agent: say('shelf.an_agent'), lot: say('shelf.a_lot'), gauge: say('shelf.a_gauge'), feeler: say('shelf.a_feeler'), thermometer: say('shelf.a_thermometer'), surface: say('shelf.kind_of_surface'), material: say('shelf.a_material') };
    return (
        <Sheet
            title={say('shelf.shelf')}
            lead={say('shelf.what_the_workshop_has_choose_looks')}
            actions={
                <>
                    <Button asChild tone="quiet">
                        <Link to="/shelf/labels">{say('shelf.labels')}</Link>
                    </Button>
                    {may.test ? (
                        <Button tone="main" onClick={() => setEditing({ kind: tab, row: null, from: null })}>{say('shelf.new', { tab: names[tab] })}
                        </Button>
                    ) : null}
                </>
            }
            margin={
                tab === 'surface' || tab === 'material' ? (
                    <OwnKindsNote />
                ) : (
                    <MarginNote title={say('shelf.numbers_on_plates')}>
                        <p>{say('shelf.number_every_plate_engrave_a_corner')}</p>
                        <p>{tell('shelf.a_new_sheet_on_an_old', { b: (words) => <strong>{words}</strong> })}</p>
                        <p>{say('shelf.nothing_is_deleted_what_is_gone')}</p>
                    </MarginNote>
                )
            }
        >
            <Tabs.Root value={tab} onValueChange={(value) => void navigate({ to: '/shelf', search: { tab: value }, replace: true })}>
                <Tabs.List aria-label={say('shelf.shelf')} className="mb-4 flex flex-wrap border-b-2 border-line">
                    {TABS.map((each) => (
                        <Tabs.Trigger key={each.value} value={each.value} className="min-h-11 px-3 sm:px-4 data-[state=active]:-mb-0.5 data-[state=active]:border-b-4 data-[state=active]:border-accent data-[state=active]:font-[650]">
                            {each.label}
                        </Tabs.Trigger>
                    ))}
                </Tabs.List>
                <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
                    <div className="w-64">
                        <TextField label={say('shelf.find')} type="search" value={find} onValue={setFind} />
                    </div>
                    <CheckField label={say('shelf.show_what_is_retired')} checked={retired} onValue={setRetired} />
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
                <Tabs.Content value="feeler">
                    <Feelers {...list} />
                </Tabs.Content>
                <Tabs.Content value="thermometer">
                    <Thermometers {...list} />
                </Tabs.Content>
                <Tabs.Content value="surface">
                    <OwnSurfaces {...list} />
                </Tabs.Content>
                <Tabs.Content value="material">
                    <OwnMaterials {...list} />
                </Tabs.Content>
            </Tabs.Root>
            {/* What a form still asks for does not blank the list behind it. */}
            <Suspense fallback={null}>
                {editing?.kind === 'printer' ? <PrinterForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'plate' ? <PlateForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'agent' ? <AgentForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'lot' ? <LotForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'feeler' ? <FeelerForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'gauge' ? <GaugeForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'thermometer' ? <ThermometerForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'surface' ? <OwnSurfaceForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'material' ? <OwnMaterialForm row={editing.row} from={editing.from} onDone={done} /> : null}
                {editing?.kind === 'fitting' ? <FittingForm side={editing.row} onDone={done} /> : null}
            </Suspense>
        </Sheet>
    );
}

/** What a paged tab shows while it is looked for, and after it. */
function Found({ pages, children }: { pages: ReturnType<typeof useFound>['pages']; children: ReactNode }) {
    if (pages.error) return <Fault error={pages.error} />;
    return pages.isPending ? (
        <p>{say('ui.looking')}</p>
    ) : (
        <>
            {children}
            <ShowMore pages={pages} />
        </>
    );
}

function nothing(rows: unknown[], looked: string, none: string): string | null {
    return rows.length > 0 ? null : looked === '' ? none : say('shelf.nothing_has_these_words');
}

function Plates(props: TabProps) {
    const { onEdit, may, find, retired } = props;
    const { pages, rows, looked } = useFound(platesList(retired), find);
    const { data: printers } = useSuspenseQuery(printersQuery);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const length = useQuantity('length');
    const surface = (id: string) => catalogue.surfaces.find((s) => s.id === id)?.name;
    return (
        <Found pages={pages}>
            <Ledger head={[say('shelf.plate'), say('shelf.sides'), say('shelf.size'), say('shelf.printer'), say('shelf.note')]} none={nothing(rows, looked, say('shelf.no_plates_yet_number_one_and'))}>
                {rows.map((plate) => (
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
                                                <button className="min-h-11 text-accent underline underline-offset-4" onClick={() => onEdit({ kind: 'fitting', row: side })}>{say('shelf.new_sheet')}</button>
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
        </Found>
    );
}

function Printers(props: TabProps) {
    const { onEdit, may } = props;
    const { data: printers } = useSuspenseQuery(printersQuery);
    const temperature = useQuantity('temperature');
    const length = useQuantity('length');
    return (
        <Ledger head={[say('shelf.printer'), say('shelf.kind'), say('shelf.bed'), say('shelf.bed_up_to'), say('shelf.nozzle_up_to'), say('shelf.magnets_up_to'), say('shelf.enclosed')]} none={printers.length === 0 ? say('shelf.no_printers_yet') : null}>
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
                        typeof printer.maxBedC === 'number' ? temperature.text(printer.maxBedC) : say('shelf.unheated'),
                        printer.kind === 'filament' ? temperature.text(printer.maxNozzleC) : '–',
                        typeof printer.magnetLimitC === 'number' ? temperature.text(printer.magnetLimitC) : '–',
                        say(printer.enclosed ? 'ui.yes' : 'ui.no'),
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
        <Ledger head={[say('shelf.agent'), say('shelf.kind'), say('shelf.batch'), say('shelf.opened')]} none={agents.length === 0 ? say('shelf.no_agents_yet_bare_is_always') : null}>
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
    const fine = useQuantity('force_fine');
    const checked = (gauge: Schemas['Gauge']) => {
        if (!gauge.checkedOn) return say('shelf.never');
        const { checkedWithN: weight, checkShowedN: shown } = gauge;
        return typeof weight === 'number' && typeof shown === 'number' ? say('shelf.checked_with', { day: day(gauge.checkedOn), shown: force.text(shown), weight: force.text(weight) }) : day(gauge.checkedOn);
    };
    return (
        <Ledger head={[say('shelf.gauge'), say('shelf.reached_at'), say('shelf.range'), say('shelf.smallest_step'), say('shelf.last_check')]} none={gauges.length === 0 ? say('shelf.no_gauges_yet_without_one_readings') : null}>
            {kept(gauges, props, (g) => [g.name, g.address]).map((gauge) => (
                <Row
                    key={gauge.id}
                    name={gauge.name}
                    retired={gauge.retired}
                    action={may ? () => onEdit({ kind: 'gauge', row: gauge, from: null }) : null}
                    copy={null}
                    cells={[
                        gauge.simulated ? say('shelf.simulated_proves_nothing_outside_the_demo', { gauge: gauge.name }) : gauge.name,
                        gauge.address,
                        force.text(gauge.rangeN),
                        fine.text(gauge.resolutionN),
                        checked(gauge),
                    ]}
                />
            ))}
        </Ledger>
    );
}

function Feelers(props: TabProps) {
    const { onEdit, may } = props;
    const { data: feelers } = useSuspenseQuery(feelersQuery);
    const length = useQuantity('length');
    return (
        <Ledger head={[say('shelf.feeler'), say('shelf.thickness'), say('shelf.gives'), say('shelf.wanted_drag')]} none={feelers.length === 0 ? say('shelf.no_feelers_yet') : null}>
            {kept(feelers, props, (each) => [each.name]).map((each) => (
                <Row key={each.id} name={each.name} retired={each.retired} action={may ? () => onEdit({ kind: 'feeler', row: each, from: null }) : null} copy={null} cells={[each.name, length.text(each.thicknessMm), length.text(each.givesMm), each.drag]} />
            ))}
        </Ledger>
    );
}

function Thermometers(props: TabProps) {
    const { onEdit, may } = props;
    const { data: thermometers } = useSuspenseQuery(thermometersQuery);
    const temperature = useQuantity('temperature_mean');
    const checked = ({ checkedOn, checkedAtC: known, checkShowedC: shown }: Schemas['Thermometer']) => {
        if (!checkedOn) return say('shelf.never');
        return typeof known === 'number' && typeof shown === 'number' ? say('shelf.checked_with', { day: day(checkedOn), shown: temperature.text(shown), weight: temperature.text(known) }) : day(checkedOn);
    };
    return (
        <Ledger head={[say('shelf.thermometer'), say('shelf.reached_at'), say('shelf.last_check')]} none={thermometers.length === 0 ? say('shelf.no_thermometers_yet') : null}>
            {kept(thermometers, props, (each) => [each.name, each.address]).map((each) => (
                <Row
                    key={each.id}
                    name={each.name}
                    retired={each.retired}
                    action={may ? () => onEdit({ kind: 'thermometer', row: each, from: null }) : null}
                    copy={null}
                    cells={[each.simulated ? say('shelf.simulated_proves_nothing_outside_the_demo', { gauge: each.name }) : each.name, each.address, checked(each)]}
                />
            ))}
        </Ledger>
    );
}

function Lots(props: TabProps) {
    const { onEdit, may, find, retired } = props;
    const { pages, rows, looked } = useFound(lotsList(retired), find);
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    return (
        <Found pages={pages}>
            <Ledger head={[say('shelf.lot'), say('shelf.material'), say('shelf.name'), say('shelf.dried'), say('shelf.note')]} none={nothing(rows, looked, say('shelf.no_lots_yet_a_lot_is'))}>
                {rows.map((lot) => (
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
        </Found>
    );
}
