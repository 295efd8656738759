import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { catalogueQuery, pairQuery, pairsQuery, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { MarginNote, Sheet } from '../ui/Sheet';
import { useWide } from '../ui/useWide';
import { GRADE_WORDS } from '../ui/words';
import { say, tell } from '../words/say';
import { EntryNotes } from './EntryNotes';
import { FactForm } from './FactForm';
import { PairNotes } from './PairNotes';
import { Schools } from './Schools';

type Picked = { materialId: string; surfaceId: string };
type Named = { id: string; name: string };

/** What practice and the shop know: materials against surfaces, with the shop's own evidence over it. */
export function Catalogue() {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: pairs } = useSuspenseQuery(pairsQuery);
    const may = useMay();
    const [picked, setPicked] = useState<Picked>({ materialId: 'pla', surfaceId: 'pei_textured' });
    const [adding, setAdding] = useState(false);
    const margin = useRef<HTMLDivElement>(null);
    const [moved, setMoved] = useState(false);
    const wide = useWide();
    const pair = useQuery(pairQuery(picked.materialId, picked.surfaceId));
    useEffect(() => {
        if (moved && !wide) margin.current?.scrollIntoView();
    }, [moved, picked, wide]);
    const name = (entries: Named[], id: string) => entries.find((each) => each.id === id)?.name ?? id;
    const title = say('choose.on', { materials: name(catalogue.materials, picked.materialId), surfaces: name(catalogue.surfaces, picked.surfaceId) });
    const pick = (next: Picked) => {
        setPicked(next);
        setMoved(true);
    };
    const grid = (kind: Schemas['PrinterKind']) => (
        <Grid
            materials={catalogue.materials.filter((m) => (m.kind ?? 'filament') === kind)}
            surfaces={catalogue.surfaces.filter((s) => (s.kind ?? 'filament') === kind)}
            agents={catalogue.agents}
            pairs={pairs}
            picked={picked}
            onPick={pick}
        />
    );
    return (
        <Sheet
            title={say('choose.catalogue')}
            lead={say('choose.what_practice_knows_of_each_pair')}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/choose">{say('choose.back_to_choose')}</Link>
                </Button>
            }
            margin={
                <div ref={margin} className="lg:sticky lg:top-4 lg:max-h-[calc(100dvh-7rem)] lg:overflow-y-auto lg:pr-2">
                    <MarginNote title={title}>
                        {pair.data ? <PairNotes pair={pair.data} /> : <p>{pair.isPending ? say('choose.looking') : say('choose.practice_has_nothing_on_this_pair')}</p>}
                        {may.test ? <Button onClick={() => setAdding(true)}>{pair.data ? say('choose.what_this_shop_holds_true') : say('choose.add_what_this_shop_knows')}</Button> : null}
                    </MarginNote>
                    <MarginNote title={say('choose.what_they_are')}>
                        <EntryNotes catalogue={catalogue} {...picked} agentIds={pair.data?.treatments.flatMap((t) => t.agentKindId ?? []) ?? []} />
                    </MarginNote>
                </div>
            }
        >
            <Legend />
            {grid('filament')}
            <h2 className="mt-8 mb-2">{say('choose.resin')}</h2>
            <p className="mb-2 text-soft">{say('choose.no_bed_temperature_the_window_lies')}</p>
            {grid('resin')}
            <section className="mt-8">
                <h2 className="mb-2">{say('choose.where_practitioners_disagree')}</h2>
                <Schools schools={catalogue.schools} />
            </section>
            {adding ? <FactForm title={title} {...picked} pair={pair.data ?? null} onDone={() => setAdding(false)} /> : null}
        </Sheet>
    );
}

function Legend() {
    const grades: Schemas['Grade'][] = ['strong', 'fair', 'poor', 'never'];
    return (
        <p className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 text-[0.9375rem] text-soft">
            {grades.map((grade) => (
                <span key={grade} className="inline-flex items-center gap-1.5">
                    <Mark grade={grade} /> {GRADE_WORDS[grade]}
                </span>
            ))}
            <span>
                {tell('choose.g_with_an_agent_for_grip', { b: (words) => <b className="text-ink">{words}</b> })}</span>
            <span>
                <b className="text-ink">7/8</b>{' '}{tell('choose.own_runs_that_held_profile_in', { b: <b className="text-ink">★</b>, b2: <b className="text-ink">§</b> })}</span>
        </p>
    );
}

