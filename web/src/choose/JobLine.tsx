import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Problem, Schemas } from '../api/client';
import { usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { NumberField, QuantityField, SelectField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { duration, useFigures } from '../ui/quantity';
import { Word } from '../ui/Word';
import { say, tell } from '../words/say';
import { AlsoOnThePlate } from './AlsoOnThePlate';
import { PartDrop } from './PartDrop';
import { PatchThumb } from './PatchView';
import { FOOTHOLD_WORDS, isResin, type Job } from './request';
import type { Reading } from './usePartReader';
import { WishesDialog, wishesInWords } from './WishesDialog';

/** What the list has for "on whichever". */
const ANY = 'any';

type Props = {
    job: Job;
    reading: Reading | null;
    named: string | undefined;
    advice: Schemas['Advice'] | null;
    onJob: (part: Partial<Job>) => void;
    onFile: (file: File | undefined) => void;
    fault: Problem | undefined;
    printers: Schemas['Printer'][];
    lots: Schemas['Lot'][];
    catalogue: Schemas['Catalogue'];
};

/** The job as one sentence; every change of a word ranks anew. */
export function JobLine({ job, reading, named, advice, onJob, onFile, fault, printers, lots, catalogue }: Props) {
    const { data: usual } = useSuspenseQuery(usualQuery);
    const figure = useFigures();
    const [wishing, setWishing] = useState(false);
    const material = catalogue.materials.find((each) => each.id === job.materialId);
    const lot = lots.find((each) => each.id === job.lotId);
    const printer = printers.find((each) => each.id === job.printerId);
    const resin = isResin(catalogue, job.materialId);
    const foothold = job.foothold ?? null;
    const articulated = job.part?.articulated ?? false;
    const kinds = Object.entries(FOOTHOLD_WORDS).filter(([kind]) => kind === 'none' || !articulated);
    const wishes = job.wishes ?? {};
    const also = job.alsoMaterialIds ?? [];
    const tools = job.part ? (reading?.shape.firstLayer?.tools.length ?? 1) : 1;
    const unnamed = Math.max(0, tools - 1 - also.length);
    const wished = wishesInWords(wishes);
    const agent = catalogue.agents.find((each) => each.id === job.agent);
    const at = (field: string) => fault?.of(field);
    const byHand = [job.bedC == null ? null : say('choose.bed_at', { bedC: figure('temperature').text(job.bedC) }), job.gapMm == null ? null : say('choose.gap_of', { gapMm: figure('length').text(job.gapMm) }), job.nozzleC == null ? null : say('choose.nozzle', { nozzleC: figure('temperature').text(job.nozzleC) }), job.agent === 'bare' ? say('choose.bare_only') : agent ? say('choose.only', { a: agent.name }) : null].filter(Boolean).join(', ');
    const around = foothold === null ? (advice === null ? say('choose.what_is_advised') : say('choose.advised', { foothold: footholdWords(advice.foothold, figure('length').text) })) : footholdWords(foothold, figure('length').text);
    const partWords = job.part ? (named ?? say('choose.part_by_its_figures')) : say('choose.part_not_read', { count: job.partCount });
    return (
        <div className="text-[1.1875rem] leading-[1.7]">
            {tell('choose.job_line', {
                count: (
                    <Word key="count" name={say('choose.word_count', { count: job.partCount })} words={figure('count').bare(job.partCount)} faulty={Boolean(at('partCount'))}>
                        <NumberField label={say('choose.parts_on_the_plate')} value={job.partCount} onValue={(n) => n !== null && onJob({ partCount: n })} error={at('partCount')} />
                    </Word>
                ),
                part: (
                    <Word
                        key="part"
                        wide
                        name={say('choose.word_part', { part: partWords })}
                        words={
                            <>
                                {reading && job.part ? <PatchThumb shape={reading.shape} /> : null}
                                {partWords}
                            </>
                        }
                    >
                        <PartDrop
                            at={at}
                            reading={reading}
                            part={job.part ?? null}
                            advice={advice}
                            used={foothold}
                            onFile={onFile}
                            onPart={(part) => onJob({ part, ...(part === null ? { file: null } : {}), ...(part === null || part.articulated ? { foothold: null } : {}) })}
                            onAdvised={() => onJob({ foothold: null })}
                        />
                    </Word>
                ),
                material: (
                    <Word key="material" name={say('choose.word_material', { material: material?.name ?? say('choose.not_chosen') })} words={[material ? (lot ? `${material.name} ${lot.label}` : material.name) : say('choose.a_material'), ...also.map((id) => catalogue.materials.find((each) => each.id === id)?.name ?? id), ...(unnamed > 0 ? [say('choose.materials_unnamed', { count: unnamed })] : [])].join(' + ')} faulty={Boolean(at('materialId') ?? at('lotId') ?? at('alsoMaterialIds.0'))}>
                        <div className="flex flex-col gap-4">
                            <SelectField
                                label={say('choose.material')}
                                value={job.materialId}
                                onValue={(materialId) => onJob({ materialId, bedC: null, nozzleC: null, gapMm: null, foothold: isResin(catalogue, materialId) ? null : foothold, lotId: lot?.materialId === materialId ? job.lotId : null, ...(isResin(catalogue, materialId) === resin ? {} : { printerId: printerFor(printers, isResin(catalogue, materialId)) }) })}
                                empty={say('choose.choose')}
                                options={inUse(catalogue.materials, job.materialId)}
                                error={at('materialId')}
                            />
                            <SelectField label={say('choose.lot')} value={job.lotId ?? ''} onValue={(id) => onJob({ lotId: id || null })} empty={say('choose.any')} options={lots.filter((each) => !each.retired && each.materialId === job.materialId).map((each) => ({ value: each.id, label: `${each.label}, ${each.name}` }))} error={at('lotId')} />
                            {resin || job.materialId === '' ? null : <AlsoOnThePlate also={also} onAlso={(alsoMaterialIds) => onJob({ alsoMaterialIds, bedC: null })} not={job.materialId} catalogue={catalogue} />}
                            {unnamed > 0 ? <p className="text-soft">{say('choose.the_file_has_several', { count: tools })}</p> : null}
                        </div>
                    </Word>
                ),
                printer: (
                    <Word key="printer" name={say('choose.word_printer', { printer: printer?.name ?? say('choose.any_printer') })} words={printer?.name ?? say('choose.any_printer')} faulty={Boolean(at('printerId'))}>
                        <SelectField
                            label={say('choose.printer')}
                            value={job.printerId ?? ANY}
                            onValue={(id) => onJob({ printerId: id === ANY ? null : id, bedC: null })}
                            options={[{ value: ANY, label: say('choose.any_printer') }, ...printers.filter((each) => !each.retired).map((each) => ({ value: each.id, label: each.name }))]}
                            error={at('printerId')}
                        />
                    </Word>
                ),
                room: (
                    <Word key="room" name={say('choose.word_room', { room: figure('temperature').text(job.roomC) })} words={figure('temperature').text(job.roomC)} faulty={Boolean(at('roomC'))}>
                        <QuantityField label={say('choose.room')} kind="temperature" value={job.roomC} onValue={(roomC) => roomC !== null && onJob({ roomC })} error={at('roomC')} />
                    </Word>
                ),
                minutes: (
                    <Word key="minutes" name={say('choose.word_minutes', { minutes: job.jobMinutes == null ? say('choose.not_said') : duration(job.jobMinutes) })} words={job.jobMinutes == null ? say('choose.however_long') : say('choose.about', { minutes: duration(job.jobMinutes) })} faulty={Boolean(at('jobMinutes'))}>
                        <NumberField label={say('choose.job_minutes')} value={job.jobMinutes ?? null} onValue={(jobMinutes) => onJob({ jobMinutes })} placeholder={say('choose.unknown')} error={at('jobMinutes')} />
                    </Word>
                ),
                foothold: resin ? say('choose.nothing_2') : (
                    <Word key="foothold" name={say('choose.word_foothold', { foothold: around })} words={around} faulty={Boolean(at('foothold.kind') ?? at('foothold.mm'))}>
                        <div className="flex flex-col gap-4">
                            <SelectField
                                label={say('choose.around_the_part')}
                                value={foothold?.kind ?? ''}
                                onValue={(kind) => onJob({ foothold: kind === '' ? null : { kind: kind as Schemas['FootholdKind'], mm: kind === 'brim' ? usual.foothold.brimMm : kind === 'ears' ? usual.foothold.earRadiusMm : 0 } })}
                                empty={say('choose.as_advised')}
                                options={kinds.map(([value, label]) => ({ value, label }))}
                                error={at('foothold.kind')}
                            />
                            {foothold && (foothold.kind === 'brim' || foothold.kind === 'ears') ? (
                                <QuantityField label={foothold.kind === 'brim' ? say('choose.brim_width') : say('choose.ears_radius')} kind="length" value={foothold.mm} onValue={(mm) => mm !== null && onJob({ foothold: { ...foothold, mm } })} error={at('foothold.mm')} />
                            ) : null}
                            {advice ? <p className="text-soft">{advice.sentence}</p> : <p className="text-soft">{say('choose.advice_wants_a_part')}</p>}
                        </div>
                    </Word>
                ),
                wishes: (
                    <button key="wishes" type="button" aria-label={say('choose.wishes_and_order_2', { wishes: wished ?? say('choose.none') })} className="-my-1 inline rounded-sm px-0.5 py-1 font-[650] underline decoration-accent decoration-2 underline-offset-4 hover:bg-accent-wash" onClick={() => setWishing(true)}>
                        {wished === null ? say('choose.no_wishes') : say('choose.wished', { wishes: wished })}
                    </button>
                ),
                byHand: (
                    <Word key="byHand" name={say('choose.word_by_hand', { what: byHand === '' ? say('choose.nothing_2') : byHand })} words={byHand === '' ? say('choose.nothing_by_hand') : say('choose.set_by_hand', { what: byHand })} faulty={Boolean(at('bedC') ?? at('gapMm') ?? at('nozzleC') ?? at('agent'))}>
                        <div className="flex flex-col gap-4">
                            {resin || !job.printerId ? null : <QuantityField label={say('choose.bed_display')} kind="temperature" value={job.bedC ?? null} onValue={(bedC) => onJob({ bedC })} placeholder={say('choose.as_worked_out')} error={at('bedC')} />}
                            {resin ? null : <QuantityField label={say('choose.first_layer_gap_2')} kind="length" value={job.gapMm ?? null} onValue={(gapMm) => onJob({ gapMm })} placeholder={say('choose.as_usual_2')} error={at('gapMm')} />}
                            {resin ? null : <QuantityField label={say('choose.first_layer_nozzle')} kind="temperature" value={job.nozzleC ?? null} onValue={(nozzleC) => onJob({ nozzleC })} placeholder={say('choose.as_usual_2')} error={at('nozzleC')} />}
                            <SelectField label={say('choose.agent')} value={job.agent ?? ''} onValue={(id) => onJob({ agent: id || null })} empty={say('choose.bare_and_all')} options={[{ value: 'bare', label: say('choose.bare_only') }, ...catalogue.agents.map((a) => ({ value: a.id, label: say('choose.only', { a: a.name }) }))]} error={at('agent')} />
                            <Button tone="quiet" onClick={() => onJob({ bedC: null, gapMm: null, nozzleC: null, agent: null })}>{say('choose.all_as_worked_out')}</Button>
                        </div>
                    </Word>
                ),
            })}
            <WishesDialog wishes={wishes} onWishes={(next) => onJob({ wishes: next })} open={wishing} onOpen={setWishing} />
        </div>
    );
}

function footholdWords(foothold: Schemas['Foothold'], length: (mm: number) => string): string {
    return foothold.kind === 'brim' || foothold.kind === 'ears' ? say('choose.foothold_of', { kind: FOOTHOLD_WORDS[foothold.kind], mm: length(foothold.mm) }) : FOOTHOLD_WORDS[foothold.kind];
}

/** The only one of its kind, else any of them. */
function printerFor(printers: Schemas['Printer'][], resin: boolean): string | null {
    const fits = printers.filter((each) => !each.retired && (each.kind === 'resin') === resin);
    return fits.length === 1 ? (fits[0]?.id ?? null) : null;
}
