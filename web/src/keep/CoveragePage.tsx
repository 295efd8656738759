import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { coverageQuery, smallestSetQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Fault } from '../ui/Notice';
import { day, useFigures, useSetting } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

type Cell = Schemas['Coverage']['cells'][number];

/** What is printed against what is proven; and the fewest plates that would do. */
export function CoveragePage() {
    const { data } = useSuspenseQuery(coverageQuery);
    return (
        <Sheet
            title={say('keep.what_is_proven')}
            lead={data.sentence}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/keep">{say('keep.profiles')}</Link>
                </Button>
            }
            margin={
                <>
                    <MarginNote title={say('keep.how_to_read_the_grid')}>
                        <ul className="flex flex-col gap-1.5">
                            {(['proven', 'in_question', 'trial', 'printed'] as const).map((state) => (
                                <li key={state} className="flex items-center gap-2">
                                    <Mark state={state} /> {say(`keep.state_${state}`)}
                                </li>
                            ))}
                        </ul>
                        <p>{say('keep.grid_in_words')}</p>
                    </MarginNote>
                    <MarginNote title={say('keep.how_the_set_is_found')}>
                        <p>{say('keep.set_in_words')}</p>
                    </MarginNote>
                </>
            }
        >
            {data.gaps.length > 0 ? <Gaps gaps={data.gaps} /> : null}
            {data.cells.length === 0 ? (
                <Empty>
                    <p>{say('keep.nothing_printed_yet')}</p>
                </Empty>
            ) : (
                <Grid coverage={data} />
            )}
            <Smallest />
        </Sheet>
    );
}

