import { Link } from '@tanstack/react-router';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

import { say } from '../words/say';

/** A figure or a word that opens to what it is. */
export function What({ name, says, chapter, className = '', children }: { /** What it is called. */ name: string; says: string; /** Where the manual has more of it. */ chapter: string; className?: string; children: ReactNode }) {
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <button type="button" aria-label={say('ui.what_is', { name })} className={`cursor-help text-left decoration-dotted decoration-1 underline-offset-4 hover:underline focus-visible:underline ${className}`}>
                    {children}
                </button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content align="start" sideOffset={6} collisionPadding={8} aria-label={name} className="z-50 w-[min(22rem,94vw)] rounded border border-strong bg-sheet p-4 text-ink shadow-2xl">
                    <p className="font-[650]">{name}</p>
                    <p className="mt-1">{says}</p>
                    <Link to="/manual" search={{ at: chapter }} className="mt-2 inline-flex min-h-11 items-center">{say('ui.more_in_the_manual')}</Link>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
