import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Problem, Schemas } from '../api/client';
import { usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { NumberField, QuantityField, SelectField } from '../ui/Field';
import { inUse } from '../ui/inUse';
import { say } from '../words/say';
import { FOOTHOLD_WORDS, isResin, type Job } from './request';
import { WishesDialog, wishesInWords } from './WishesDialog';

type Props = { job: Job; onJob: (part: Partial<Job>) => void; fault: Problem | undefined; printers: Schemas['Printer'][]; lots: Schemas['Lot'][]; catalogue: Schemas['Catalogue'] };


/** What is to be printed, and what if: every change ranks anew. */
export function JobForm({ job, onJob, fault, printers, lots, catalogue }: Props) {
    const { data: usual } = useSuspenseQuery(usualQuery);
    const [wishing, setWishing] = useState(false);
    const foothold = job.foothold ?? null;
    const articulated = job.part?.articulated ?? false;
    const kinds = Object.entries(FOOTHOLD_WORDS).filter(([kind]) => kind === 'none' || !articulated);
    const wishes = job.wishes ?? {};
    const resin = isResin(catalogue, job.materialId);
    return (
        <form className="mb-5 grid grid-cols-2 gap-4 sm:grid-cols-3 xl:grid-cols-6" aria-label={say('choose.what_is_to_be_printed')} onSubmit={(event) => event.preventDefault()}>
            <SelectField
                label={say('choose.material')}
                value={job.materialId}
                onValue={(materialId) => onJob({ materialId, bedC: null, nozzleC: null, gapMm: null, foothold: isResin(catalogue, materialId) ? null : (job.foothold ?? null), lotId: lots.find((lot) => lot.id === job.lotId)?.materialId === materialId ? job.lotId : null })}
                empty={say('choose.choose')}
                options={inUse(catalogue.materials, job.materialId)}
                error={fault?.of('materialId')}
            />
            <SelectField label={say('choose.printer')} value={job.printerId} onValue={(printerId) => onJob({ printerId, bedC: null })} empty={say('choose.choose')} options={printers.filter((p) => !p.retired).map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
            <SelectField
                label={say('choose.lot')}
                value={job.lotId ?? ''}
                onValue={(id) => onJob({ lotId: id || null })}
                empty={say('choose.any')}
                options={lots.filter((l) => !l.retired && l.materialId === job.materialId).map((l) => ({ value: l.id, label: `${l.label}, ${l.name}` }))}
                error={fault?.of('lotId')}
            />
            <QuantityField label={say('choose.room')} kind="temperature" value={job.roomC} onValue={(roomC) => roomC !== null && onJob({ roomC })} error={fault?.of('roomC')} />
            <NumberField label={say('choose.parts_on_the_plate')} value={job.partCount} onValue={(n) => n !== null && onJob({ partCount: Math.max(1, Math.round(n)) })} error={fault?.of('partCount')} />
            <NumberField label={say('choose.job_minutes')} value={job.jobMinutes ?? null} onValue={(jobMinutes) => onJob({ jobMinutes })} placeholder={say('choose.unknown')} error={fault?.of('jobMinutes')} />
            {resin ? null : <QuantityField label={say('choose.bed_display')} kind="temperature" value={job.bedC ?? null} onValue={(bedC) => onJob({ bedC })} placeholder={say('choose.as_worked_out')} error={fault?.of('bedC')} />}
            {resin ? null : (
                <SelectField
                    label={say('choose.around_the_part')}
                    value={foothold?.kind ?? ''}
                    onValue={(kind) => onJob({ foothold: kind === '' ? null : { kind: kind as Schemas['FootholdKind'], mm: kind === 'brim' ? usual.foothold.brimMm : kind === 'ears' ? usual.foothold.earRadiusMm : 0 } })}
                    empty={say('choose.as_advised')}
                    options={kinds.map(([value, label]) => ({ value, label }))}
                    error={fault?.of('foothold.kind')}
                />
            )}
            {!resin && foothold && (foothold.kind === 'brim' || foothold.kind === 'ears') ? (
                <QuantityField label={foothold.kind === 'brim' ? say('choose.brim_width') : say('choose.ears_radius')} kind="length" value={foothold.mm} onValue={(mm) => mm !== null && mm >= 0 && onJob({ foothold: { ...foothold, mm } })} error={fault?.of('foothold.mm')} />
            ) : null}
            {resin ? null : <QuantityField label={say('choose.first_layer_gap_2')} kind="length" value={job.gapMm ?? null} onValue={(gapMm) => onJob({ gapMm })} placeholder={say('choose.as_usual_2')} error={fault?.of('gapMm')} />}
            {resin ? null : <QuantityField label={say('choose.first_layer_nozzle')} kind="temperature" value={job.nozzleC ?? null} onValue={(nozzleC) => onJob({ nozzleC })} placeholder={say('choose.as_usual_2')} error={fault?.of('nozzleC')} />}
            <SelectField
                label={say('choose.agent')}
                value={job.agent ?? ''}
                onValue={(agent) => onJob({ agent: agent || null })}
                empty={say('choose.bare_and_all')}
                options={[{ value: 'bare', label: say('choose.bare_only') }, ...catalogue.agents.map((a) => ({ value: a.id, label: say('choose.only', { a: a.name }) }))]}
                error={fault?.of('agent')}
            />
            <div className="col-span-2 flex flex-col gap-1 sm:col-span-1">
                <span className="text-sm font-[650]" aria-hidden>{say('choose.wishes')}</span>
                <Button className="w-full justify-start truncate font-normal!" onClick={() => setWishing(true)} aria-label={say('choose.wishes_and_order_2', { wishes: wishesInWords(wishes) })}>
                    {wishesInWords(wishes)}
                </Button>
            </div>
            <WishesDialog wishes={wishes} onWishes={(next) => onJob({ wishes: next })} open={wishing} onOpen={setWishing} />
        </form>
    );
}
