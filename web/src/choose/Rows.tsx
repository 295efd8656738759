import type { ScaleLinear } from 'd3-scale';
import { Checkbox } from 'radix-ui';
import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { useQuantity, useShares } from '../ui/quantity';
import { What } from '../ui/What';
import { useWidth } from '../ui/useWidth';
import { say } from '../words/say';
import { ROW_HEIGHT, RowStrip, scaleOf, useTicks } from './RowStrip';

type Candidate = Schemas['Candidate'];

type Props = {
    /** All that share the scale, the answer among them. */
    all: Candidate[];
    rows: Candidate[];
    /** The bracket of the answer above. */
    first: number;
    anyPrinter: boolean;
    opened: string | null;
    ticked: string[];
    onOpen: (key: string) => void;
    onTick: ((key: string, on: boolean) => void) | undefined;
    children: (candidate: Candidate) => ReactNode;
};

const GRID = 'grid grid-cols-[minmax(0,1fr)_4.25rem_4.25rem_2.75rem] sm:grid-cols-[15rem_minmax(0,1fr)_4.25rem_4.25rem_2.75rem] items-center gap-x-2';

/** The alternatives on one scale; those that cannot be told apart stand in one bracket. */
export function Rows({ all, rows, first, anyPrinter, opened, ticked, onOpen, onTick, children }: Props) {
    const [ref, width] = useWidth(420);
    const x = scaleOf(all, width);
    const seconds = all[0]?.strip.axis === 's';
    const brackets = [...new Set(rows.map((row) => row.bracket))];
    return (
        <div>
            <div className={`${GRID} mt-3 text-sm text-soft`}>
                <span className="font-[650]">{say('choose.then_these')}</span>
                <div ref={ref} className="col-span-4 row-start-2 sm:col-span-1 sm:row-start-auto">
                    <Axis x={x} seconds={seconds} />
                </div>
                <What name={say('choose.hold')} says={say('choose.what_hold_is')} chapter="what-the-numbers-mean" className="text-right! font-[650]">{say('choose.hold')}</What>
                <What name={say('choose.let_go')} says={say('choose.what_release_is')} chapter="what-the-numbers-mean" className="text-right! font-[650]">{say('choose.let_go')}</What>
                <span />
            </div>
            {brackets.map((bracket) => (
                <div key={bracket} className="relative">
                    {bracket === first ? null : <p className="pt-2 pb-0.5 text-sm font-[650]">{say('choose.from_here_on_likely_worse_than')}</p>}
                    <span aria-hidden className="absolute top-2 bottom-2 -left-3 hidden w-2 border-y-2 border-l-2 border-strong sm:block" />
                    <ol aria-label={bracket === first ? say('choose.not_told_apart_from_the_first') : say('choose.not_told_apart')}>
                        {rows
                            .filter((row) => row.bracket === bracket)
                            .map((row) => (
                                <Row key={row.key} candidate={row} x={x} anyPrinter={anyPrinter} open={opened === row.key} ticked={ticked.includes(row.key)} onOpen={() => onOpen(row.key)} onTick={onTick && ((on) => onTick(row.key, on))}>
                                    {opened === row.key ? children(row) : null}
                                </Row>
                            ))}
                    </ol>
                </div>
            ))}
        </div>
    );
}

function Axis({ x, seconds }: { x: ScaleLinear<number, number>; seconds: boolean }) {
    const temperature = useQuantity('temperature');
    const count = useQuantity('count');
    const ticks = useTicks(x, seconds);
    const [, width = 0] = x.range();
    return (
        <svg width={width} height={18} className="block overflow-visible" role="img" aria-label={seconds ? say('choose.exposure_in_seconds') : say('choose.temperature_at_the_surface', { symbol: temperature.symbol })}>
            {ticks.map((tick) => (
                <text key={tick} x={x(tick)} y={13} textAnchor="middle" className="fill-soft text-[12px]">
                    {seconds ? count.bare(tick) : temperature.bare(tick)}
                </text>
            ))}
        </svg>
    );
}

type RowProps = { candidate: Candidate; x: ScaleLinear<number, number>; anyPrinter: boolean; open: boolean; ticked: boolean; onOpen: () => void; onTick: ((on: boolean) => void) | undefined; children: ReactNode };

function Row({ candidate, x, anyPrinter, open, ticked, onOpen, onTick, children }: RowProps) {
    const shares = useShares();
    const range = candidate.estimate ? 'italic text-soft' : 'font-[650]';
    return (
        <li className={`border-b border-line ${open ? 'bg-well' : ''}`}>
            <div className={GRID} style={{ minHeight: ROW_HEIGHT }}>
                <button type="button" className="min-h-[42px] min-w-0 text-left leading-[1.15] hover:underline" aria-expanded={open} aria-label={say('choose.row', { label: candidate.label, surface: candidate.surfaceName })} onClick={onOpen}>
                    <span className="block truncate">
                        <strong className="font-[650]">{candidate.sideLabel}</strong> <span className="text-[0.8125rem] text-soft">{candidate.surfaceName}</span>
                    </span>
                    <span className="block truncate text-[0.9375rem]">
                        {[anyPrinter ? candidate.printerName : null, candidate.agentName ?? say('choose.bare'), candidate.bedOff ? say('choose.bed_off') : null, candidate.proven ? say('choose.proven_here_2') : null, candidate.missed.length > 0 ? say('choose.not_as_wished') : null].filter(Boolean).join(' · ')}
                    </span>
                </button>
                <div className="col-span-4 row-start-2 sm:col-span-1 sm:row-start-auto">
                    <RowStrip candidate={candidate} x={x} />
                </div>
                <span className={`text-right whitespace-nowrap ${range}`}>{shares(candidate.hold.range90)}</span>
                <span className={`text-right whitespace-nowrap ${range}`}>{shares(candidate.release.range90)}</span>
                {onTick ? (
                    <Checkbox.Root checked={ticked} onCheckedChange={(on) => onTick(on === true)} aria-label={say('choose.compare_this', { label: candidate.label })} className="flex size-11 items-center justify-center">
                        <span className={`flex size-5 items-center justify-center rounded-sm border-2 ${ticked ? 'border-accent bg-accent text-accent-ink' : 'border-strong bg-sheet'}`}>
                            <Checkbox.Indicator>
                                <Check className="size-4" aria-hidden />
                            </Checkbox.Indicator>
                        </span>
                    </Checkbox.Root>
                ) : (
                    <span />
                )}
            </div>
            {children}
        </li>
    );
}
