import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** A word of a sentence that is touched to change it; what it is changed with opens below. */
export function Word({ name, wide = false, faulty = false, children, words }: { /** What the word says, for whoever does not see the sentence. */ name: string; wide?: boolean; faulty?: boolean; words: ReactNode; children: ReactNode }) {
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <button type="button" aria-label={name} className={`-my-1 inline rounded-sm px-0.5 py-1 font-[650] underline decoration-2 underline-offset-4 hover:bg-accent-wash ${faulty ? 'text-fault decoration-fault' : 'decoration-accent'}`}>
                    {words}
                </button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content align="start" sideOffset={6} collisionPadding={8} aria-label={name} className={`z-50 ${wide ? 'w-[min(44rem,96vw)]' : 'w-[min(22rem,94vw)]'} max-h-[min(80dvh,var(--radix-popover-content-available-height))] overflow-y-auto rounded border border-strong bg-sheet p-4 text-ink shadow-2xl`}>
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
