import { useMutation } from '@tanstack/react-query';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';

import { api, ask } from '../api/client';
import { Button } from '../ui/Button';
import { Fault } from '../ui/Notice';
import { say } from '../words/say';
import type { PlanValues } from './planShape';

type Held = PlanValues['constants'];

/** The file that is printed, or a design of one's own: what it sets is taken over, and each run is held against it. */
export function PlanFile({ constants, set }: { constants: Held; set: (constants: Held) => void }) {
    const input = useRef<HTMLInputElement>(null);
    const [taken, setTaken] = useState<string | null>(null);
    const read = useMutation({
        mutationFn: (file: File) => ask(api.POST('/api/plans/file', { body: '', bodySerializer: () => file, headers: { 'Content-Type': 'application/octet-stream' } })),
        onSuccess: ({ digest, piece, settings }, file) => {
            setTaken(file.name);
            if (settings) {
                const { nozzleFirstC, firstLayerSpeedMmS, lineWidthMm, bedFirstC, bedOtherC } = settings;
                set({ ...constants, gcodeName: file.name, file: { digest, bedFirstC, bedOtherC }, firstLayerSpeedMmS, lineWidthMm, ...(nozzleFirstC === null ? {} : { nozzleFirstC }) });
            } else {
                const { alongPullMm, acrossPullMm, contactAreaMm2, sectionMm3 } = piece;
                set({ ...constants, piece: { ...constants.piece, name: file.name.replace(/\.[^.]+$/, ''), alongPullMm, acrossPullMm, contactAreaMm2, sectionMm3 } });
            }
        },
    });
    return (
        <div
            className="flex flex-wrap items-center gap-3"
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
                event.preventDefault();
                const file = event.dataTransfer.files[0];
                if (file) read.mutate(file);
            }}
        >
            <input
                ref={input}
                type="file"
                accept=".gcode,.gco,.g,.stl,.3mf"
                className="sr-only"
                tabIndex={-1}
                aria-label={say('test.file_of_the_plan')}
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    event.target.value = '';
                    if (file) read.mutate(file);
                }}
            />
            <Button onClick={() => input.current?.click()} disabled={read.isPending}>
                <FileUp className="size-5" aria-hidden /> {read.isPending ? say('test.reading_the_file') : say('test.take_it_from_the_file')}
            </Button>
            <p className="text-soft">{taken ? say('test.taken_from', { taken }) : constants.file ? say('test.file_is_known', { digest: constants.file.digest.slice(0, 8) }) : say('test.drop_the_g_code_or_a_model')}</p>
            <Fault error={read.error} />
        </div>
    );
}
