import { Camera } from 'lucide-react';
import { useState } from 'react';

import { api, ask, type Schemas } from '../../api/client';
import { useChange } from '../../api/queries';
import { useOutbox } from '../../shell/outbox';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Fault } from '../../ui/Notice';
import { moment } from '../../ui/quantity';
import { smaller } from '../../ui/smaller';
import { PHOTO_WORDS } from '../../ui/words';
import { say } from '../../words/say';
import { useTouch, type Sheet } from './sheet';

type Shows = Schemas['PhotoShows'];

const SHOWS: Shows[] = ['underside', 'lift', 'damage'];

/** What the part and the plate look like; taken with the camera of the tablet or picked from it. */
export function Photos({ sheet }: { sheet: Sheet }) {
    const touch = useTouch(sheet);
    const [error, setError] = useState<Error | null>(null);
    const [large, setLarge] = useState<string | null>(null);
    const withdraw = useChange((id: string) => ask(api.POST('/api/photos/{id}/withdraw', { params: { path: { id } } })), ['runs', 'comparisons'], () => setLarge(null));
    const waiting = useOutbox().waiting.filter((entry) => entry.runId === sheet.run.id && entry.command.kind === 'photo').length;
    const shown = sheet.photos.find((photo) => photo.id === large);
    const take = async (shows: Shows, file: File | undefined) => {
        if (!file) return;
        setError(null);
        try {
            await touch({ kind: 'photo', shows, image: await smaller(file) });
        } catch {
            setError(new Error(say('test.no_picture_in_this_file')));
        }
    };
    return (
        <section aria-label={say('test.photos')} className="flex flex-col gap-2">
            <h3>{say('test.photos')}</h3>
            <Fault error={error ?? withdraw.error} />
            <div className="flex flex-wrap gap-2">
                {SHOWS.map((shows) => (
                    <label key={shows} className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded border border-strong bg-sheet px-4 font-[650] focus-within:outline-2 hover:bg-well">
                        <Camera className="size-5" aria-hidden />
                        {PHOTO_WORDS[shows]}
                        <input
                            type="file"
                            accept="image/jpeg,image/png,image/webp"
                            capture="environment"
                            className="sr-only"
                            onChange={(event) => {
                                void take(shows, event.target.files?.[0]);
                                event.target.value = '';
                            }}
                        />
                    </label>
                ))}
            </div>
            {waiting > 0 ? <p className="text-soft">{say('test.photos_wait', { waiting })}</p> : null}
            {sheet.photos.length > 0 ? (
                <ul className="flex flex-wrap gap-2">
                    {sheet.photos.map((photo) => (
                        <li key={photo.id}>
                            <button type="button" className="block rounded border border-line" onClick={() => setLarge(photo.id)} aria-label={say('test.look_at_photo', { shows: PHOTO_WORDS[photo.shows] })}>
                                <img src={`/api/photos/${photo.id}`} alt={PHOTO_WORDS[photo.shows]} loading="lazy" className="h-24 w-32 rounded object-cover" />
                            </button>
                        </li>
                    ))}
                </ul>
            ) : null}
            {shown ? (
                <Dialog title={PHOTO_WORDS[shown.shows]} open wide onOpen={() => setLarge(null)}>
                    <img src={`/api/photos/${shown.id}`} alt={PHOTO_WORDS[shown.shows]} width={shown.width} height={shown.height} className="mb-3 h-auto max-h-[70dvh] w-full object-contain" />
                    <div className="flex flex-wrap items-center justify-between gap-3">
                        <p className="text-soft">{say('test.taken_by', { by: shown.takenBy, at: moment(shown.at) })}</p>
                        <Button tone="danger" disabled={withdraw.isPending} onClick={() => withdraw.mutate(shown.id)}>
                            {say('test.take_the_photo_back')}
                        </Button>
                    </div>
                </Dialog>
            ) : null}
        </section>
    );
}
