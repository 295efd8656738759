import type { Schemas } from '../api/client';
import { say } from '../words/say';

export type FormProps<T> = { row: T | null; /** The row to begin from where it is copied. */ from: T | null; onDone: () => void };

export const HOLD_DOWNS: { value: Schemas['HoldDown']; label: string }[] = [
    { value: 'magnet', label: say('shelf.magnets') },
    { value: 'clips', label: say('shelf.clips') },
    { value: 'screws', label: say('shelf.screws_it_stays_on') },
    { value: 'glue', label: say('shelf.glue_it_stays_on') },
    { value: 'pad', label: say('shelf.a_tacky_pad') },
    { value: 'loose', label: say('shelf.nothing') },
];
