import { useQuery } from '@tanstack/react-query';

import { api, ask } from '../api/client';
import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { useQuantity, useShares } from '../ui/quantity';
import { say } from '../words/say';
import type { Asked } from './request';

/** What would do where this printer and shelf do not: another printer, a limit that alone is in the way, something to buy. */
export function Beyond({ asked, nothing, onPrinter }: { asked: Asked; /** Nothing on the shelf does. */ nothing: boolean; onPrinter: (id: string) => void }) {
    const shares = useShares();
    const money = useQuantity('money');
    const { data, error } = useQuery({ queryKey: ['choose', 'beyond', asked], queryFn: ({ signal }) => ask(api.POST('/api/choose/beyond', { signal, body: asked })) });
    if (!data) return error ? <Fault error={error} /> : <p className="text-soft">{say('shell.one_moment')}</p>;
    return (
        <div className="flex flex-col gap-4">
            {data.limits.length > 0 ? (
                <section aria-label={say('choose.only_this_stands_in_the_way')}>
                    <h3 className="font-[650]">{say('choose.only_this_stands_in_the_way')}</h3>
                    <ul>
                        {data.limits.map((limit) => (
                            <li key={limit.reason} className="border-b border-line py-1.5">
                                <strong>{limit.sides.join(', ')}</strong>: {limit.reason}
                            </li>
                        ))}
                    </ul>
                </section>
            ) : null}
            <section aria-label={say('choose.on_other_printers')}>
                <h3 className="font-[650]">{say('choose.on_other_printers')}</h3>
                {data.printers.length === 0 ? <p className="text-soft">{asked.printerId === null ? say('choose.all_printers_are_looked_at') : say('choose.no_other_printer_does')}</p> : null}
                <ul>
                    {data.printers.map((printer) => (
                        <li key={printer.printerId} className="flex flex-wrap items-center gap-x-4 border-b border-line">
                            <Button tone="quiet" className="-ml-4" onClick={() => onPrinter(printer.printerId)}>{printer.printerName}</Button>
                            <span className="min-w-0 flex-1">{printer.label}</span>
                            <span>{say('choose.holds_and_lets_go_of', { hold: shares(printer.hold90), release: shares(printer.release90) })}</span>
                        </li>
                    ))}
                </ul>
            </section>
            <section aria-label={say('choose.not_on_the_shelf')}>
                <h3 className="font-[650]">{say('choose.not_on_the_shelf')}</h3>
                {data.lacking.length === 0 ? <p className="text-soft">{nothing ? say('choose.nothing_to_buy') : say('choose.nothing_surely_better_to_buy')}</p> : null}
                <ul>
                    {data.lacking.map((each) => (
                        <li key={each.name} className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-line py-1.5">
                            <span className="min-w-0 flex-1">
                                <strong>{each.name}</strong> {each.setup}
                            </span>
                            <span className="text-soft">{each.price === null ? say('choose.price_unknown') : say('choose.last_paid', { price: money.text(each.price) })}</span>
                            <span className="italic">{say('choose.holds_and_lets_go_of', { hold: shares(each.hold90), release: shares(each.release90) })}</span>
                        </li>
                    ))}
                </ul>
            </section>
        </div>
    );
}
