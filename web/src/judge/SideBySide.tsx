import { queryOptions, useSuspenseQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { SelectField } from '../ui/Field';
import { PHOTO_WORDS } from '../ui/words';
import { say } from '../words/say';

type Photo = Schemas['ComparedPhoto'];

export const photosQuery = (id: string) => queryOptions({ queryKey: ['comparisons', id, 'photos'], queryFn: ({ signal }) => ask(api.GET('/api/comparisons/{id}/photos', { signal, params: { path: { id } } })) });

/** Two photos beside each other, to begin with the same thing of two setups. */
export function SideBySide({ id }: { id: string }) {
    const { data: photos } = useSuspenseQuery(photosQuery(id));
    const [left, setLeft] = useState<string | null>(null);
    const [right, setRight] = useState<string | null>(null);
    const first = photos.find((photo) => photo.id === left) ?? photos[0];
    if (!first) return null;
    const second = photos.find((photo) => photo.id === right) ?? photos.find((photo) => photo.shows === first.shows && photo.setup !== first.setup) ?? photos.find((photo) => photo.id !== first.id);
    const options = photos.map((photo) => ({ value: photo.id, label: say('judge.photo_of', { setup: photo.setup, run: photo.run, shows: PHOTO_WORDS[photo.shows] }) }));
    return (
        <section className="mt-8" aria-label={say('judge.photos_side_by_side')}>
            <h2 className="mb-2">{say('judge.photos_side_by_side')}</h2>
            <div className="grid gap-4 sm:grid-cols-2">
                <Half photo={first} label={say('judge.left')} options={options} onPick={setLeft} />
                {second ? <Half photo={second} label={say('judge.right')} options={options} onPick={setRight} /> : null}
            </div>
        </section>
    );
}

function Half({ photo, label, options, onPick }: { photo: Photo; label: string; options: { value: string; label: string }[]; onPick: (id: string) => void }) {
    return (
        <figure>
            <figcaption className="mb-2">
                <SelectField label={label} value={photo.id} onValue={onPick} options={options} />
            </figcaption>
            <img src={`/api/photos/${photo.id}`} alt={say('judge.photo_of', { setup: photo.setup, run: photo.run, shows: PHOTO_WORDS[photo.shows] })} width={photo.width} height={photo.height} className="h-auto max-h-96 w-full rounded border border-line object-contain" />
        </figure>
    );
}
