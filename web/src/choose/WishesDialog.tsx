import { ArrowDown, ArrowUp } from 'lucide-react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { CheckField, SelectField } from '../ui/Field';
import { say } from '../words/say';
import { CRITERION_WORDS, FINISH_WORDS, USUAL_ORDER, type Wishes } from './request';

const FINISHES = Object.entries(FINISH_WORDS).map(([value, label]) => ({ value, label }));

/** Null: there are none. */
export function wishesInWords(wishes: Wishes): string | null {
    const words = [wishes.finish ? say('choose.underside_2', { finish: FINISH_WORDS[wishes.finish] }) : null, wishes.exactHeight ? say('choose.exact_height') : null, wishes.bareFirst ? say('choose.bare_first') : null, wishes.lowEnergy ? say('choose.low_energy') : null, wishes.order ? say('choose.own_order') : null].filter(Boolean);
    return words.length === 0 ? null : words.join(', ');
}

/** What is wished beyond a part that holds and lets go, and by what candidates are put in order. */
export function WishesDialog({ wishes, onWishes, open, onOpen }: { wishes: Wishes; onWishes: (wishes: Wishes) => void; open: boolean; onOpen: (open: boolean) => void }) {
    const order = wishes.order ?? USUAL_ORDER;
    const move = (from: number, by: number) => {
        const next = [...order];
        const [taken] = next.splice(from, 1);
        if (taken) next.splice(from + by, 0, taken);
        onWishes({ ...wishes, order: next });
    };
    return (
        <Dialog title={say('choose.wishes_and_order')} open={open} onOpen={onOpen}>
            <div className="flex flex-col gap-4">
                <SelectField label={say('choose.underside')} value={wishes.finish ?? ''} onValue={(finish) => onWishes({ ...wishes, finish: (finish || null) as Schemas['Finish'] | null })} empty={say('choose.any')} options={FINISHES} />
                <div className="grid gap-1 sm:grid-cols-3">
                    <CheckField label={say('choose.exact_height_2')} checked={wishes.exactHeight ?? false} onValue={(exactHeight) => onWishes({ ...wishes, exactHeight })} />
                    <CheckField label={say('choose.bare_first_2')} checked={wishes.bareFirst ?? false} onValue={(bareFirst) => onWishes({ ...wishes, bareFirst })} />
                    <CheckField label={say('choose.low_energy_2')} checked={wishes.lowEnergy ?? false} onValue={(lowEnergy) => onWishes({ ...wishes, lowEnergy })} />
                </div>
                <div>
                    <h3 className="mb-1 font-[650]">{say('choose.in_this_order')}</h3>
                    <p className="text-soft">{say('choose.what_does_not_meet_a_wish')}</p>
                    <ol className="mt-2">
                        {order.map((criterion, i) => (
                            <li key={criterion} className="flex min-h-12 items-center gap-3 border-b border-line">
                                <span className="w-6 text-soft">{i + 1}</span>
                                <span className="flex-1">{CRITERION_WORDS[criterion]}</span>
                                <Button tone="quiet" disabled={i === 0} onClick={() => move(i, -1)} aria-label={say('choose.up', { criterion: CRITERION_WORDS[criterion] })}>
                                    <ArrowUp className="size-5" aria-hidden />
                                </Button>
                                <Button tone="quiet" disabled={i === order.length - 1} onClick={() => move(i, 1)} aria-label={say('choose.down', { criterion: CRITERION_WORDS[criterion] })}>
                                    <ArrowDown className="size-5" aria-hidden />
                                </Button>
                            </li>
                        ))}
                    </ol>
                </div>
                <div className="flex gap-2">
                    <Button tone="main" onClick={() => onOpen(false)}>{say('choose.done')}</Button>
                    <Button tone="quiet" onClick={() => onWishes({})}>{say('choose.as_usual')}</Button>
                </div>
            </div>
        </Dialog>
    );
}
