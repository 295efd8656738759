import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useChange } from '../api/queries';
import type { JobCommand } from '../shell/outbox';
import { Button } from '../ui/Button';
import { CameraButton } from '../ui/CameraButton';
import { ChoiceRow } from '../ui/ChoiceRow';
import { CheckField, QuantityField, TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { PhotoDialog } from '../ui/PhotoDialog';
import { MarkKey, PlateMap } from '../ui/PlateMap';
import { useFigures } from '../ui/quantity';
import { say } from '../words/say';

type Job = Schemas['Job'];

/** What may be said of a print beside the two touches. */
export type More = Omit<Extract<JobCommand, { kind: 'answer' }>, 'kind' | 'outcome' | 'effort'>;

export const NOTHING_MORE: More = { damaged: false, note: '', spot: null, liftMm: null, marks: [] };

type Props = { job: Job; more: More; onMore: (more: More) => void; photosWait: number; onPhoto: (image: Blob) => void; onDrop: () => void };

/** Where it stood or failed, how far a corner was up, harm, a photo, a note; all before the touch that ends it. */
export function MoreToSay({ job, more, onMore, photosWait, onPhoto, onDrop }: Props) {
    const [error, setError] = useState<Error | null>(null);
    const set = (change: Partial<More>) => onMore({ ...more, ...change });
    const failed = (place: number) => more.marks.some((mark) => mark.kind === 'failed' && mark.place === place);
    const toggle = ({ place, x, y }: { place: number; x: number; y: number }) =>
        set({ marks: failed(place) ? more.marks.filter((mark) => mark.kind !== 'failed' || mark.place !== place) : [...more.marks, { kind: 'failed', x, y, place }] });
    const places = job.parts > 1 ? job.plate.places : [];
    return (
        <div className="flex flex-col gap-3 pb-2">
            {job.spots.length > 0 ? <ChoiceRow label={say('prints.where_did_it_stand')} value={more.spot === null ? null : String(more.spot)} onValue={(spot) => set({ spot: Number(spot) })} options={job.spots.map((each) => ({ value: String(each.value), label: each.words }))} /> : null}
            {places.length > 0 ? (
                <section aria-label={say('test.which_parts_failed')}>
                    <h3 className="mb-1">{say('test.which_parts_failed')}</h3>
                    <ul className="flex flex-wrap gap-2">
                        {places.map((each) => (
                            <li key={each.place}>
                                <Button tone={failed(each.place) ? 'danger' : 'plain'} aria-pressed={failed(each.place)} onClick={() => toggle(each)}>
                                    {say('test.part', { place: each.place })}
                                </Button>
                            </li>
                        ))}
                    </ul>
                </section>
            ) : null}
            <div className="max-w-56">
                <QuantityField label={say('prints.lift')} kind="length" value={more.liftMm} onValue={(liftMm) => set({ liftMm })} />
            </div>
            <CheckField label={say('prints.the_plate_was_harmed')} checked={more.damaged} onValue={(damaged) => set({ damaged, marks: damaged ? more.marks : more.marks.filter((mark) => mark.kind === 'failed') })} />
            {more.damaged ? (
                <div>
                    <p>{say('test.touch_where_it_is')}</p>
                    <PlateMap map={job.plate} marks={more.marks.map((mark, i) => ({ ...mark, id: String(i), markedBy: '' }))} label={say('test.map_of_the_plate')} onTouch={(x, y) => set({ marks: [...more.marks, { kind: 'damage', x, y, place: null }] })} />
                    {more.marks.some((mark) => mark.kind === 'damage') ? (
                        <Button tone="quiet" onClick={() => set({ marks: more.marks.filter((_mark, i) => i !== more.marks.findLastIndex((mark) => mark.kind === 'damage')) })}>
                            {say('test.take_the_last_mark_back')}
                        </Button>
                    ) : null}
                </div>
            ) : null}
            <div className="flex flex-wrap items-center gap-3">
                <CameraButton label={say('prints.photo')} onImage={onPhoto} onError={setError} />
                {photosWait > 0 ? <span className="text-soft">{say('test.photos_wait', { waiting: photosWait })}</span> : null}
                {job.photos.length > 0 ? <span>{say('prints.photos_are_there', { photos: job.photos.length })}</span> : null}
            </div>
            <Fault error={error} />
            <TextField label={say('prints.note')} value={more.note} onValue={(note) => set({ note })} maxLength={500} />
            <Button tone="quiet" className="self-start" onClick={onDrop}>
                {say('prints.it_was_not_printed')}
            </Button>
        </div>
    );
}

/** What was said and photographed beside how it ended. */
export function Seen({ job }: { job: Job }) {
    const length = useFigures()('length');
    const [large, setLarge] = useState<string | null>(null);
    const withdraw = useChange((id: string) => ask(api.POST('/api/job-photos/{id}/withdraw', { params: { path: { id } } })), ['jobs'], () => setLarge(null));
    const shown = job.photos.find((photo) => photo.id === large);
    return (
        <>
            {job.liftMm === null ? null : <p className="text-soft">{say('prints.lifted_by', { lift: length.text(job.liftMm) })}</p>}
            {job.marks.length > 0 ? (
                <div className="mt-1 flex flex-wrap items-start gap-4">
                    <PlateMap map={job.plate} marks={job.marks} label={say('test.map_of_the_plate')} narrow />
                    <MarkKey kinds={[...new Set(job.marks.map((mark) => mark.kind))]} />
                </div>
            ) : null}
            {job.photos.length > 0 ? (
                <ul className="mt-1 flex flex-wrap gap-2">
                    {job.photos.map((photo, i) => (
                        <li key={photo.id}>
                            <button type="button" className="block rounded border border-line" onClick={() => setLarge(photo.id)} aria-label={say('prints.look_at_photo', { number: i + 1, title: job.title })}>
                                <img src={`/api/job-photos/${photo.id}`} alt="" loading="lazy" className="h-20 w-28 rounded object-cover" />
                            </button>
                        </li>
                    ))}
                </ul>
            ) : null}
            {shown ? (
                <PhotoDialog title={job.title} alt={say('prints.photo_of', { title: job.title })} src={`/api/job-photos/${shown.id}`} photo={shown} withdraw={withdraw} onClose={() => setLarge(null)} />
            ) : null}
        </>
    );
}
