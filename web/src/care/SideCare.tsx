import { useSuspenseQuery } from '@tanstack/react-query';
import { getRouteApi, Link } from '@tanstack/react-router';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { proceduresQuery, sideCareQuery, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { MarkKey } from '../ui/PlateMap';
import { day, useFigures } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';
import { NoteCare } from './NoteCare';
import { PrintsLine } from './PrintsLine';
import { SpotPicture } from './SpotPicture';

const route = getRouteApi('/care/$id');

/** A plate side as a map, what it is due for, and how long it is good for yet. */
export function SideCare() {
    const { id } = route.useParams();
    const { data: side } = useSuspenseQuery(sideCareQuery(id));
    const may = useMay();
    const [noting, setNoting] = useState<Schemas['CareKind'] | null>(null);
    const { map } = side;
    const kinds = [...new Set(map.marks.map((mark) => mark.kind))];
    return (
        <Sheet
            title={side.label}
            lead={say('care.sheet_since', { surface: side.surfaceName, lot: side.surfaceLot, at: day(side.fittedAt) })}
            actions={
                <>
                    <Button asChild tone="quiet">
                        <Link to="/fix" search={{ side: id }}>{say('care.something_is_wrong')}</Link>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/care">{say('care.all_plates')}</Link>
                    </Button>
                </>
            }
            margin={
                <>
                    <HowTo id={id} />
                    <MarginNote title={say('care.how_it_is_cleaned')}>
                        <p>{side.cleaning}</p>
                    </MarginNote>
                    <MarginNote title={say('care.how_to_read_the_map')}>
                        <p>{say('care.map_in_words', { coated: side.coat !== null })}</p>
                        {kinds.length > 0 ? <MarkKey kinds={kinds} /> : null}
                        <p>{side.life.sentence}</p>
                    </MarginNote>
                </>
            }
        >
            <div className="grid gap-x-8 gap-y-6 md:grid-cols-[minmax(0,24rem)_minmax(0,1fr)]">
                <SpotPicture map={map} coated={side.coat !== null} label={say('care.map_of', { side: side.label })} />
                <div>
                    <p className="text-3xl font-[650] text-accent">{side.due[0] ?? (side.dusty ? say('care.wipe_the_dust_off') : say('care.nothing_is_due'))}</p>
                    {side.due.slice(1).map((sentence) => (
                        <p key={sentence} className="mt-1 font-[650] text-brass">
                            {sentence}
                        </p>
                    ))}
                    {may.test ? (
                        <div className="mt-3 flex flex-wrap gap-2">
                            <Button tone={side.due.length > 0 ? 'main' : 'plain'} onClick={() => setNoting('wash')}>{say('care.washed')}</Button>
                            <Button onClick={() => setNoting('wipe')}>{say('care.wiped')}</Button>
                            <Button onClick={() => setNoting('coat')}>{say('care.coated')}</Button>
                            {side.coat ? <Button onClick={() => setNoting('touch_up')}>{say('care.touched_up')}</Button> : null}
                            <Button onClick={() => setNoting('scuff')}>{say('care.scuffed')}</Button>
                        </div>
                    ) : null}
                    <p className="mt-4">
                        {map.next ? <strong>{say('care.next_part_there')}</strong> : null} {map.why}
                    </p>
                    <Facts side={side} />
                </div>
            </div>
            <PrintsLine last={side.last} done={side.done} />
            {noting ? <NoteCare side={{ plateSideId: side.id, label: side.label, cleaning: side.cleaning }} spots={side.spots} kind={noting} onDone={() => setNoting(null)} /> : null}
        </Sheet>
    );
}

const KINDS = ['clean', 'coat', 'take_off', 'first_use', 'mend', 'fit', 'check'] as const;

/** What is done to this side as it is now, what is done most often first. */
function HowTo({ id }: { id: string }) {
    const { data: all } = useSuspenseQuery(proceduresQuery(id));
    return (
        <MarginNote title={say('care.how_to')}>
            {KINDS.map((kind) => {
                const of = all.filter((each) => each.kind === kind);
                return of.length > 0 ? (
                    <details key={kind} open={kind === 'clean'} className="group">
                        <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-[650] text-ink">
                            <ChevronRight className="size-4 shrink-0 group-open:rotate-90" aria-hidden />
                            {say(`care.kind_${kind}`)}
                        </summary>
                        <ul>
                            {of.map((each) => (
                                <li key={each.id}>
                                    <Link to="/care/$id/do/$procedure" params={{ id, procedure: each.id }} className="inline-flex min-h-11 items-center">
                                        {each.title}
                                    </Link>
                                </li>
                            ))}
                        </ul>
                    </details>
                ) : null;
            })}
        </MarginNote>
    );
}

function Facts({ side }: { side: Schemas['SideCare'] }) {
    const figure = useFigures();
    const count = figure('count');
    const rows: [string, string][] = [
        ...(side.coat ? [[side.coat.name ?? say('care.coat'), say('care.of_prints', { most: side.coat.most, lasts: side.coat.lasts })] satisfies [string, string]] : []),
        [say('care.since_washed'), side.washedAt ? say('care.prints_since', { prints: side.printsSinceWash, at: day(side.washedAt) }) : say('care.prints_never', { prints: side.printsSinceWash })],
        [say('care.wipes'), side.wipesWear && side.wipes > 0 ? say('care.wipes_wear', { wipes: count.bare(side.wipes) }) : count.bare(side.wipes)],
        ...(side.daysStanding === null ? [] : [[say('care.standing'), say('care.days', { days: side.daysStanding })] satisfies [string, string]]),
        [say('care.prints_on_this_sheet'), count.bare(side.prints)],
        ...(side.lately.of > 0 ? [[say('care.held_lately'), say('care.held_of', { held: side.lately.held, of: side.lately.of })] satisfies [string, string]] : []),
        ...(side.damages > 0 ? [[say('care.harm_noted'), count.bare(side.damages)] satisfies [string, string]] : []),
        [say('care.likely_good_for'), say('care.more_prints', { low: count.bare(Math.round(side.life.low)), high: count.bare(Math.round(side.life.high)) }) + (side.life.months ? say('care.in_months', { low: Math.round(side.life.months[0] ?? 0), high: Math.round(side.life.months[1] ?? 0) }) : '')],
        ...(side.boughtOn ? [[say('shelf.bought_on'), day(side.boughtOn)] satisfies [string, string]] : []),
        ...(side.costPerPrint === null ? [] : [[say('care.cost_per_print'), figure('money').text(side.costPerPrint)] satisfies [string, string]]),
    ];
    return (
        <dl className="mt-4 max-w-md">
            {rows.map(([name, value]) => (
                <div key={name} className="flex justify-between gap-4 border-b border-line py-1.5">
                    <dt>{name}</dt>
                    <dd className="text-right font-[650]">{value}</dd>
                </div>
            ))}
        </dl>
    );
}
