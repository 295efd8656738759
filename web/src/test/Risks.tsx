import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useChange, useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField, CheckField } from '../ui/Field';
import { Fault, Notice } from '../ui/Notice';
import { say } from '../words/say';

type Comparison = Schemas['Comparison'];
type Setup = Comparison['setups'][number];

/** Setups that practice rules out: why, what has to be ready, and whose word lets them be tried. */
export function Risks({ comparison }: { comparison: Comparison }) {
    return (
        <>
            {comparison.setups.map((setup) => (setup.risk ? <OneRisk key={setup.id} comparison={comparison} setup={setup} risk={setup.risk} /> : null))}
        </>
    );
}

function OneRisk({ comparison, setup, risk }: { comparison: Comparison; setup: Setup; risk: NonNullable<Setup['risk']> }) {
    const may = useMay();
    const [ready, setReady] = useState<string[]>([]);
    const [why, setWhy] = useState('');
    const take = useChange((body: { version: number; setupId: string; why: string; precautions: string[] }) => ask(api.POST('/api/comparisons/{id}/risks', { params: { path: { id: comparison.id } }, body })), ['comparisons']);
    const open = setup.riskTaken === null && comparison.status === 'draft';
    return (
        <section aria-label={say('test.against_the_rule', { label: setup.label })} className="mb-4">
            <Notice tone="caution">
                <h2 className="text-base">{say('test.against_the_rule', { label: setup.label })}</h2>
                {risk.reasons.map((reason) => (
                    <p key={reason}>{reason}</p>
                ))}
                {open && may.lead ? null : (
                    <ul className="list-disc pl-5">
                        {risk.precautions.map((each) => (
                            <li key={each.key}>{each.words}</li>
                        ))}
                    </ul>
                )}
                {setup.riskTaken ? <p>{say('test.risk_taken_by', { by: setup.riskTaken.by, why: setup.riskTaken.why })}</p> : null}
                {open && !may.lead ? <p className="font-[650]">{say('test.a_lead_takes_it_on')}</p> : null}
                {open && may.lead ? (
                    <form
                        className="mt-2 flex flex-col gap-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            take.mutate({ version: comparison.version, setupId: setup.id, why, precautions: ready });
                        }}
                    >
                        {risk.precautions.map((each) => (
                            <CheckField key={each.key} label={each.words} checked={ready.includes(each.key)} onValue={(checked) => setReady(checked ? [...ready, each.key] : ready.filter((key) => key !== each.key))} />
                        ))}
                        <AreaField label={say('test.why_try_it')} value={why} onValue={setWhy} maxLength={500} />
                        <Fault error={take.error} />
                        <Button tone="main" type="submit" className="self-start" disabled={take.isPending || why.trim().length < 5 || ready.length < risk.precautions.length}>
                            {say('test.take_it_on')}
                        </Button>
                    </form>
                ) : null}
            </Notice>
        </section>
    );
}
