import { z } from 'zod/mini';

import { say } from '../words/say';

/** What a form's fields may hold before they are sent; ranges and rules are the server's. */

/** Words that have to be there. */
export const words = () => z.string().check(z.trim(), z.minLength(1, say('draft.needed')));

/** Words that may be missing. */
export const text = () => z.string();

/** A number that has to be there. */
export const number = () => z.number({ error: () => say('draft.number') });

/** A number, or nothing. */
export const maybe = () => z.nullable(number());

export const flag = () => z.boolean();

/** A date, or nothing. */
export const date = () => z.nullable(z.string());

/** What is picked from a list: something has to be. */
export const picked = () => z.string().check(z.minLength(1, say('draft.choose')));

/** One of the contract's own words, or what another field keeps in shape. */
export const as = <Type>() => z.custom<Type>();

export const whole = z.object;
/** What may be left out. */
export const optional = z.exactOptional;
export const list = z.array;
