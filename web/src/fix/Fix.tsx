import { keepPreviousData, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { api, ask } from '../api/client';
import { catalogueQuery, sidesQuery, useSession } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { SelectField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { duration } from '../ui/quantity';
import { Empty, MarginNote, Sheet } from '../ui/Sheet';
import { say, tell } from '../words/say';

export function Fix() {
    const { data: catalogue } = useSuspenseQuery(catalogueQuery);
    const { data: sides } = useSuspenseQuery(sidesQuery);
    const { bench } = useSession();
    const [symptomId, setSymptom] = useState<string | null>(null);
    const [plateSideId, setSide] = useState(bench.plateSideId);
    const { data, error } = useQuery({
        queryKey: ['fix', symptomId, plateSideId],
        queryFn: ({ signal }) => ask(api.POST('/api/fix', { signal, body: { symptomId: symptomId ?? '', plateSideId } })),
        enabled: symptomId !== null,
        placeholderData: keepPreviousData,
    });
    return (
        <Sheet
            title={say('fix.what_is_wrong')}
            lead={say('fix.say_what_you_see_check_in')}
            margin={
                <MarginNote title={say('fix.before_you_tune')}>
                    {data && data.plate.length > 0 ? (
                        data.plate.map((sentence) => (
                            <p key={sentence}>
                                <strong>{sentence}</strong>
                            </p>
                        ))
                    ) : (
                        <p>{say('fix.name_the_plate_and_its_own')}</p>
                    )}
                    <p>{say('fix.cleaning_comes_before_any_change_of')}</p>
                    <p>{tell('fix.noted_a_wash_write_it_down', { link: (words) => <Link to="/care">{words}</Link> })}</p>
                </MarginNote>
            }
        >
            <div className="mb-6 flex flex-col gap-5">
                <ChoiceRow label={say('fix.what_you_see')} value={symptomId} onValue={setSymptom} options={catalogue.checks.symptoms.map((symptom) => ({ value: symptom.id, label: symptom.name }))} />
                <div className="max-w-sm">
                    <SelectField label={say('fix.on_which_plate')} value={plateSideId ?? ''} onValue={(id) => setSide(id || null)} empty={say('fix.not_named')} options={sides.map((s) => ({ value: s.id, label: s.label }))} />
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
                    <p>{say('fix.choose_what_you_see_above')}</p>
                </Empty>
            )}
        </Sheet>
    );
}
