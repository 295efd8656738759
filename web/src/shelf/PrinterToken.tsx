import { api, ask } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { Fault, Notice } from '../ui/Notice';
import { say } from '../words/say';

/** With a token a printer reports its prints; it is shown once. */
export function PrinterToken({ printerId }: { printerId: string }) {
    const path = { params: { path: { id: printerId } } };
    const make = useChange(() => ask(api.POST('/api/printers/{id}/token', path)), []);
    const withdraw = useChange(() => ask(api.POST('/api/printers/{id}/token/withdraw', path)), []);
    return (
        <section aria-label={say('shelf.token')} className="flex flex-col gap-3">
            <p className="font-[650]">{say('shelf.token')}</p>
            <p className="text-soft">{say('shelf.token_in_words')}</p>
            {make.data ? (
                <Notice tone="sound">
                    <p className="font-[650] break-all">{make.data.token}</p>
                    <p>{say('shelf.token_once')}</p>
                </Notice>
            ) : null}
            {withdraw.isSuccess ? <Notice tone="sound">{say('shelf.token_withdrawn')}</Notice> : null}
            <div className="flex flex-wrap gap-2">
                <Button onClick={() => make.mutate(undefined)} disabled={make.isPending}>
                    {say('shelf.make_token')}
                </Button>
                <Button tone="quiet" onClick={() => withdraw.mutate(undefined)} disabled={withdraw.isPending}>
                    {say('shelf.withdraw_token')}
                </Button>
            </div>
            <Fault error={make.error ?? withdraw.error} />
        </section>
    );
}
