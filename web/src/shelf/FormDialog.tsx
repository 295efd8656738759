import { ChevronRight } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';

import { call, newId, Problem } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Fault } from '../ui/Notice';
import { Conflict } from './Conflict';

type Stored = { id: string; version: number };

/** Saves a shelf row, new or changed; a stale change shows both versions and can be sent again on top of the newer one. */
export function useSave<Draft extends object>(path: string, row: Stored | null, touches: string[], onDone: () => void, sent: (draft: Draft) => object = (draft) => draft) {
    const [id] = useState(newId);
    // Read when it is sent: the button that keeps mine sets it just before.
    const version = useRef(row?.version ?? 0);
    const save = useChange((draft: Draft) => (row ? call('PUT', `${path}/${row.id}`, { ...sent(draft), version: version.current }) : call('POST', path, { ...sent(draft), id })), touches, onDone);
    const fault = save.error instanceof Problem ? save.error : undefined;
    const onVersion = (newer: number) => {
        version.current = newer;
    };
    return { save, fault, onVersion, sent };
}

export function FormDialog<Draft extends object>({ title, draft, setDraft, saving, onDone, wide, read, children }: { title: string; draft: Draft; wide?: boolean; /** Makes a draft of what the server has, where they differ. */ read?: (theirs: object) => Draft; setDraft: (draft: Draft) => void; saving: ReturnType<typeof useSave<Draft>>; onDone: () => void; children: ReactNode }) {
    return (
        <Dialog title={title} wide={wide} open onOpen={(open) => !open && onDone()}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    saving.save.mutate(draft);
                }}
            >
                {children}
                {saving.fault?.theirs ? (
                    <Conflict
                        mine={saving.sent(draft)}
                        theirs={saving.fault.theirs}
                        onTakeTheirs={(theirs) => {
                            setDraft(read ? read(theirs) : (theirs as Draft));
                            saving.save.reset();
                        }}
                        onVersion={saving.onVersion}
                    />
                ) : (
                    <Fault error={saving.save.error} />
                )}
                <div>
                    <Button type="submit" tone="main" disabled={saving.save.isPending}>
                        Save
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}

export type FormProps<T> = { row: T | null; /** The row to begin from where it is copied. */ from: T | null; onDone: () => void };

/** Opens by itself where a fault is in it. */
export function More({ title, fields, fault, children }: { title: string; fields: string[]; fault: Problem | undefined; children: ReactNode }) {
    return (
        <details className="group border-t border-line pt-1" open={fault?.errors.some((each) => fields.some((field) => each.field.startsWith(field))) ?? false}>
            <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-[650]">
                <ChevronRight className="size-5 group-open:rotate-90" aria-hidden />
                {title}
            </summary>
            <div className="flex flex-col gap-4 pt-2">{children}</div>
        </details>
    );
}
