import type { Schemas } from '../api/client';
import { say } from '../words/say';

const PATTERNS = ['var(--sheet)', 'var(--line)', 'var(--line-strong)', 'var(--brass)', 'var(--fault)'];

/** How hard the parts were to take off: one box a part, from loose to bonded, with the words below. */
export function EffortBars({ setups, limit }: { setups: Schemas['JudgedSetup'][]; limit: number }) {
    const words = setups[0]?.efforts ?? [];
    return (
        <figure>
            <figcaption className="mb-2 font-[650]">{say('judge.release_effort_a_box_a_part')}</figcaption>
            <div className="overflow-x-auto">
                <table className="ledger w-full text-[0.9375rem]">
                    <thead>
                        <tr>
                            <th aria-label={say('judge.setup')} />
                            {words.map((word) => (
                                <th key={word.effort} className={word.effort > limit ? 'bg-fault-wash pl-3! text-fault!' : ''}>
                                    {word.words}
                                </th>
                            ))}
                            <th className="pl-4!">{say('judge.damage')}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {setups.map((setup) => (
                            <tr key={setup.id}>
                                <th scope="row" className="w-8 text-lg">
                                    {setup.label}
                                </th>
                                {setup.efforts.map((effort) => (
                                    <td key={effort.effort} className={effort.effort > limit ? 'bg-fault-wash pl-3!' : ''}>
                                        <span className="flex flex-wrap gap-1">
                                            {Array.from({ length: effort.count }, (_, i) => (
                                                <span key={i} aria-hidden className="size-4 border border-ink" style={{ background: PATTERNS[effort.effort] }} />
                                            ))}
                                            <span className={effort.count > 0 ? 'text-sm text-soft' : 'sr-only'}>{effort.count}</span>
                                        </span>
                                    </td>
                                ))}
                                <td className="pl-4!">{setup.damages > 0 ? setup.damages : setup.heldRuns === 0 ? '–' : say('judge.none')}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </figure>
    );
}
