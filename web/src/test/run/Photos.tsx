import { useState } from 'react';

import { api, ask, type Schemas } from '../../api/client';
import { useChange } from '../../api/queries';
import { useOutbox } from '../../shell/outbox';
import { CameraButton } from '../../ui/CameraButton';
import { Fault } from '../../ui/Notice';
import { PhotoDialog } from '../../ui/PhotoDialog';
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
    return (
        <section aria-label={say('test.photos')} className="flex flex-col gap-2">
            <h3>{say('test.photos')}</h3>
            <Fault error={error} />
            <div className="flex flex-wrap gap-2">
                {SHOWS.map((shows) => (
                    <CameraButton key={shows} label={PHOTO_WORDS[shows]} onImage={(image) => touch({ kind: 'photo', shows, image })} onError={setError} />
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
                <PhotoDialog title={PHOTO_WORDS[shown.shows]} alt={PHOTO_WORDS[shown.shows]} src={`/api/photos/${shown.id}`} photo={shown} withdraw={withdraw} onClose={() => setLarge(null)} />
            ) : null}
        </section>
    );
}
