import type { Schemas } from '../api/client';
import { say } from '../words/say';

/** The p values of pairs, alone and taken together. */
export function Pairs({ pairs, p }: { pairs: Schemas['AdjustedPair'][]; p: (value: number | null, reason?: string) => string }) {
    return (
        <table className="ledger mt-2 w-full">
            <thead>
                <tr>
                    <th>{say('judge.pair')}</th>
                    <th className="num">{say('judge.p_alone')}</th>
                    <th className="num">{say('judge.p_holm')}</th>
                </tr>
            </thead>
            <tbody>
                {pairs.map((pair) => (
                    <tr key={pair.a + pair.b}>
                        <th scope="row">
                            {pair.b} − {pair.a}
                        </th>
                        <td className="num">{p(pair.p, pair.reason)}</td>
                        <td className="num">{p(pair.p_holm)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
