import type { ReactNode } from 'react';

import { say } from '../words/say';
import { What } from './What';

/** Figures of the tables: what each is called, what it is, and where the manual has more of it. */
const FIGURES = {
    n: { name: say('figure.n'), says: say('figure.n_is'), chapter: 'judge' },
    mean: { name: say('judge.mean'), says: say('figure.mean_is'), chapter: 'judge' },
    sd: { name: say('figure.sd'), says: say('figure.sd_is'), chapter: 'judge' },
    interval95: { name: say('judge.95_interval'), says: say('figure.interval95_is'), chapter: 'judge' },
    stress: { name: say('figure.stress'), says: say('figure.stress_is'), chapter: 'test' },
    difference: { name: say('judge.difference'), says: say('figure.difference_is'), chapter: 'judge' },
    p: { name: say('figure.p'), says: say('figure.p_is'), chapter: 'judge' },
    held: { name: say('figure.held'), says: say('figure.held_is'), chapter: 'judge' },
    passes: { name: say('test.it_passes'), says: say('figure.passes_is'), chapter: 'test' },
    runs: { name: say('test.runs'), says: say('figure.runs_is'), chapter: 'test' },
    accepted: { name: say('figure.accepted'), says: say('figure.accepted_is'), chapter: 'keep' },
    fitted: { name: say('care.since_fitted'), says: say('figure.fitted_is'), chapter: 'care' },
    washed: { name: say('care.since_washed'), says: say('figure.washed_is'), chapter: 'care' },
    coat: { name: say('care.on_this_coat'), says: say('figure.coat_is'), chapter: 'care' },
} as const;

/** A figure, or the word above a column of them, that opens to what it is. */
export function Figure({ of, children }: { of: keyof typeof FIGURES; children: ReactNode }) {
    return <What {...FIGURES[of]}>{children}</What>;
}
