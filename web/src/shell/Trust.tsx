import { useSuspenseQuery } from '@tanstack/react-query';

import { networkQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { say } from '../words/say';

const STEPS = ['trust.take_it', 'trust.install_tablet', 'trust.install_phone', 'trust.install_computer', 'trust.compare', 'trust.open_it'] as const;

/**
 * How a tablet comes to trust this app: before anybody signs in, as somebody stands there with it in hand. It does not show
 * the fingerprint: whoever stood between would show the right one beside another certificate.
 */
export function Trust() {
    const { data: network } = useSuspenseQuery(networkQuery);
    return (
        <main id="main" className="mx-auto flex min-h-dvh max-w-2xl flex-col gap-5 bg-sheet p-6 text-ink">
            <h1 className="text-3xl font-semibold">{say('trust.title')}</h1>
            {network.fingerprint === null ? (
                <p className="text-lg">{say('trust.nothing_to_do')}</p>
            ) : (
                <>
                    <p className="text-lg">{say('trust.why')}</p>
                    <Button asChild tone="main" big>
                        <a href="/trust/authority.pem" download="sitzplatz.crt">
                            {say('trust.download')}
                        </a>
                    </Button>
                    <ol className="flex list-decimal flex-col gap-3 pl-6 text-lg">
                        {STEPS.map((step) => (
                            <li key={step}>{say(step)}</li>
                        ))}
                    </ol>
                </>
            )}
            <a className="min-h-11 text-lg underline" href="/">
                {say('trust.to_the_app')}
            </a>
        </main>
    );
}
