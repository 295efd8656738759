import type { Schemas } from '../api/client';
import { say } from '../words/say';
import { Button } from './Button';
import { Dialog } from './Dialog';
import { Fault } from './Notice';
import { moment } from './quantity';

type Props = {
    title: string;
    alt: string;
    src: string;
    photo: Pick<Schemas['Job']['photos'][number], 'id' | 'width' | 'height' | 'takenBy' | 'at'>;
    withdraw: { isPending: boolean; error: Error | null; mutate: (id: string) => void };
    onClose: () => void;
};

/** A photo in large: who took it and when, and taking it back. */
export function PhotoDialog({ title, alt, src, photo, withdraw, onClose }: Props) {
    return (
        <Dialog title={title} open wide onOpen={onClose}>
            <img src={src} alt={alt} width={photo.width} height={photo.height} className="mb-3 h-auto max-h-[70dvh] w-full object-contain" />
            <Fault error={withdraw.error} />
            <div className="flex flex-wrap items-center justify-between gap-3">
                <p className="text-soft">{say('test.taken_by', { by: photo.takenBy, at: moment(photo.at) })}</p>
                <Button tone="danger" disabled={withdraw.isPending} onClick={() => withdraw.mutate(photo.id)}>
                    {say('test.take_the_photo_back')}
                </Button>
            </div>
        </Dialog>
    );
}
