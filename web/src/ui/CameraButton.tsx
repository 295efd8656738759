import { Camera } from 'lucide-react';

import { say } from '../words/say';
import { smaller } from './smaller';

/** Takes a picture with the camera of the tablet or picks one from it; made small enough to send. */
export function CameraButton({ label, onImage, onError }: { label: string; onImage: (image: Blob) => Promise<void> | void; onError: (error: Error | null) => void }) {
    const take = async (file: File | undefined) => {
        if (!file) return;
        onError(null);
        try {
            await onImage(await smaller(file));
        } catch {
            onError(new Error(say('test.no_picture_in_this_file')));
        }
    };
    return (
        <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded border border-strong bg-sheet px-4 font-[650] focus-within:outline-2 hover:bg-well">
            <Camera className="size-5" aria-hidden />
            {label}
            <input
                type="file"
                accept="image/jpeg,image/png,image/webp"
                capture="environment"
                className="sr-only"
                onChange={(event) => {
                    void take(event.target.files?.[0]);
                    event.target.value = '';
                }}
            />
        </label>
    );
}
