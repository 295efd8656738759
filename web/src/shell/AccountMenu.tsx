import { useNavigate } from '@tanstack/react-router';
import { DropdownMenu } from 'radix-ui';
import { useState, type ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { part } from '../ui/part';
import { USER_ROLE_WORDS } from '../ui/words';
import { say } from '../words/say';
import { leave } from './leaving';
import { close, useOutbox } from './outbox';

const Preferences = part(async () => (await import('../account/Preferences')).Preferences);

const OwnPassword = part(async () => (await import('../account/OwnPassword')).OwnPassword);

const SignedIn = part(async () => (await import('../account/SignedIn')).SignedIn);

const ITEM = 'flex min-h-11 cursor-pointer items-center rounded-sm px-3 data-[highlighted]:bg-accent-wash data-[highlighted]:outline-none';

async function signOut(): Promise<void> {
    await close();
    await leave();
    // Loaded anew, so that nothing of the one who left stays in memory.
    location.assign('/');
}

/** Who is here, and what they may do about it; open as soon as it is there. */
export function AccountMenu({ user, children }: { user: Schemas['User']; children: ReactNode }) {
    const navigate = useNavigate();
    const { waiting, unkept } = useOutbox();
    const [open, setOpen] = useState(true);
    const [preferences, setPreferences] = useState(false);
    const [password, setPassword] = useState(false);
    const [where, setWhere] = useState(false);
    const [leaving, setLeaving] = useState(false);
    return (
        <>
            <DropdownMenu.Root open={open} onOpenChange={setOpen}>
                <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content align="end" className="z-50 min-w-52 rounded border border-strong bg-sheet p-1 text-ink shadow-xl">
                        <DropdownMenu.Label className="px-3 py-2 text-sm text-soft">{say('shell.signed_in_as', { role: USER_ROLE_WORDS[user.role] })}</DropdownMenu.Label>
                        <DropdownMenu.Item className={`${ITEM} sm:hidden`} onSelect={() => void navigate({ to: '/manual' })}>
                            {say('shell.manual')}
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setPreferences(true)}>
                            {say('shell.units_and_look')}
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setPassword(true)}>
                            {say('account.change_password')}
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setWhere(true)}>
                            {say('account.signed_in_where')}
                        </DropdownMenu.Item>
                        {user.role === 'lead' ? (
                            <DropdownMenu.Item className={ITEM} onSelect={() => void navigate({ to: '/people' })}>
                                {say('shell.people')}
                            </DropdownMenu.Item>
                        ) : null}
                        <DropdownMenu.Item className={ITEM} onSelect={() => (waiting.length > 0 ? setLeaving(true) : void signOut())}>
                            {say('shell.sign_out')}
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
            {preferences ? (
                <Preferences open onOpen={setPreferences} />
            ) : null}
            {password ? (
                <OwnPassword onDone={() => setPassword(false)} />
            ) : null}
            {where ? (
                <SignedIn onDone={() => setWhere(false)} />
            ) : null}
            <Dialog title={say('shell.sign_out')} open={leaving} onOpen={setLeaving}>
                {waiting.length > unkept ? <p className="mb-4">{say('outbox.waits_for_you', { waiting: waiting.length - unkept })}</p> : null}
                {unkept > 0 ? <p className="mb-4">{say('outbox.lost_on_leaving', { unkept })}</p> : null}
                <div className="flex gap-2">
                    <Button tone={unkept > 0 ? 'danger' : 'main'} onClick={() => void signOut()}>
                        {say('shell.sign_out')}
                    </Button>
                    <Button onClick={() => setLeaving(false)}>{say('outbox.stay')}</Button>
                </div>
            </Dialog>
        </>
    );
}
