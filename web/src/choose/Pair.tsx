import { useQuery } from '@tanstack/react-query';

import { api, ask, type Schemas } from '../api/client';
import { Dialog } from '../ui/Dialog';
import { Fault } from '../ui/Notice';
import { say } from '../words/say';
import type { Asked } from './request';

/** Two setups side by side: what differs first. */
export function Pair({ asked, pair, onDone }: { asked: Asked; pair: [string, string]; onDone: () => void }) {
    const { data, error } = useQuery({ queryKey: ['choose', 'pair', asked, pair], queryFn: ({ signal }) => ask(api.POST('/api/choose/side-by-side', { signal, body: { ...asked, pair } })) });
    return (
        <Dialog wide title={say('choose.side_by_side')} open onOpen={(open) => !open && onDone()}>
            <Fault error={error} />
            {data ? <Sides sides={data} /> : error ? null : <p className="text-soft">{say('shell.one_moment')}</p>}
        </Dialog>
    );
}

function Sides({ sides }: { sides: Schemas['SideBySide'] }) {
    const differ = sides.facets.filter((facet) => !facet.same);
    const alike = sides.facets.filter((facet) => facet.same);
    return (
        <div className="flex flex-col gap-4">
            {sides.better ? <p className="border-l-4 border-accent bg-accent-wash px-3 py-2 text-lg">{sides.better}</p> : null}
            <div className="overflow-x-auto">
                <table className="ledger w-full">
                    <thead>
                        <tr>
                            <th scope="col"><span className="sr-only">{say('choose.what_differs')}</span></th>
                            {sides.labels.map((label) => (
                                <th key={label} scope="col" className="w-[38%] text-ink">{label}</th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {differ.map((facet) => (
                            <tr key={facet.id}>
                                <th scope="row">{facet.name}</th>
                                {facet.values.map((value, i) => (
                                    <td key={i} className={value === null ? 'text-soft' : 'font-[650]'}>{value ?? '–'}</td>
                                ))}
                            </tr>
                        ))}
                        <Lists name={say('choose.ruled_out_by')} lists={sides.gates} strong />
                        <Lists name={say('choose.reasons_of_its_own')} lists={sides.reasons} />
                    </tbody>
                </table>
            </div>
            {alike.length > 0 ? <p className="text-soft">{say('choose.the_same', { what: alike.map((facet) => `${facet.name}: ${facet.values[0] ?? '–'}`).join(' · ') })}</p> : null}
        </div>
    );
}

function Lists({ name, lists, strong = false }: { name: string; lists: string[][]; strong?: boolean }) {
    if (lists.every((list) => list.length === 0)) return null;
    return (
        <tr>
            <th scope="row">{name}</th>
            {lists.map((list, i) => (
                <td key={i} className={`align-top ${strong ? 'font-[650]' : ''}`}>
                    {list.map((each) => (
                        <p key={each} className="mb-1">{each}</p>
                    ))}
                </td>
            ))}
        </tr>
    );
}
