import type { Schemas } from '../api/client';
import { useMay } from '../api/queries';
import { Button } from '../ui/Button';
import { duration, useQuantity } from '../ui/quantity';
import { say } from '../words/say';

/** What to try now, and two answers. */
export function Trial({ cause, takes, onHelped, onNot }: { cause: Schemas['Suspect']; takes: string; onHelped: () => void; onNot: () => void }) {
    const may = useMay();
    const share = useQuantity('share');
    return (
        <section aria-label={say('fix.try_this_now')} className="border-l-4 border-accent bg-accent-wash px-4 py-4 sm:px-6">
            <p className="text-sm font-[650] text-soft">{say('fix.try_this_now')}</p>
            <p className="mt-1 text-2xl font-[650]">{cause.do}</p>
            <p className="mt-2">
                {say('fix.it_may_be', { name: cause.name, share: share.text(cause.share) })} {cause.why}
            </p>
            <div className="mt-4 flex flex-wrap items-center gap-3">
                <Button tone="main" big onClick={onHelped} disabled={!may.test}>
                    {say('fix.it_helped')}
                </Button>
                <Button big onClick={onNot}>
                    {say('fix.it_did_not_help')}
                </Button>
                <span className="text-soft">{say('fix.takes', { minutes: duration(cause.minutes), all: takes })}</span>
            </div>
        </section>
    );
}
