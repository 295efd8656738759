import type { ReactNode } from 'react';
import { createIntl, createIntlCache, type IntlShape } from 'react-intl';

import type en from './en.json';

/** Of a message of the interface; the texts are in one file per language beside this one. */
export type MessageId = keyof typeof en;

type Plain = string | number | boolean | null | undefined;
/** A figure or a word stands for itself; a tag of the message wraps what it encloses. */
type Rich = Plain | ReactNode | ((words: ReactNode) => ReactNode);

let intl: IntlShape | null = null;

/** Set once, before anything else of the interface is loaded; another language loads the page anew. */
export function speak(locale: string, messages: Record<string, string>): void {
    intl = createIntl({ locale, messages, onError: reportError }, createIntlCache());
    document.documentElement.lang = locale;
}

export function locale(): string {
    return spoken().locale;
}

export function say(id: MessageId, values?: Record<string, Plain>): string {
    return spoken().formatMessage({ id }, values && plain(values));
}

/** The same for a message that wraps some of its words, or takes in what is drawn. */
export function tell(id: MessageId, values: Record<string, Rich>): ReactNode {
    return spoken().formatMessage({ id }, plain(values) as Parameters<IntlShape['formatMessage']>[1]);
}

function plain<Value>(values: Record<string, Value>): Record<string, Exclude<Value, boolean> | string> {
    return Object.fromEntries(Object.entries(values).map(([name, value]) => [name, typeof value === 'boolean' ? String(value) : value])) as Record<string, Exclude<Value, boolean> | string>;
}

function spoken(): IntlShape {
    if (!intl) throw new Error('No language is loaded yet.');
    return intl;
}