type GridProps = { materials: Named[]; surfaces: Named[]; agents: Named[]; pairs: Schemas['Pairing'][]; picked: Picked; onPick: (picked: Picked) => void };

function Grid({ materials, surfaces, agents, pairs, picked, onPick }: GridProps) {
    const find = (materialId: string, surfaceId: string) => pairs.find((pair) => pair.materialId === materialId && pair.surfaceId === surfaceId);
    return (
        <div className="overflow-x-auto">
            <table className="border-collapse text-center">
                <thead>
                    <tr>
                        <th className="sticky left-0 z-10 bg-sheet" aria-label={say('choose.surface')} />
                        {materials.map((material) => (
                            <th key={material.id} scope="col" className="px-0.5! pb-1 text-center! align-bottom text-[0.8125rem] font-[650]">
                                <span className="inline-block max-w-14 leading-tight">{material.name}</span>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {surfaces.map((surface) => (
                        <tr key={surface.id} className="border-t border-line">
                            <th scope="row" className="sticky left-0 z-10 min-w-32 bg-sheet pr-2 text-left text-[0.875rem] leading-tight font-normal sm:min-w-48">
                                {surface.name}
                            </th>
                            {materials.map((material) => {
                                const pair = find(material.id, surface.id);
                                const here = picked.materialId === material.id && picked.surfaceId === surface.id;
                                return (
                                    <td key={material.id} className="p-0">
                                        <button
                                            className={`flex h-10 w-full min-w-[3.1rem] flex-col items-center justify-center rounded-sm leading-none hover:bg-well ${here ? 'bg-accent-wash outline-2 outline-accent' : ''}`}
                                            aria-pressed={here}
                                            aria-label={say('choose.on_2', { material: material.name, surface: surface.name, pair: inWords(pair, agents) })}
                                            onClick={() => onPick({ materialId: material.id, surfaceId: surface.id })}
                                        >
                                            {pair ? <Cell pair={pair} /> : <span className="text-soft">·</span>}
                                        </button>
                                    </td>
                                );
                            })}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function letter(pair: Schemas['Pairing']): string {
    if (pair.bonds) return 'b';
    return pair.best.role === 'grip' ? 'g' : pair.best.role === 'release' ? 'r' : '';
}

function Cell({ pair }: { pair: Schemas['Pairing'] }) {
    const own = `${pair.runs > 0 ? `${pair.held}/${pair.runs}` : ''}${pair.profiles > 0 ? '★' : ''}${pair.ownFact ? '§' : ''}`;
    return (
        <>
            <span className="inline-flex items-center gap-1">
                <Mark grade={pair.best.hold} />
                <span className="text-sm font-[650]">{letter(pair)}</span>
            </span>
            {own === '' ? null : <span className="mt-0.5 text-[0.75rem] font-[650]">{own}</span>}
        </>
    );
}

function inWords(pair: Schemas['Pairing'] | undefined, agents: Named[]): string {
    if (!pair) return say('choose.nothing_known');
    const with_ = pair.best.agentKindId === null ? say('choose.bare') : say('choose.with_2', { agents: agents.find((a) => a.id === pair.best.agentKindId)?.name ?? '' });
    return say('choose.pair_in_words', { hold: GRADE_WORDS[pair.best.hold], with_, bonds: pair.bonds, runsIf: pair.runs > 0, held: (pair.runs > 0) ? pair.held : '', runs: (pair.runs > 0) ? pair.runs : '', profilesIf: pair.profiles > 0, ownFact: pair.ownFact });
}

/** Full, half, empty, crossed out: told apart by shape. */
function Mark({ grade }: { grade: Schemas['Grade'] }) {
    return (
        <svg width={15} height={15} viewBox="0 0 16 16" aria-hidden className="shrink-0">
            {grade === 'never' ? <path d="M3 3L13 13M13 3L3 13" stroke="var(--fault)" strokeWidth={2} /> : <circle cx={8} cy={8} r={6} fill={grade === 'strong' ? 'var(--accent)' : 'none'} stroke="var(--accent)" strokeWidth={1.8} />}
            {grade === 'fair' ? <path d="M8 2A6 6 0 0 1 8 14Z" fill="var(--accent)" /> : null}
        </svg>
    );
}
