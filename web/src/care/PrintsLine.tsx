import type { Schemas } from '../api/client';
import { day } from '../ui/quantity';
import { say } from '../words/say';

type Side = Schemas['SideCare'];

/** The last prints one beside the other, those that failed below the line, and what was done between them. */
export function PrintsLine({ last, done }: { last: Side['last']; done: Side['done'] }) {
    if (last.length === 0) return null;
    const from = last[0]?.at ?? '';
    const until = last[last.length - 1]?.at ?? from;
    const step = 13;
    const width = last.length * step + 10;
    // What was done stands before the print that came after it.
    const between = done.filter((each) => each.at >= from).map((each) => ({ ...each, before: last.filter((print) => print.at < each.at).length }));
    const held = last.filter((each) => each.held === true).length;
    const words = { wash: say('care.did_wash'), scuff: say('care.did_scuff'), coat: say('care.did_coat') };
    return (
        <section aria-label={say('care.last_prints')} className="mt-6">
            <h2 className="mb-2">{say('care.last_prints')}</h2>
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say('care.last_prints')}>
                <svg viewBox={`0 0 ${width} 74`} className="block w-full" style={{ minWidth: 560, maxWidth: width * 1.4 }} role="img" aria-label={say('care.last_prints_in_words', { held, of: last.length })}>
                    <line x1={0} x2={width} y1={42} y2={42} className="stroke-strong" strokeWidth="1.5" />
                    {last.map((print, i) => (
                        <rect key={`${print.at}${i}`} x={i * step + 5} width={9} y={print.held === false ? 44 : 28} height={12} fill={print.held === false ? 'var(--fault)' : print.held === null ? 'var(--line-strong)' : 'var(--accent)'} />
                    ))}
                    {between.map((each) => (
                        <g key={each.id} transform={`translate(${each.before * step + 3} 0)`}>
                            <line y1={each.kind === 'wipe' || each.kind === 'touch_up' ? 36 : 23} y2={42} stroke="var(--brass)" strokeWidth="2" />
                            {each.kind === 'wipe' || each.kind === 'touch_up' ? null : (
                                <text y={each.kind === 'wash' ? 10 : 21} textAnchor={each.before === 0 ? 'start' : 'middle'} className="fill-soft text-[11px]">
                                    {words[each.kind]}
                                </text>
                            )}
                        </g>
                    ))}
                    <text x={0} y={71} className="fill-soft text-[11px]">
                        {day(from)}
                    </text>
                    <text x={width} y={71} textAnchor="end" className="fill-soft text-[11px]">
                        {day(until)}
                    </text>
                </svg>
            </div>
            <p className="mt-1 text-sm text-soft">{say('care.line_in_words')}</p>
        </section>
    );
}
