import { ChevronRight } from 'lucide-react';
import { createContext, useContext, useEffect, useRef, type ReactNode } from 'react';
import { get, type FieldValues } from 'react-hook-form';

import { say } from '../words/say';
import { Button } from './Button';
import { Dialog } from './Dialog';
import type { Draft, Drawn } from './draft';
import { Fault, Notice } from './Notice';

type AnyDraft = Pick<Draft<FieldValues>, 'errorOf' | 'faulty' | 'draw' | 'garbled' | 'needs'>;

const Drafting = createContext<AnyDraft | null>(null);

/** What a field of a draft needs to know; alone, a field is nothing but itself. */
export function useDrawn(name: string | undefined, drawn: Drawn): { error: string | undefined; needed: boolean; garbled: (broken: boolean) => void } {
    const draft = useContext(Drafting);
    const draw = draft?.draw;
    const { label, show } = drawn;
    // How a value reads is made anew at every turn; the field is another one where its name or its label is.
    const reads = useRef(show);
    useEffect(() => {
        reads.current = show;
    });
    useEffect(() => {
        if (name === undefined || !draw) return undefined;
        return draw(name, { label, show: (value) => reads.current(value) });
    }, [name, label, draw]);
    return { error: name === undefined ? undefined : draft?.errorOf(name), needed: name !== undefined && (draft?.needs(name) ?? false), garbled: (broken) => (name === undefined ? undefined : draft?.garbled(name, broken)) };
}

/** What stands against a field, by its name, for whoever draws several fields as one. */
export function useErrors(): (name: string) => string | undefined {
    const draft = useContext(Drafting);
    return (name) => draft?.errorOf(name);
}

/** Fields that are folded away; they open by themselves where a fault is among them. */
export function More({ title, fields, children }: { title: string; fields: string[]; children: ReactNode }) {
    const draft = useContext(Drafting);
    return (
        <details className="group border-t border-line pt-1" open={fields.some((field) => draft?.faulty(field))}>
            <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-[650]">
                <ChevronRight className="size-5 group-open:rotate-90" aria-hidden />
                {title}
            </summary>
            <div className="flex flex-col gap-4 pt-2">{children}</div>
        </details>
    );
}

type Props<Values extends FieldValues> = { draft: Draft<Values>; /** What the button says. */ send: string; big?: boolean; tone?: 'main' | 'plain' | 'danger'; /** Beside the button. */ also?: ReactNode; className?: string; children: ReactNode };

/** A draft with its fields, what stands against it, and the button that sends it. */
export function DraftForm<Values extends FieldValues>({ draft, send, big = false, tone = 'main', also, className = 'flex flex-col gap-4', children }: Props<Values>) {
    return (
        <Drafting.Provider value={draft}>
            <form className={className} noValidate onSubmit={(event) => void draft.submit(event)}>
                {children}
                {draft.marks ? <p className="text-sm text-soft">{say('draft.star_means_needed')}</p> : null}
                {draft.theirs ? <Conflict draft={draft} theirs={draft.theirs} /> : <Fault error={draft.error} />}
                <div className="flex flex-wrap gap-2">
                    <Button type="submit" tone={tone} big={big} disabled={draft.pending}>
                        {send}
                    </Button>
                    {also}
                </div>
            </form>
        </Drafting.Provider>
    );
}

type DialogProps<Values extends FieldValues> = Omit<Props<Values>, 'big' | 'className'> & { title: string; wide?: boolean; onDone: () => void };

/** The same in a window of its own. */
export function DraftDialog<Values extends FieldValues>({ title, wide, onDone, ...form }: DialogProps<Values>) {
    return (
        <Dialog title={title} wide={wide} open onOpen={(open) => !open && onDone()}>
            <DraftForm {...form} />
        </Dialog>
    );
}

/** Both versions of what somebody else changed meanwhile, by the names and in the words of the form; nothing that was entered is lost. */
function Conflict<Values extends FieldValues>({ draft, theirs }: { draft: Draft<Values>; theirs: Values }) {
    const same = (name: string) => JSON.stringify(get(draft.values, name) ?? null) === JSON.stringify(get(theirs, name) ?? null);
    const differing = [...draft.drawn].filter(([name]) => !same(name));
    return (
        <Notice tone="caution">
            <p className="mb-2 font-[650]">{say(differing.length === 0 ? 'draft.changed_alike' : 'draft.changed_meanwhile')}</p>
            {differing.length === 0 ? null : (
                <table className="ledger w-full">
                    <thead>
                        <tr>
                            <th aria-label={say('draft.field')} />
                            <th>{say('draft.yours')}</th>
                            <th>{say('draft.theirs')}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {differing.map(([name, { label, show }]) => (
                            <tr key={name}>
                                <th scope="row">{label}</th>
                                <td>{show(get(draft.values, name))}</td>
                                <td>{show(get(theirs, name))}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <div className="mt-3 flex flex-wrap gap-2">
                <Button onClick={draft.takeTheirs}>{say('draft.take_theirs')}</Button>
                <Button type="submit" onClick={draft.keepMine}>
                    {say('draft.keep_mine')}
                </Button>
            </div>
        </Notice>
    );
}