function Grid({ coverage }: { coverage: Schemas['Coverage'] }) {
    const surfaces = coverage.surfaces.filter((surface) => coverage.cells.some((cell) => cell.surfaceId === surface.id));
    return (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say('keep.what_is_proven')}>
            <table className="w-full border-collapse text-[0.9375rem]">
                <thead>
                    <tr>
                        <th className="p-2 text-left" scope="col">{say('keep.surface')}</th>
                        {coverage.materials.map((material) => (
                            <th key={material.id} scope="col" className="p-2 text-left align-bottom font-[650]">
                                {material.name}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {surfaces.map((surface) => (
                        <tr key={surface.id} className="border-t border-line">
                            <th scope="row" className="max-w-44 p-2 text-left font-[650]">
                                {surface.name}
                            </th>
                            {coverage.materials.map((material) => (
                                <td key={material.id} className="px-2 py-1.5 align-top whitespace-nowrap">
                                    <Known cell={coverage.cells.find((cell) => cell.materialId === material.id && cell.surfaceId === surface.id)} />
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function Known({ cell }: { cell: Cell | undefined }) {
    if (!cell) return <span className="text-soft">·</span>;
    return (
        <span className="flex gap-1.5">
            <Mark state={cell.state} />
            <span>
                <span className="sr-only">{cell.words}. </span>
                {cell.prints > 0 ? say('keep.true_of_prints', { cameTrue: cell.cameTrue, prints: cell.prints }) : say('keep.no_prints')}
                {cell.lastTrue ? <span className="block text-sm text-soft">{day(cell.lastTrue)}</span> : null}
                {cell.profileId ? (
                    <Link to="/keep/$id" params={{ id: cell.profileId }} className="block text-sm">
                        {cell.reach}
                    </Link>
                ) : null}
            </span>
        </span>
    );
}

/** By shape first, then by colour. */
function Mark({ state }: { state: Cell['state'] }) {
    return (
        <svg viewBox="0 0 16 16" className="mt-1 size-4 shrink-0" aria-hidden>
            {state === 'proven' ? <rect x="1" y="1" width="14" height="14" rx="2" fill="var(--sound)" /> : null}
            {state === 'in_question' ? <path d="M8 1L15 15H1Z" fill="none" stroke="var(--brass)" strokeWidth="2.4" strokeLinejoin="round" /> : null}
            {state === 'trial' ? <rect x="2" y="2" width="12" height="12" rx="2" fill="none" stroke="var(--accent)" strokeWidth="2.4" strokeDasharray="3 2" /> : null}
            {state === 'printed' ? <circle cx="8" cy="8" r="6" fill="none" stroke="var(--line-strong)" strokeWidth="2.4" /> : null}
        </svg>
    );
}

/** As many as stand above the grid; the rest is opened. */
const FIRST = 3;

function Gaps({ gaps }: { gaps: Schemas['Coverage']['gaps'] }) {
    return (
        <section aria-label={say('keep.gaps')} className="mb-6">
            <h2 className="mb-1">{say('keep.gaps')}</h2>
            <GapRows gaps={gaps.slice(0, FIRST)} />
            {gaps.length > FIRST ? (
                <details>
                    <summary className="flex min-h-11 cursor-pointer items-center">{say('keep.more_gaps', { more: gaps.length - FIRST })}</summary>
                    <GapRows gaps={gaps.slice(FIRST)} />
                </details>
            ) : null}
        </section>
    );
}

function GapRows({ gaps }: { gaps: Schemas['Coverage']['gaps'] }) {
    const at = useSetting();
    return (
        <ul>
            {gaps.map((gap) => (
                <li key={`${gap.materialId}${gap.printerId}${gap.sideLabel ?? ''}${gap.agentName ?? ''}${at(gap)}`} className="grid items-center gap-x-6 border-b border-line sm:grid-cols-[minmax(0,1fr)_11rem_auto]">
                    <span>
                        <strong>{gap.materialName}</strong> {say('keep.gap_on', { side: gap.sideLabel ?? gap.surfaceName, agent: gap.agentName ?? say('keep.bare'), printer: gap.printerName, at: at(gap) })}
                    </span>
                    <span className="sm:text-right">{say('keep.true_of_prints', { cameTrue: gap.cameTrue, prints: gap.prints })}</span>
                    <Link to="/choose" search={{ material: gap.materialId, printer: gap.printerId }} className="inline-flex min-h-11 items-center">
                        {say('keep.prove_it')}
                    </Link>
                </li>
            ))}
        </ul>
    );
}

const SURENESS = ['0.5', '0.6', '0.7', '0.8', '0.9'];

function Smallest() {
    const [atLeast, setAtLeast] = useState('0.6');
    const { data, error } = useQuery(smallestSetQuery(Number(atLeast)));
    const share = useFigures()('share');
    return (
        <section aria-label={say('keep.smallest_set')} className="mt-8">
            <h2 className="mb-2">{say('keep.smallest_set')}</h2>
            <ChoiceRow label={say('keep.surely_at_least')} value={atLeast} onValue={setAtLeast} options={SURENESS.map((value) => ({ value, label: share.text(Number(value)) }))} />
            <Fault error={error} />
            {data ? (
                <>
                    <p className="mt-3 text-xl font-[650]">{data.sentence}</p>
                    <ul className="mt-2">
                        {data.plates.map((plate) => (
                            <li key={plate.plateId} className="grid gap-x-6 border-b border-line py-1.5 sm:grid-cols-[5rem_minmax(0,1fr)]">
                                <strong>{plate.number}</strong>
                                <span>
                                    {plate.serves.map((each) => say('keep.serves', { what: each.words, agent: each.agentName ?? say('keep.bare'), atLeast: share.text(each.atLeast) })).join('; ')}
                                </span>
                            </li>
                        ))}
                    </ul>
                    {data.unserved.length > 0 ? <p className="mt-2 font-[650] text-brass">{say('keep.nothing_serves', { what: data.unserved.join('; ') })}</p> : null}
                    {data.spare.length > 0 ? (
                        <>
                            <h3 className="mt-4 mb-1">{say('keep.beside_the_set')}</h3>
                            <ul className="grid gap-x-8 sm:grid-cols-2">
                                {data.spare.map((plate) => (
                                    <li key={plate.plateId} className="flex justify-between gap-4 border-b border-line py-1">
                                        <strong>{plate.number}</strong>
                                        <span className="text-right text-soft">{plate.surer > 0 ? say('keep.would_serve_surer', { surer: plate.surer, prints: plate.prints }) : say('keep.adds_nothing', { prints: plate.prints })}</span>
                                    </li>
                                ))}
                            </ul>
                        </>
                    ) : null}
                </>
            ) : null}
        </section>
    );
}
