import { api, ask, type Schemas } from '../api/client';
import { useChange } from '../api/queries';
import { Button } from '../ui/Button';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { TextField } from '../ui/Field';
import { Fault } from '../ui/Notice';
import { whole, words } from '../ui/shape';
import { USER_ROLE_WORDS } from '../ui/words';
import { say } from '../words/say';
import { Door } from './Door';

const SHAPE = whole({ name: words(), password: words() });
const DEMO_ROLES: Schemas['Role'][] = ['technician', 'lead', 'viewer'];

export function SignIn({ demo }: { demo: boolean }) {
    const draft = useDraft({ start: () => ({ name: '', password: '' }), schema: SHAPE, send: (body) => ask(api.POST('/api/session', { body })), touches: ['session'] });
    const demoSignIn = useChange((role: Schemas['Role']) => ask(api.POST('/api/demo-session', { body: { role } })), ['session']);
    const { at } = draft;
    return (
        <Door title={say('shell.sign_in')}>
            {demo ? (
                <section className="mb-8" aria-label={say('shell.demo')}>
                    <p className="mb-3">{say('shell.this_is_the_demo_an_observatory')}</p>
                    <div className="flex flex-wrap gap-2">
                        {DEMO_ROLES.map((role) => (
                            <Button key={role} tone={role === 'technician' ? 'main' : 'plain'} big onClick={() => demoSignIn.mutate(role)}>
                                {USER_ROLE_WORDS[role]}
                            </Button>
                        ))}
                    </div>
                    <p className="mt-3 text-sm text-soft">{say('shell.a_lead_signs_with_a_password')}</p>
                    <Fault error={demoSignIn.error} />
                </section>
            ) : null}
            <DraftForm draft={draft} send={say('shell.sign_in')} tone={demo ? 'plain' : 'main'} className="flex max-w-sm flex-col gap-4">
                <TextField label={say('shell.name')} {...at('name')} autoComplete="username" required />
                <TextField label={say('shell.password')} type="password" {...at('password')} autoComplete="current-password" required />
            </DraftForm>
        </Door>
    );
}
