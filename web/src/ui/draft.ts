import { zodResolver } from '@hookform/resolvers/zod';
import { useCallback, useRef, useState } from 'react';
import { get, useForm, useWatch, type DefaultValues, type FieldValues, type Path, type Resolver } from 'react-hook-form';
import { v7 } from 'uuid';
import type { z } from 'zod/mini';

import { Problem } from '../api/client';
import { useChange } from '../api/queries';
import { say } from '../words/say';

/** A field as it was drawn: what it is called, and how its value reads. */
export type Drawn = { label: string; show: (value: unknown) => string };

/** What somebody is entering, until the server has it. */
export type Draft<Values extends FieldValues> = {
    values: Values;
    set: (part: Partial<Values>) => void;
    /** A field's name, its value, and what to do with another. */
    at: <Name extends keyof Values & string>(name: Name) => { name: Name; value: Values[Name]; onValue: (value: Values[Name]) => void };
    errorOf: (name: string) => string | undefined;
    /** Whether a field whose name begins so has a fault. */
    faulty: (prefix: string) => boolean;
    /** Whether a field cannot be left empty. */
    needs: (name: string) => boolean;
    /** Whether some field cannot. */
    marks: boolean;
    draw: (name: string, drawn: Drawn) => () => void;
    drawn: ReadonlyMap<string, Drawn>;
    /** Of a field whose text is no value: nothing is sent while there is one. */
    garbled: (name: string, broken: boolean) => void;
    submit: (event?: React.BaseSyntheticEvent) => Promise<void>;
    pending: boolean;
    error: Error | null;
    /** What the server has by now, where somebody else saved in between. */
    theirs: Values | null;
    takeTheirs: () => void;
    keepMine: () => void;
};

type Options<Values extends FieldValues, Body, Answer> = {
    start: () => Values;
    /** Checks the shape and makes what is sent; ranges are the server's. */
    schema: z.ZodMiniType<Body>;
    /** What is changed, as it was when somebody began. */
    row?: { version: number } | null;
    send: (body: Body, version: number) => Promise<Answer>;
    touches: string[];
    /** What is entered, of what the server has by now. */
    read?: (theirs: Record<string, unknown>) => Values;
    after?: (answer: Answer) => void;
};

/** By what the shape says to nothing: a number or words that may not be missing. */
function needed(schema: unknown, name: string): boolean {
    const field = name.split('.').reduce<unknown>((part, step) => (part as { shape?: Record<string, unknown> } | undefined)?.shape?.[step], schema) as z.ZodMiniType | undefined;
    return field !== undefined && ['string', 'number'].includes(field._zod.def.type) && !field.safeParse(null).success && !field.safeParse('').success;
}

/** Where everything is needed, nothing has to be marked. */
function marked(schema: unknown): boolean {
    const names = Object.keys((schema as { shape?: object }).shape ?? {});
    const of = names.map((name) => needed(schema, name));
    return of.includes(true) && of.includes(false);
}

function isFieldError(error: unknown): error is { message: string } {
    return typeof error === 'object' && error !== null && 'message' in error && typeof error.message === 'string' && error.message !== '';
}

/** The key of what is made here: the same however often it is sent. */
export function useKey(): string {
    const [key] = useState(() => v7());
    return key;
}

/**
 * The one way in which something is entered and sent. A change names the version that its draft began with, whatever was
 * fetched since; where somebody else saved in between, both stand side by side and the person decides.
 */
export function useDraft<Values extends FieldValues, Body, Answer>({ start, schema, row = null, send, touches, read, after }: Options<Values, Body, Answer>): Draft<Values> {
    const [first] = useState(start);
    // Read when it is sent: keeping mine moves it on to theirs just before.
    const version = useRef(row?.version ?? 0);
    const [broken] = useState(() => new Set<string>());
    const [drawn] = useState(() => new Map<string, Drawn>());
    const form = useForm<Values, unknown, FieldValues>({ defaultValues: first as DefaultValues<Values>, resolver: zodResolver(schema as never) as unknown as Resolver<Values, unknown, FieldValues> });
    const change = useChange((body: Body) => send(body, version.current), touches, after);
    // Read here, so that a change of them draws anew.
    const { errors, isSubmitted } = form.formState;
    const values = useWatch({ control: form.control }) as Values;
    const fault = change.error instanceof Problem ? change.error : undefined;
    const stale = fault?.theirs;
    const put = <Name extends keyof Values & string>(name: Name, value: Values[Name]) => form.setValue(name as unknown as Path<Values>, value, { shouldDirty: true, shouldValidate: isSubmitted });
    const draw = useCallback(
        (name: string, field: Drawn) => {
            drawn.set(name, field);
            return () => {
                drawn.delete(name);
                broken.delete(name);
            };
        },
        [drawn, broken],
    );
    const garbled = useCallback(
        (name: string, isBroken: boolean) => {
            if (isBroken) broken.add(name);
            else broken.delete(name);
        },
        [broken],
    );
    const errorOf = (name: string) => {
        const error: unknown = get(errors, name);
        return isFieldError(error) ? error.message : fault?.of(name);
    };
    const faulty = (prefix: string) => [...Object.keys(errors), ...(fault?.errors.map((each) => each.field) ?? [])].some((name) => name.startsWith(prefix));
    const set = (part: Partial<Values>) => {
        for (const [name, value] of Object.entries(part)) put(name, value as Values[string]);
    };
    const submit = form.handleSubmit((body) => {
        if (broken.size > 0) return;
        change.mutate(body as Body);
    });
    const theirs = stale ? (read ? read(stale) : (stale as Values)) : null;
    const onto = () => {
        version.current = typeof stale?.version === 'number' ? stale.version : version.current;
    };
    const marks = marked(schema);
    return {
        values,
        set,
        needs: (name) => marks && needed(schema, name),
        marks,
        at: (name) => ({ name, value: values[name], onValue: (value) => put(name, value) }),
        errorOf,
        faulty,
        draw,
        drawn,
        garbled,
        submit,
        pending: change.isPending,
        error: change.error ?? (isSubmitted && Object.keys(errors).length > 0 ? new Error(say('draft.look')) : null),
        theirs,
        takeTheirs: () => {
            if (!theirs) return;
            onto();
            form.reset(Object.fromEntries(Object.keys(first).map((name) => [name, theirs[name]])) as Values);
            change.reset();
        },
        keepMine: onto,
    };
}
