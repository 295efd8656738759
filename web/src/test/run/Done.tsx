import { Link } from '@tanstack/react-router';

import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { OUTCOME_WORDS } from '../../ui/words';
import { say } from '../../words/say';
import { TakeBack, VoidRun } from './Ends';
import type { Sheet } from './sheet';

/** A run whose end waits for the server, and where to go meanwhile. */
export function Ending({ sheet, isVoid }: { sheet: Sheet; isVoid: boolean }) {
    return (
        <div className="flex flex-col items-start gap-4">
            <Notice tone="caution">{isVoid ? say('test.void_when_the_server_has_it') : say('test.done_when_the_server_has_it')}</Notice>
            {sheet.nextRunId ? (
                <Button asChild tone="main" big>
                    <Link to="/runs/$id" params={{ id: sheet.nextRunId }}>
                        {say('test.to_the_next_run')}
                    </Link>
                </Button>
            ) : null}
        </div>
    );
}

/** A finished run, and where to go from it. */
export function Done({ sheet }: { sheet: Sheet }) {
    return (
        <div className="flex flex-col items-start gap-4">
            <Notice tone="sound">{say('test.this_run_is_done', { outcome: sheet.run.outcome ? OUTCOME_WORDS[sheet.run.outcome].toLowerCase() : say('test.no_outcome') })}</Notice>
            <Button asChild tone="main" big>
                {sheet.nextRunId ? (
                    <Link to="/runs/$id" params={{ id: sheet.nextRunId }}>
                        {say('test.to_the_next_run')}
                    </Link>
                ) : (
                    <Link to="/judge/$id" params={{ id: sheet.comparison.id }}>
                        {say('test.all_runs_are_done_to_the')}
                    </Link>
                )}
            </Button>
            {sheet.mayTakeBack ? <TakeBack id={sheet.run.id} words={say('test.not_done_yet')} /> : null}
            <VoidRun sheet={sheet} />
        </div>
    );
}
