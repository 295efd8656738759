import { useMutation, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, Problem, type Schemas } from '../api/client';
import { calculatorsQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { QuantityField, SelectField } from '../ui/Field';
import { Cautions, Fault } from '../ui/Notice';
import type { FigureName } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

type Calculator = Schemas['Calculator'];

/** The sums of the bench, each by itself. */
export function Sums() {
    const { data: calculators } = useSuspenseQuery(calculatorsQuery);
    return (
        <Sheet
            title={say('care.sums')}
            lead={say('care.sums_of_the_bench')}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/care">{say('care.back_to_care')}</Link>
                </Button>
            }
            margin={
                <MarginNote title={say('care.before_you_pour')}>
                    <p>{say('care.label_what_you_mix')}</p>
                </MarginNote>
            }
        >
            <div className="flex flex-col gap-10">
                {calculators.map((calculator) => (
                    <Sum key={calculator.key} calculator={calculator} />
                ))}
            </div>
        </Sheet>
    );
}

function Sum({ calculator }: { calculator: Calculator }) {
    const [values, setValues] = useState<Record<string, number | null>>(() => Object.fromEntries(calculator.inputs.map((input) => [input.key, input.usual])));
    const given = Object.fromEntries(Object.entries(values).filter((entry): entry is [string, number] => entry[1] !== null));
    const sum = useMutation({ mutationFn: () => ask(api.POST('/api/calculators/{key}', { params: { path: { key: calculator.key } }, body: { values: given } })) });
    const fault = sum.error instanceof Problem ? sum.error : undefined;
    return (
        <form
            aria-label={calculator.words}
            onSubmit={(event) => {
                event.preventDefault();
                sum.mutate();
            }}
        >
            <h2 className="mb-3">{calculator.words}</h2>
            <div className="grid items-end gap-4 sm:grid-cols-4">
                {calculator.inputs.map((input) => input.options.length > 0 ? (
                    <SelectField key={input.key} label={input.words} value={String(values[input.key] ?? 0)} onValue={(value) => setValues((was) => ({ ...was, [input.key]: Number(value) }))} options={input.options.map((label, i) => ({ value: String(i), label }))} />
                ) : (
                    <QuantityField
                        key={input.key}
                        label={input.words}
                        kind={input.figure as FigureName}
                        value={values[input.key] ?? null}
                        onValue={(value) => setValues((was) => ({ ...was, [input.key]: value }))}
                        error={fault?.of(`values.${input.key}`)}
                    />
                ))}
                <Button type="submit" tone="main" disabled={sum.isPending}>
                    {say('care.work_it_out')}
                </Button>
            </div>
            <div className="mt-4 flex flex-col gap-3" role="status">
                {fault && fault.errors.length > 0 && fault.errors.every((each) => each.field !== 'values') ? null : <Fault error={sum.error} />}
                {sum.data ? (
                    <>
                        <p className="text-2xl font-[650]">{sum.data.lines[0]}</p>
                        {sum.data.lines.slice(1).map((line) => (
                            <p key={line}>{line}</p>
                        ))}
                        <Cautions sentences={sum.data.cautions} />
                        <p className="text-sm text-soft">{sum.data.source}</p>
                    </>
                ) : null}
            </div>
        </form>
    );
}
