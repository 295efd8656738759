import { useSuspenseQuery } from '@tanstack/react-query';

import { api, ask } from '../api/client';
import { openSessionsQuery, useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { moment } from '../ui/quantity';
import { say } from '../words/say';

/** Where somebody is signed in, to end what is left open elsewhere; a lead sees that of everybody. */
export function SignedIn({ onDone }: { onDone: () => void }) {
    const { data: sessions } = useSuspenseQuery(openSessionsQuery);
    const end = useChange((id: string) => ask(api.DELETE('/api/sessions/{id}', { params: { path: { id } } })), ['sessions']);
    return (
        <Dialog title={say('account.signed_in_where')} open onOpen={(open) => !open && onDone()}>
            <p className="mb-4">{say('account.signed_in_until')}</p>
            <ul className="flex flex-col divide-y divide-line">
                {sessions.map((each) => (
                    <li key={each.id} className="flex min-h-14 flex-wrap items-center justify-between gap-x-4 gap-y-1 py-2">
                        <span>
                            <strong className="font-semibold">{each.person}</strong> · {each.handheld ? say('account.phone_or_tablet') : say('account.computer')} · {each.address}
                            <span className="block text-soft">{say('account.since_seen', { since: moment(each.begunAt), seen: moment(each.seenAt) })}</span>
                        </span>
                        {each.here ? (
                            <span className="text-soft">{say('account.this_one')}</span>
                        ) : (
                            <Button disabled={end.isPending} aria-label={say('account.end_session_of', { person: each.person, address: each.address })} onClick={() => end.mutate(each.id)}>
                                {say('account.end_session')}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
        </Dialog>
    );
}
