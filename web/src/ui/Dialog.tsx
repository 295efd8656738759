import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

import { say } from '../words/say';

export function Dialog({ title, open, onOpen, wide = false, children }: { title: string; open: boolean; wide?: boolean | undefined; onOpen: (open: boolean) => void; children: ReactNode }) {
    return (
        <Radix.Root open={open} onOpenChange={onOpen}>
            <Radix.Portal>
                <Radix.Overlay className="fixed inset-0 z-40 bg-black/50" />
                <Radix.Content
                    aria-describedby={undefined}
                    className={`fixed top-1/2 left-1/2 z-50 max-h-[92dvh] ${wide ? 'w-[min(56rem,96vw)]' : 'w-[min(40rem,94vw)]'} -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-md border border-strong bg-sheet p-6 text-ink shadow-2xl`}
                >
                    <div className="mb-4 flex items-start justify-between gap-4">
                        <Radix.Title className="text-xl font-[650]">{title}</Radix.Title>
                        <Radix.Close className="flex size-11 shrink-0 items-center justify-center rounded hover:bg-well" aria-label={say('ui.close')}>
                            <X aria-hidden />
                        </Radix.Close>
                    </div>
                    {children}
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}
