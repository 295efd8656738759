import { FileUp } from 'lucide-react';
import { type DragEvent, useEffect, useId, useRef, useState } from 'react';

import { readPart, type Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { CheckField, NumberField, QuantityField, SquareField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { useArea, useQuantity } from '../ui/quantity';
import { PatchView } from './PatchView';

type Part = Schemas['Part'];
type State = { kind: 'none' } | { kind: 'reading'; name: string; stop: AbortController } | { kind: 'failed'; name: string; error: Error };

const NO_PART: Part = { contactAreaMm2: 400, outlineMm: 80, spanMm: 28, barWidthMm: 20, heightMm: 20, sharpCorners: 4, thinEnds: 0, islands: 1 };

type Props = {
    reading: { name: string; shape: Schemas['PartReading'] } | null;
    part: Part | null;
    advice: Schemas['Advice'] | null;
    onRead: (name: string, shape: Schemas['PartReading']) => void;
    onPart: (part: Part | null) => void;
    onAdvised: () => void;
    used: Schemas['Foothold'] | null;
};

/** The part: dropped as a file, or its few figures typed in. */
export function PartDrop({ reading, part, advice, onRead, onPart, onAdvised, used }: Props) {
    const [state, setState] = useState<State>({ kind: 'none' });
    const [over, setOver] = useState(false);
    const [typing, setTyping] = useState(false);
    const input = useRef<HTMLInputElement>(null);
    const id = useId();
    const take = async (file: File | undefined) => {
        if (!file) return;
        const stop = new AbortController();
        setState({ kind: 'reading', name: file.name, stop });
        try {
            const shape = await readPart(file, stop.signal);
            setState({ kind: 'none' });
            setTyping(false);
            onRead(file.name, shape);
        } catch (error) {
            setState(stop.signal.aborted ? { kind: 'none' } : { kind: 'failed', name: file.name, error: error instanceof Error ? error : new Error('The file could not be read.') });
        }
    };
    const drop = (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        void take(event.dataTransfer.files[0]);
    };
    const articulated = part?.articulated ?? false;
    const otherwise = advice !== null && used !== null && (used.kind !== advice.foothold.kind || used.mm !== advice.foothold.mm);
    return (
        <section
            aria-label="The part"
            className={`mb-6 rounded-sm border border-dashed px-4 py-3 ${over ? 'border-accent bg-accent-wash' : 'border-strong'}`}
            onDragOver={(event) => {
                event.preventDefault();
                setOver(true);
            }}
            onDragLeave={() => setOver(false)}
            onDrop={drop}
        >
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                <input ref={input} id={id} type="file" accept=".stl,.3mf,.gcode,.gco,.g" className="sr-only" tabIndex={-1} aria-label="File of the part" onChange={(event) => { void take(event.target.files?.[0]); event.target.value = ''; }} />
                <Button onClick={() => input.current?.click()}>
                    <FileUp className="size-5" aria-hidden /> {part ? 'Another part' : 'Read a part'}
                </Button>
                <p className="text-soft">
                    {state.kind === 'reading' ? <Reading name={state.name} /> : reading ? <strong className="text-ink">{reading.name}</strong> : part ? 'By typed figures.' : 'Or drop it here: STL, 3MF or G-code. It is read and not kept.'}
                </p>
                {state.kind === 'reading' ? (
                    <Button tone="quiet" onClick={() => state.stop.abort()}>
                        Cancel
                    </Button>
                ) : null}
                {part ? (
                    <>
                        <CheckField label="Articulated" checked={articulated} onValue={(on) => onPart({ ...part, articulated: on })} />
                        <Button tone="quiet" onClick={() => { setTyping(false); onPart(null); }}>
                            Without a part
                        </Button>
                    </>
                ) : (
                    <Button tone="quiet" onClick={() => { setTyping(true); onPart(NO_PART); }}>
                        Type its figures
                    </Button>
                )}
            </div>
            {state.kind === 'failed' ? (
                <div className="mt-3">
                    <Fault error={state.error} />
                </div>
            ) : null}
            {reading && part ? <Read shape={reading.shape} /> : null}
            {part && (typing || !reading) ? <Typed part={part} onPart={onPart} /> : null}
            {advice && part ? (
                <p className="mt-3 flex flex-wrap items-center gap-3">
                    <span>
                        <strong>Around it: </strong>
                        {advice.sentence}
                    </span>
                    {otherwise ? <Button onClick={onAdvised}>Do as advised</Button> : null}
                </p>
            ) : null}
        </section>
    );
}

/** How long it has been at it, once that is longer than one waits without a word. */
function Reading({ name }: { name: string }) {
    const [seconds, setSeconds] = useState(0);
    useEffect(() => {
        const timer = setInterval(() => setSeconds((was) => was + 1), 1000);
        return () => clearInterval(timer);
    }, []);
    return (
        <span className="flex flex-wrap items-center gap-3">
            Reading {name} …{seconds > 0 ? ` ${seconds}\u00a0s` : ''}
            {seconds > 0 ? <progress className="h-2 w-40" aria-label={`Reading ${name}`} /> : null}
        </span>
    );
}

function Read({ shape }: { shape: Schemas['PartReading'] }) {
    const length = useQuantity('length');
    const temperature = useQuantity('temperature');
    const area = useArea().text;
    const first = shape.firstLayer;
    const facts: [string, string][] = [
        ['Contact', `${area(shape.contactAreaMm2)}${shape.parts > 1 ? `, ${shape.parts} parts` : shape.islands > 1 ? `, ${shape.islands} feet` : ''}`],
        ['Outline', length.text(shape.outlineMm, 0)],
        ['Size', `${length.bare(shape.widthMm, 1)} × ${length.bare(shape.depthMm, 1)} × ${length.text(shape.heightMm, 1)}`],
        ['Slenderness', `${shape.slenderness.toFixed(1)} (height ÷ foot)`],
        ['Corners', `${shape.sharpCorners.length} sharp, ${shape.thinEnds.length} thin ${shape.thinEnds.length === 1 ? 'end' : 'ends'}`],
        ['Volume', `${(shape.volumeMm3 / 1000).toFixed(1)}\u00a0cm³`],
    ];
    if (first) {
        facts.push(['First layer', `${length.text(first.heightMm)}, lines ${length.text(first.lineWidthMm)}, ${Math.round(first.speedMmS)}\u00a0mm/s`]);
        facts.push(['In the file', [first.bedC === null ? null : `bed ${temperature.text(first.bedC)}${first.bedLaterC !== null && first.bedLaterC !== first.bedC ? `, then ${temperature.text(first.bedLaterC)}` : ''}`, first.nozzleC === null ? null : `nozzle ${temperature.text(first.nozzleC)}`, first.raft ? 'raft' : first.brim ? `brim ${area(first.brimAreaMm2)}` : 'no brim', first.skirt ? 'skirt' : null].filter(Boolean).join(', ')]);
    }
    return (
        <div className="mt-3 grid items-start gap-4 sm:grid-cols-[13rem_minmax(0,1fr)]">
            <PatchView shape={shape} />
            <div>
                <dl className="grid grid-cols-[6.5rem_minmax(0,1fr)] gap-x-3 gap-y-0.5">
                    {facts.map(([name, value]) => (
                        <div key={name} className="contents">
                            <dt className="text-soft">{name}</dt>
                            <dd>{value}</dd>
                        </div>
                    ))}
                </dl>
                {shape.remarks.length > 0 ? (
                    <div className="mt-2">
                        <Notice>
                            {shape.remarks.map((remark) => (
                                <p key={remark}>{remark}</p>
                            ))}
                        </Notice>
                    </div>
                ) : null}
            </div>
        </div>
    );
}

function Typed({ part, onPart }: { part: Part; onPart: (part: Part) => void }) {
    const set = (some: Partial<Part>) => onPart({ ...part, ...some });
    return (
        <div className="mt-3 grid grid-cols-2 gap-4 sm:grid-cols-4 xl:grid-cols-7">
            <SquareField label="Contact" value={part.contactAreaMm2} onValue={(n) => n !== null && n >= 0 && set({ contactAreaMm2: n })} />
            <QuantityField label="Outline" kind="length" value={part.outlineMm} onValue={(n) => n !== null && n >= 0 && set({ outlineMm: n })} />
            <QuantityField label="Longest span" kind="length" value={part.spanMm} onValue={(n) => n !== null && n >= 0 && set({ spanMm: n })} />
            <QuantityField label="Width of foot" kind="length" value={part.barWidthMm} onValue={(n) => n !== null && n >= 0 && set({ barWidthMm: n })} />
            <QuantityField label="Height" kind="length" value={part.heightMm} onValue={(n) => n !== null && n >= 0 && set({ heightMm: n })} />
            <NumberField label="Sharp corners" value={part.sharpCorners ?? 0} onValue={(n) => n !== null && n >= 0 && set({ sharpCorners: Math.round(n) })} />
            <NumberField label="Thin ends" value={part.thinEnds ?? 0} onValue={(n) => n !== null && n >= 0 && set({ thinEnds: Math.round(n) })} />
        </div>
    );
}
