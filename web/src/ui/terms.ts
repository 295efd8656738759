import { useSuspenseQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { termsQuery } from '../api/queries';
import type { FigureName } from './quantity';
import { MEASURE_WORDS, STEP_WORDS } from './words';

export type AddedMeasure = Schemas['Terms']['measures'][number];

/** In which kind of figure a measure that every shop has is read; those without one are words or counts. */
const FIGURE_OF: Record<string, FigureName> = { pull_hot: 'force', pull_cold: 'force', lift: 'length', release_temp: 'temperature' };
/** The same of a mean. */
const MEAN_OF: Record<string, FigureName> = { pull_hot: 'force_mean', pull_cold: 'force_mean', lift: 'length', release_temp: 'temperature_mean' };

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Measures, steps and methods by their words: those that every shop has, and those that were added on the server. */
export function useTerms() {
    const { data } = useSuspenseQuery(termsQuery);
    const added = (key: string) => data.measures.find((measure) => measure.key === key);
    const continuous = (key: string) => {
        const measure = added(key);
        return measure?.scale === 'continuous' ? (measure.figure as FigureName) : undefined;
    };
    return {
        measures: data.measures,
        added,
        measure: (key: string) => MEASURE_WORDS[key] ?? capital(added(key)?.words ?? key),
        step: (key: string) => STEP_WORDS[key] ?? data.steps.find((step) => step.key === key)?.words ?? key,
        method: (key: string) => data.methods.find((method) => method.key === key)?.words ?? key,
        /** Undefined: it is no figure. */
        figure: (key: string) => FIGURE_OF[key] ?? continuous(key),
        mean: (key: string) => MEAN_OF[key] ?? continuous(key) ?? 'number',
    };
}
