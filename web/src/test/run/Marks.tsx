import { useState } from 'react';

import { api, ask, type Schemas } from '../../api/client';
import { useChange } from '../../api/queries';
import { Button } from '../../ui/Button';
import { ChoiceRow } from '../../ui/ChoiceRow';
import { Fault } from '../../ui/Notice';
import { MarkKey, PlateMap } from '../../ui/PlateMap';
import { say } from '../../words/say';
import { standing, useTouch, type Sheet } from './sheet';

type Kind = Schemas['MarkKind'];

/** Which of several parts did not hold: a touch for each. */
export function FailedParts({ sheet }: { sheet: Sheet }) {
    const touch = useTouch(sheet);
    const withdraw = useWithdraw(sheet);
    const { places } = sheet.plate;
    const marked = (place: number) => sheet.marks.find((mark) => mark.kind === 'failed' && mark.place === place);
    const toggle = ({ place, x, y }: { place: number; x: number; y: number }) => {
        const mark = marked(place);
        if (mark) withdraw.mutate(mark.id);
        else void touch({ kind: 'mark', mark: 'failed', x, y, place });
    };
    const nearest = (x: number, y: number) => places.reduce((best, each) => (Math.hypot(each.x - x, each.y - y) < Math.hypot(best.x - x, best.y - y) ? each : best));
    return (
        <section className="mt-5" aria-label={say('test.which_parts_failed')}>
            <h3 className="mb-1">{say('test.which_parts_failed')}</h3>
            <Fault error={withdraw.error} />
            <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
                <PlateMap map={sheet.plate} marks={sheet.marks.filter((mark) => mark.kind === 'failed')} label={say('test.map_of_the_plate')} onTouch={(x, y) => toggle(nearest(x, y))} />
                <ul className="grid grid-cols-3 gap-2">
                    {[...places].sort((a, b) => b.y - a.y || a.x - b.x).map((each) => (
                        <li key={each.place}>
                            <Button tone={marked(each.place) ? 'danger' : 'plain'} aria-pressed={marked(each.place) !== undefined} onClick={() => toggle(each)}>
                                {say('test.part', { place: each.place })}
                            </Button>
                        </li>
                    ))}
                </ul>
            </div>
        </section>
    );
}

/** Where the plate or its coat was harmed: what it is first, then a touch on the map. */
export function HarmedPlaces({ sheet }: { sheet: Sheet }) {
    const touch = useTouch(sheet);
    const withdraw = useWithdraw(sheet);
    const kinds: Kind[] = sheet.setup.agentId ? ['damage', 'torn'] : ['damage'];
    const [kind, setKind] = useState<Kind>('damage');
    const [asked, setOpen] = useState(false);
    const open = asked || sheet.marks.some((mark) => mark.kind !== 'failed') || standing(sheet, 'damage')?.value === 1;
    const last = sheet.marks.findLast((mark) => mark.kind !== 'failed');
    if (!open) {
        return (
            <Button tone="quiet" className="self-start" onClick={() => setOpen(true)}>
                {say('test.mark_it_on_the_map')}
            </Button>
        );
    }
    return (
        <section aria-label={say('test.map_of_the_plate')} className="flex flex-col gap-3">
            {kinds.length > 1 ? <ChoiceRow label={say('test.what_is_there')} value={kind} onValue={setKind} options={[{ value: 'damage', label: say('ui.mark_damage') }, { value: 'torn', label: say('ui.mark_torn') }]} /> : null}
            <p>{say('test.touch_where_it_is')}</p>
            <Fault error={withdraw.error} />
            <PlateMap map={sheet.plate} marks={sheet.marks} label={say('test.map_of_the_plate')} onTouch={(x, y) => void touch({ kind: 'mark', mark: kind, x, y, place: null })} />
            <div className="flex flex-wrap items-center gap-3">
                <MarkKey kinds={[...new Set(sheet.marks.map((mark) => mark.kind))]} />
                {last ? (
                    <Button tone="quiet" onClick={() => withdraw.mutate(last.id)}>
                        {say('test.take_the_last_mark_back')}
                    </Button>
                ) : null}
            </div>
            <Corners onTouch={(x, y) => void touch({ kind: 'mark', mark: kind, x, y, place: null })} />
        </section>
    );
}

/** The same by keyboard, as near as words say it. */
function Corners({ onTouch }: { onTouch: (x: number, y: number) => void }) {
    const rows = [
        { y: 0.9, of: [say('test.back_left'), say('test.back'), say('test.back_right')] },
        { y: 0.5, of: [say('test.left'), say('test.middle'), say('test.right')] },
        { y: 0.1, of: [say('test.front_left'), say('test.front'), say('test.front_right')] },
    ];
    return (
        <details>
            <summary className="flex min-h-11 cursor-pointer items-center">{say('test.by_words')}</summary>
            <div className="grid max-w-96 grid-cols-3 gap-2">
                {rows.flatMap(({ y, of }) =>
                    of.map((words, i) => (
                        <Button key={words} onClick={() => onTouch([0.1, 0.5, 0.9][i] ?? 0.5, y)}>
                            {words}
                        </Button>
                    )),
                )}
            </div>
        </details>
    );
}

function useWithdraw(sheet: Sheet) {
    return useChange((id: string) => ask(api.POST('/api/marks/{id}/withdraw', { params: { path: { id } } })), ['runs', 'comparisons', sheet.run.id]);
}
