import type { Schemas } from '../api/client';
import { useQuantity, useShares } from '../ui/quantity';
import { say } from '../words/say';

type Props = { title: string; why: Schemas['Why'] };

/** From the grade of practice to the chance, a bar for each thing that moves it; each opens to its words. */
export function Why({ title, why }: Props) {
    const shares = useShares();
    const share = useQuantity('share');
    const [from, to] = ends(why.range90);
    const low = Math.max(0, Math.floor(Math.min(from, ...why.bars.map((bar) => Math.min(bar.id === 'practice' ? bar.to : bar.from, bar.to))) * 10 - 0.5) / 10);
    const at = (chance: number) => `${Math.max(0, Math.min(100, ((chance - low) / (1 - low)) * 100))}%`;
    const width = (a: number, b: number) => `${Math.max(0.6, (Math.abs(Math.max(b, low) - Math.max(a, low)) / (1 - low)) * 100)}%`;
    return (
        <section className="mb-3">
            <h4 className="font-[650] text-ink">{say('choose.why_of', { title, chance: share.bare(why.chance), range: shares(why.range90) })}</h4>
            <ol>
                {why.bars.map((bar) => {
                    const down = bar.to < bar.from;
                    const practice = bar.id === 'practice';
                    const by = Math.round((bar.to - bar.from) * 100);
                    return (
                        <li key={bar.id}>
                            <details>
                                <summary className="min-h-11 cursor-pointer list-none py-1">
                                    <span className="flex justify-between gap-3 leading-tight">
                                        <span className="min-w-0">
                                            <span className="text-ink underline decoration-line underline-offset-4">{bar.name}</span> <span className="text-sm">{bar.basis}</span>
                                        </span>
                                        <span className="font-[650] whitespace-nowrap text-ink">{practice ? share.bare(bar.to) : `${by > 0 ? '+' : by < 0 ? '−' : ''}${share.bare(Math.abs(by) / 100)}`}</span>
                                    </span>
                                    <span aria-hidden className="relative mt-1 block h-3">
                                        <span className="absolute top-1/2 right-0 left-0 border-t border-line" />
                                        <span className={`absolute top-0 h-3 rounded-[2px] border ${practice ? 'border-strong bg-well' : down ? 'why-down border-fault' : 'border-accent bg-accent'}`} style={{ left: at(practice ? low : Math.min(bar.from, bar.to)), width: practice ? width(low, bar.to) : width(bar.from, bar.to) }} />
                                        <span className="absolute top-1/2 -mt-px h-0.5 bg-ink/60" style={{ left: at(ends(bar.range90)[0]), width: width(...ends(bar.range90)) }} />
                                    </span>
                                </summary>
                                <p className="pb-1 text-sm">{bar.says}</p>
                            </details>
                        </li>
                    );
                })}
            </ol>
            <p className="flex justify-between gap-3 border-t border-strong pt-1">
                <span className="font-[650] text-ink">{say('choose.together')}</span>
                <span className="font-[650] text-ink">{share.text(why.chance)}</span>
            </p>
            <span aria-hidden className="relative mt-1 block h-4">
                <span className="absolute top-0 h-4 rounded-[2px] border-2 border-accent" style={{ left: at(from), width: width(from, to) }} />
                <span className="absolute top-0 h-4 w-1 bg-accent" style={{ left: at(why.chance) }} />
            </span>
            <p aria-hidden className="flex justify-between text-sm">
                <span>{share.bare(low)}</span>
                <span>{share.text(1)}</span>
            </p>
        </section>
    );
}

function ends([low = 0, high = 1]: number[]): [number, number] {
    return [low, high];
}
