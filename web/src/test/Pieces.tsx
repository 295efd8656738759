import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask, Problem, type Schemas } from '../api/client';
import { piecesQuery } from '../api/queries';
import { PatchView } from '../choose/PatchView';
import { Behind } from '../ui/Behind';
import { Button } from '../ui/Button';
import { ChoiceRow } from '../ui/ChoiceRow';
import { NumberField, QuantityField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { useQuantity } from '../ui/quantity';
import { MarginNote, Sheet } from '../ui/Sheet';
import { useAnswer } from '../ui/useAnswer';
import { say } from '../words/say';

type Design = Schemas['TestPieceDesign'];

/** Test pieces to measure: drawn from below as the plate sees them, and their files. */
export function Pieces() {
    const { data: designs } = useSuspenseQuery(piecesQuery);
    const [key, setKey] = useState(designs[0]?.key ?? '');
    const design = designs.find((each) => each.key === key);
    return (
        <Sheet
            title={say('test.test_pieces')}
            lead={say('test.the_same_piece_for_every_run')}
            actions={
                <Button asChild tone="quiet">
                    <Link to="/test">{say('test.back_to_the_comparisons')}</Link>
                </Button>
            }
            margin={
                <MarginNote title={say('test.own_designs')}>
                    <p>{say('test.own_designs_go')}</p>
                </MarginNote>
            }
        >
            <ChoiceRow label={say('test.piece')} value={key} onValue={setKey} options={designs.map((each) => ({ value: each.key, label: each.words }))} />
            {design ? <Piece key={design.key} design={design} /> : null}
        </Sheet>
    );
}

function Piece({ design }: { design: Design }) {
    const area = useQuantity('area');
    const length = useQuantity('length');
    const count = useQuantity('count');
    const [values, setValues] = useState<Record<string, number | null>>(() => Object.fromEntries(design.inputs.map((input) => [input.key, input.usual])));
    const [number, setNumber] = useState<number | null>(1);
    const given = Object.fromEntries(Object.entries(values).filter((entry): entry is [string, number] => entry[1] !== null));
    const whole = Object.keys(given).length === design.inputs.length;
    const { data, error, behind } = useAnswer('piece', whole ? { key: design.key, values: given, number } : null, (body, signal) => ask(api.POST('/api/test-pieces/{key}', { signal, params: { path: { key: body.key } }, body: { values: body.values, number: body.number } })));
    const fault = error instanceof Problem ? error : undefined;
    const file = (format: 'stl' | '3mf') => `/api/test-pieces/${design.key}/file?${new URLSearchParams([['format', format], ['number', number === null ? '' : String(number)], ...Object.entries(given).map(([name, value]) => [`values[${name}]`, String(value)])]).toString()}`;
    return (
        <div className="mt-5 flex flex-col gap-5">
            <p className="max-w-[46rem]">{design.purpose}</p>
            <div className="grid gap-x-8 gap-y-4 md:grid-cols-[minmax(0,1fr)_14rem]">
                <div className="grid content-start gap-4 sm:grid-cols-2">
                    {design.inputs.map((input) => {
                        const props = { label: input.words, value: values[input.key] ?? null, onValue: (value: number | null) => setValues((was) => ({ ...was, [input.key]: value })), error: fault?.of(`values.${input.key}`) };
                        return input.count ? <NumberField key={input.key} {...props} whole /> : <QuantityField key={input.key} {...props} kind="length" />;
                    })}
                    <NumberField label={say('test.number_on_top')} value={number} onValue={setNumber} whole error={fault?.of('number')} hint={say('test.number_on_top_hint')} />
                </div>
                <div className="flex flex-col gap-3">
                    <Behind behind={behind}>{data ? <PatchView shape={data.shape} /> : null}</Behind>
                    <div className="flex flex-wrap gap-2">
                        <Button asChild tone="main">
                            <a href={error || !whole ? undefined : file('stl')} download aria-disabled={Boolean(error) || !whole}>
                                {say('test.download_stl')}
                            </a>
                        </Button>
                        <Button asChild>
                            <a href={error || !whole ? undefined : file('3mf')} download aria-disabled={Boolean(error) || !whole}>
                                {say('test.download_3mf')}
                            </a>
                        </Button>
                    </div>
                </div>
            </div>
            {fault && fault.errors.length > 0 ? null : <Fault error={error} />}
            {data ? (
                <p>
                    {say('test.piece_facts', {
                        area: area.text(data.shape.contactAreaMm2),
                        height: length.text(data.shape.heightMm),
                        parts: data.shape.islands,
                        alongX: count.bare(data.sectionAlongXMm3),
                        alongY: count.bare(data.sectionAlongYMm3),
                        facets: data.shape.facets ?? 0,
                    })}
                </p>
            ) : null}
        </div>
    );
}
