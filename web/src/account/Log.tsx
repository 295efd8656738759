import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';

import { auditQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { SelectField } from '../ui/Field';
import { moment } from '../ui/quantity';
import { Empty, Sheet } from '../ui/Sheet';
import { say } from '../words/say';

/** Who did what, when. */
export function Log() {
    const [only, setOnly] = useState({ person: '', action: '', subject: '' });
    const [after, setAfter] = useState<string[]>([]);
    const { data } = useQuery({ ...auditQuery({ ...only, after: after.at(-1) ?? '' }), placeholderData: keepPreviousData });
    const narrow = (part: Partial<typeof only>) => {
        setOnly((was) => ({ ...was, ...part }));
        setAfter([]);
    };
    const all = { value: '', label: say('account.all') };
    const last = data?.entries.at(-1)?.id;
    return (
        <Sheet
            title={say('account.log')}
            lead={say('account.log_in_words')}
            actions={
                <>
                    <Button asChild>
                        <a href={`/api/audit/table?${new URLSearchParams(only).toString()}`} download>
                            {say('account.as_table')}
                        </a>
                    </Button>
                    <Button asChild tone="quiet">
                        <Link to="/people">{say('shell.people')}</Link>
                    </Button>
                </>
            }
        >
            <div className="mb-4 grid gap-4 sm:grid-cols-2">
                <SelectField label={say('account.by_whom')} value={only.person} onValue={(person) => narrow({ person })} options={[all, ...(data?.people ?? []).map((value) => ({ value, label: value }))]} />
                <SelectField label={say('account.what')} value={only.action} onValue={(action) => narrow({ action })} options={[all, ...(data?.actions ?? []).map((value) => ({ value, label: value }))]} />
            </div>
            {only.subject ? (
                <p className="mb-3">
                    {say('account.only_one_thing')}{' '}
                    <Button tone="quiet" onClick={() => narrow({ subject: '' })}>
                        {say('account.all')}
                    </Button>
                </p>
            ) : null}
            {data?.entries.length === 0 ? (
                <Empty>
                    <p>{say('account.nothing_in_the_log')}</p>
                </Empty>
            ) : (
                <table className="ledger stacks w-full">
                    <thead>
                        <tr>
                            <th>{say('account.when')}</th>
                            <th>{say('account.by_whom')}</th>
                            <th>{say('account.what')}</th>
                            <th>{say('account.detail')}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {data?.entries.map((entry) => (
                            <tr key={entry.id}>
                                <td className="whitespace-nowrap" data-label={say('account.when')}>{moment(entry.at)}</td>
                                <td data-label={say('account.by_whom')}>{entry.person}</td>
                                <td data-label={say('account.what')}>
                                    <Button tone="quiet" className="-ml-4 text-left sm:ml-0 sm:px-0 sm:whitespace-nowrap" onClick={() => narrow({ subject: entry.subjectId })}>
                                        {entry.action}
                                    </Button>
                                </td>
                                <td className="wrap-anywhere" data-label={say('account.detail')}>{entry.detail.map(({ name, value }) => `${name}: ${value}`).join('; ')}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <div className="mt-4 flex gap-3">
                {after.length > 0 ? <Button onClick={() => setAfter((was) => was.slice(0, -1))}>{say('account.newer')}</Button> : null}
                {data?.more && last ? <Button onClick={() => setAfter((was) => [...was, last])}>{say('account.older')}</Button> : null}
            </div>
        </Sheet>
    );
}
