import { FileCheck2 } from 'lucide-react';
import { useRef } from 'react';

import { api, ask } from '../../api/client';
import { useChange } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Fault, Notice } from '../../ui/Notice';
import { say } from '../../words/say';
import type { Sheet } from './sheet';

/** The file on the printer's card, held against the plan before the print begins. */
export function FileCheck({ sheet }: { sheet: Sheet }) {
    const input = useRef<HTMLInputElement>(null);
    const check = useChange((file: File) => ask(api.POST('/api/runs/{id}/file', { params: { path: { id: sheet.run.id } }, body: '', bodySerializer: () => file, headers: { 'Content-Type': 'application/octet-stream' } })), ['runs']);
    const answer = check.data;
    return (
        <div className="flex max-w-2xl flex-col gap-3">
            <input
                ref={input}
                type="file"
                accept=".gcode,.gco,.g"
                className="sr-only"
                tabIndex={-1}
                aria-label={say('test.file_to_check')}
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    event.target.value = '';
                    if (file) check.mutate(file);
                }}
            />
            <div className="flex flex-wrap items-center gap-3">
                <Button onClick={() => input.current?.click()} disabled={check.isPending}>
                    <FileCheck2 className="size-5" aria-hidden /> {check.isPending ? say('test.reading_the_file') : say('test.check_the_file')}
                </Button>
                <p>{say('test.file_state', { file: sheet.file })}</p>
            </div>
            <Fault error={check.error} />
            {answer ? (
                <Notice tone={answer.same === false || answer.differs.length > 0 ? 'caution' : 'sound'}>
                    <p className="font-[650]">{say('test.file_answer', { same: String(answer.same), differs: answer.differs.length })}</p>
                    {answer.differs.length > 0 ? (
                        <ul className="list-disc pl-5">
                            {answer.differs.map((sentence) => (
                                <li key={sentence}>{sentence}</li>
                            ))}
                        </ul>
                    ) : null}
                </Notice>
            ) : null}
        </div>
    );
}
