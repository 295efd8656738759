import { api, ask } from '../api/client';
import { Dialog } from '../ui/Dialog';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { TextField } from '../ui/Field';
import { whole, words } from '../ui/shape';
import { say } from '../words/say';

const SHAPE = whole({ old: words(), password: words() });

/** The own password, by the old one. */
export function OwnPassword({ onDone }: { onDone: () => void }) {
    const draft = useDraft({
        start: () => ({ old: '', password: '' }),
        schema: SHAPE,
        send: (body) => ask(api.PUT('/api/password', { body })),
        touches: ['session'],
        after: onDone,
    });
    return (
        <Dialog title={say('account.change_password')} open onOpen={(open) => !open && onDone()}>
            <DraftForm draft={draft} send={say('account.change_it')} className="flex flex-col gap-5">
                <p>{say('account.other_devices_are_signed_out')}</p>
                <TextField label={say('account.old_password')} type="password" autoComplete="current-password" {...draft.at('old')} required />
                <TextField label={say('account.new_password')} hint={say('account.10_characters_or_more')} type="password" autoComplete="new-password" {...draft.at('password')} required />
            </DraftForm>
        </Dialog>
    );
}
