import { useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Problem, Schemas } from '../api/client';
import { usualQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { NumberField, QuantityField, SelectField } from '../ui/Field';
import { inUse } from '../ui/inUse';
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
        <form className="mb-5 grid grid-cols-2 gap-4 sm:grid-cols-3 xl:grid-cols-6" aria-label="What is to be printed" onSubmit={(event) => event.preventDefault()}>
            <SelectField
                label="Material"
                value={job.materialId}
                onValue={(materialId) => onJob({ materialId, bedC: null, nozzleC: null, gapMm: null, foothold: isResin(catalogue, materialId) ? null : (job.foothold ?? null), lotId: lots.find((lot) => lot.id === job.lotId)?.materialId === materialId ? job.lotId : null })}
                empty="Choose …"
                options={inUse(catalogue.materials, job.materialId)}
                error={fault?.of('materialId')}
            />
            <SelectField label="Printer" value={job.printerId} onValue={(printerId) => onJob({ printerId, bedC: null })} empty="Choose …" options={printers.filter((p) => !p.retired).map((p) => ({ value: p.id, label: p.name }))} error={fault?.of('printerId')} />
            <SelectField
                label="Lot"
                value={job.lotId ?? ''}
                onValue={(id) => onJob({ lotId: id || null })}
                empty="any"
                options={lots.filter((l) => !l.retired && l.materialId === job.materialId).map((l) => ({ value: l.id, label: `${l.label}, ${l.name}` }))}
                error={fault?.of('lotId')}
            />
            <QuantityField label="Room" kind="temperature" value={job.roomC} onValue={(roomC) => roomC !== null && onJob({ roomC })} error={fault?.of('roomC')} />
            <NumberField label="Parts on the plate" value={job.partCount} onValue={(n) => n !== null && onJob({ partCount: Math.max(1, Math.round(n)) })} error={fault?.of('partCount')} />
            <NumberField label="Job, minutes" value={job.jobMinutes ?? null} onValue={(jobMinutes) => onJob({ jobMinutes })} placeholder="unknown" error={fault?.of('jobMinutes')} />
            {resin ? null : <QuantityField label="Bed display" kind="temperature" value={job.bedC ?? null} onValue={(bedC) => onJob({ bedC })} placeholder="as reckoned" error={fault?.of('bedC')} />}
            {resin ? null : (
                <SelectField
                    label="Around the part"
                    value={foothold?.kind ?? ''}
                    onValue={(kind) => onJob({ foothold: kind === '' ? null : { kind: kind as Schemas['FootholdKind'], mm: kind === 'brim' ? usual.foothold.brimMm : kind === 'ears' ? usual.foothold.earRadiusMm : 0 } })}
                    empty="as advised"
                    options={kinds.map(([value, label]) => ({ value, label }))}
                    error={fault?.of('foothold.kind')}
                />
            )}
            {!resin && foothold && (foothold.kind === 'brim' || foothold.kind === 'ears') ? (
                <QuantityField label={foothold.kind === 'brim' ? 'Brim, width' : 'Ears, radius'} kind="length" value={foothold.mm} onValue={(mm) => mm !== null && mm >= 0 && onJob({ foothold: { ...foothold, mm } })} error={fault?.of('foothold.mm')} />
            ) : null}
            {resin ? null : <QuantityField label="First-layer gap" kind="length" value={job.gapMm ?? null} onValue={(gapMm) => onJob({ gapMm })} placeholder="as usual" error={fault?.of('gapMm')} />}
            {resin ? null : <QuantityField label="First-layer nozzle" kind="temperature" value={job.nozzleC ?? null} onValue={(nozzleC) => onJob({ nozzleC })} placeholder="as usual" error={fault?.of('nozzleC')} />}
            <SelectField
                label="Agent"
                value={job.agent ?? ''}
                onValue={(agent) => onJob({ agent: agent || null })}
                empty="bare and all"
                options={[{ value: 'bare', label: 'bare only' }, ...catalogue.agents.map((a) => ({ value: a.id, label: `${a.name} only` }))]}
                error={fault?.of('agent')}
            />
            <div className="col-span-2 flex flex-col gap-1 sm:col-span-1">
                <span className="text-sm font-[650]" aria-hidden>
                    Wishes
                </span>
                <Button className="w-full justify-start truncate font-normal!" onClick={() => setWishing(true)} aria-label={`Wishes and order: ${wishesInWords(wishes)}`}>
                    {wishesInWords(wishes)}
                </Button>
            </div>
            <WishesDialog wishes={wishes} onWishes={(next) => onJob({ wishes: next })} open={wishing} onOpen={setWishing} />
        </form>
    );
}
