import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { call } from '../api/client';
import { catalogueQuery, platesQuery, useSession } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { duration } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';

type Diagnosis = { plate: string[]; checks: { id: string; sentence: string; minutes: number }[] };

export function Fix() {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: plates } = useSuspenseQuery(platesQuery);
    const { bench } = useSession();
    const [symptomId, setSymptom] = useState<string | null>(null);
    const [plateSideId, setSide] = useState(bench.plateSideId);
    const { data, error } = useQuery({
        queryKey: ['fix', symptomId, plateSideId],
        queryFn: () => call<Diagnosis>('POST', '/fix', { symptomId, plateSideId }),
        enabled: symptomId !== null,
        placeholderData: keepPreviousData,
    });
    return (
        <Sheet
            title="What is wrong?"
            lead="Say what you see; check in this order, the cheapest likely cause first."
            margin={
                <MarginNote title="Before you tune">
                    {data && data.plate.length > 0 ? (
                        data.plate.map((sentence) => (
                            <p key={sentence}>
                                <strong>{sentence}</strong>
                            </p>
                        ))
                    ) : (
                        <p>Name the plate, and its own history joins in.</p>
                    )}
                    <p>Cleaning comes before any change of settings. Change one thing at a time.</p>
                    <p>
                        Noted a wash? Write it down in <Link to="/care">Care</Link>.
                    </p>
                </MarginNote>
            }
        >
            <div className="mb-6 flex flex-col gap-5">
                <ChoiceRow label="What you see" value={symptomId} onValue={setSymptom} options={catalogue.checks.symptoms.map((symptom) => ({ value: symptom.id, label: symptom.name }))} />
                <div className="max-w-sm">
                    <SelectField label="On which plate" value={plateSideId ?? ''} onValue={(id) => setSide(id || null)} empty="not named" options={plates.filter((p) => !p.retired).flatMap((p) => p.sides.map((s) => ({ value: s.id, label: s.label })))} />
                </div>
            </div>
            <Fault error={error} />
            {data && symptomId ? (
                <ol>
                    {data.checks.map((check, i) => (
                        <li key={check.id} className={`grid grid-cols-[2.5rem_minmax(0,1fr)_6rem] items-baseline gap-3 border-b border-line py-3 ${i === 0 ? 'text-xl font-[650]' : ''}`}>
                            <span className="text-right text-soft">{i + 1}</span>
                            <span>{check.sentence}</span>
                            <span className="text-right text-base font-normal text-soft">{duration(check.minutes)}</span>
                        </li>
                    ))}
                </ol>
            ) : (
                <Empty>
                    <p>Choose what you see above.</p>
                </Empty>
            )}
        </Sheet>
    );
}
