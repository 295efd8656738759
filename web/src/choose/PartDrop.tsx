import { FileUp } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { CheckField, NumberField, QuantityField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { useFigures } from '../ui/quantity';
import { useAnswer } from '../ui/useAnswer';
import { say } from '../words/say';
import { PatchView } from './PatchView';
import type { Reading } from './usePartReader';

type Part = Schemas['Part'];

const BLOCK = { lengthMm: 20, widthMm: 20, heightMm: 20 };

type Props = {
    /** What stands against a field. */
    at: (field: string) => string | undefined;
    reading: Reading | null;
    part: Part | null;
    advice: Schemas['Advice'] | null;
    onFile: (file: File | undefined) => void;
    onPart: (part: Part | null) => void;
    onAdvised: () => void;
    used: Schemas['Foothold'] | null;
};

/** The part: dropped as a file, or its few figures typed in. */
export function PartDrop({ at, reading, part, advice, onFile, onPart, onAdvised, used }: Props) {
    const [typing, setTyping] = useState(false);
    const [block, setBlock] = useState<typeof BLOCK | null>(null);
    const follows = useAnswer('block', block, (size, signal) => ask(api.POST('/api/parts/box', { signal, body: size })));
    const made = follows.behind ? undefined : follows.data?.part;
    // What is changed of it afterwards stands until its size is typed anew.
    useEffect(() => {
        if (made) onPart(made);
        // eslint-disable-next-line react-hooks/exhaustive-deps -- onPart is another with each drawing.
    }, [made]);
    const input = useRef<HTMLInputElement>(null);
    const id = useId();
    const articulated = part?.articulated ?? false;
    const otherwise = advice !== null && used !== null && (used.kind !== advice.foothold.kind || used.mm !== advice.foothold.mm);
    return (
        <section aria-label={say('choose.the_part')} className="text-base">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                <input ref={input} id={id} type="file" accept=".stl,.3mf,.gcode,.gco,.g" className="sr-only" tabIndex={-1} aria-label={say('choose.file_of_the_part')} onChange={(event) => { setTyping(false); setBlock(null); onFile(event.target.files?.[0]); event.target.value = ''; }} />
                <Button onClick={() => input.current?.click()}>
                    <FileUp className="size-5" aria-hidden /> {part ? say('choose.another_part') : say('choose.read_a_part')}
                </Button>
                <p className="text-soft">{reading && part ? <strong className="text-ink">{reading.name}</strong> : part ? say('choose.by_typed_figures') : say('choose.or_drop_it_here_stl_3mf')}</p>
                {part ? (
                    <>
                        <CheckField label={say('choose.articulated')} checked={articulated} onValue={(on) => onPart({ ...part, articulated: on })} />
                        <Button tone="quiet" onClick={() => { setTyping(false); setBlock(null); onPart(null); }}>{say('choose.without_a_part')}</Button>
                    </>
                ) : (
                    <Button tone="quiet" onClick={() => { setTyping(true); setBlock(BLOCK); }}>{say('choose.type_its_size')}</Button>
                )}
            </div>
            {reading && part ? <Read shape={reading.shape} /> : null}
            {typing && block ? (
                <div className="mt-3">
                    <div className="grid max-w-xl grid-cols-3 gap-4">
                        <QuantityField label={say('choose.length')} kind="length" value={block.lengthMm} onValue={(n) => n !== null && n > 0 && setBlock({ ...block, lengthMm: n })} />
                        <QuantityField label={say('choose.width')} kind="length" value={block.widthMm} onValue={(n) => n !== null && n > 0 && setBlock({ ...block, widthMm: n })} />
                        <QuantityField label={say('choose.height')} kind="length" value={block.heightMm} onValue={(n) => n !== null && n > 0 && setBlock({ ...block, heightMm: n })} />
                    </div>
                    <Fault error={follows.error} />
                    {follows.data ? <p className="mt-2">{follows.data.words}</p> : null}
                </div>
            ) : null}
            {part && (typing || !reading) ? <Typed part={part} at={at} onPart={onPart} sized={block !== null} /> : null}
            {advice && part ? (
                <p className="mt-3 flex flex-wrap items-center gap-3">
                    <span>
                        <strong>{say('choose.around_it')}{' '}</strong>
                        {advice.sentence}
                    </span>
                    {otherwise ? <Button onClick={onAdvised}>{say('choose.do_as_advised')}</Button> : null}
                </p>
            ) : null}
        </section>
    );
}

function Read({ shape }: { shape: Schemas['PartReading'] }) {
    const figure = useFigures();
    const length = figure('length');
    const temperature = figure('temperature');
    const area = figure('area').text;
    const size = figure('length_about');
    const first = shape.firstLayer;
    const facts: [string, string][] = [
        [say('choose.contact'), say('choose.contact_and_pieces', { contactAreaMm2: area(shape.contactAreaMm2), partsIf: shape.parts > 1, parts: (shape.parts > 1) ? shape.parts : '', islandsIf: (shape.parts > 1) ? '' :  shape.islands > 1, islands: (shape.parts > 1) ? '' : ( shape.islands > 1) ? shape.islands : '' })],
        [say('choose.outline'), figure('length_rough').text(shape.outlineMm)],
        [say('choose.size'), `${size.bare(shape.widthMm)} × ${size.bare(shape.depthMm)} × ${size.text(shape.heightMm)}`],
        [say('choose.slenderness'), say('choose.height_foot', { slenderness: figure('number_rough').text(shape.slenderness) })],
        [say('choose.corners'), say('choose.sharp_thin_thinends_end', { sharpCorners: shape.sharpCorners.length, thinEnds: shape.thinEnds.length })],
        [say('choose.volume'), figure('volume').text(shape.volumeMm3)],
    ];
    if (first) {
        facts.push([say('choose.first_layer'), say('choose.lines_mm_s', { heightMm: length.text(first.heightMm), lineWidthMm: length.text(first.lineWidthMm), speed: figure('speed').text(first.speedMmS) })]);
        facts.push([say('choose.in_the_file'), [first.bedC === null ? null : say('choose.bed_in_the_file', { bedC: temperature.text(first.bedC), bedLaterCIf: first.bedLaterC !== null && first.bedLaterC !== first.bedC, bedLaterC: (first.bedLaterC !== null && first.bedLaterC !== first.bedC) ? temperature.text(first.bedLaterC) : '' }), first.nozzleC === null ? null : say('choose.nozzle', { nozzleC: temperature.text(first.nozzleC) }), first.raft ? 'raft' : first.brim ? say('choose.brim', { brimAreaMm2: area(first.brimAreaMm2) }) : say('choose.no_brim'), first.skirt ? 'skirt' : null].filter(Boolean).join(', ')]);
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

function Typed({ part, at, onPart, sized }: { part: Part; at: (field: string) => string | undefined; onPart: (part: Part) => void; /** Its height is asked for above. */ sized: boolean }) {
    const set = (some: Partial<Part>) => onPart({ ...part, ...some });
    return (
        <div className="mt-3 grid grid-cols-2 gap-4 sm:grid-cols-4 xl:grid-cols-7">
            <QuantityField kind="area" label={say('choose.contact')} value={part.contactAreaMm2} onValue={(n) => n !== null && set({ contactAreaMm2: n })} error={at('part.contactAreaMm2')} />
            <QuantityField label={say('choose.outline')} kind="length" value={part.outlineMm} onValue={(n) => n !== null && set({ outlineMm: n })} error={at('part.outlineMm')} />
            <QuantityField label={say('choose.longest_span')} kind="length" value={part.spanMm} onValue={(n) => n !== null && set({ spanMm: n })} error={at('part.spanMm')} />
            <QuantityField label={say('choose.width_of_foot')} kind="length" value={part.barWidthMm} onValue={(n) => n !== null && set({ barWidthMm: n })} error={at('part.barWidthMm')} />
            {sized ? null : <QuantityField label={say('choose.height')} kind="length" value={part.heightMm} onValue={(n) => n !== null && set({ heightMm: n })} error={at('part.heightMm')} />}
            <NumberField label={say('choose.sharp_corners')} value={part.sharpCorners ?? 0} onValue={(n) => n !== null && set({ sharpCorners: Math.round(n) })} error={at('part.sharpCorners')} />
            <NumberField label={say('choose.thin_ends')} value={part.thinEnds ?? 0} onValue={(n) => n !== null && set({ thinEnds: Math.round(n) })} error={at('part.thinEnds')} />
        </div>
    );
}
