import { api, ask } from '../api/client';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { TextField } from '../ui/Field';
import { whole, words } from '../ui/shape';
import { say } from '../words/say';
import { Door } from './Door';

const SHAPE = whole({ name: words(), displayName: words(), password: words() });

/** The first account of an empty start. */
export function FirstLead() {
    const draft = useDraft({
        start: () => ({ name: '', displayName: '', password: '' }),
        schema: SHAPE,
        send: async (body) => {
            await ask(api.POST('/api/first-lead', { body }));
            return ask(api.POST('/api/session', { body: { name: body.name, password: body.password } }));
        },
        touches: ['session'],
    });
    const { at } = draft;
    return (
        <Door title={say('shell.who_leads_this_workshop')}>
            <p className="mb-6 max-w-prose">{say('shell.nobody_is_here_yet_the_first')}</p>
            <DraftForm draft={draft} send={say('shell.make_the_account')} className="flex max-w-sm flex-col gap-4">
                <TextField label={say('shell.name_to_sign_in_with')} hint={say('shell.letters_digits_point_dash')} {...at('name')} autoComplete="username" required />
                <TextField label={say('shell.name_as_it_is_shown')} {...at('displayName')} required />
                <TextField label={say('shell.password')} hint={say('shell.10_characters_or_more')} type="password" {...at('password')} autoComplete="new-password" required />
            </DraftForm>
        </Door>
    );
}
