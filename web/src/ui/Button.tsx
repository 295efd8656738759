import { Slot } from 'radix-ui';
import type { ComponentProps } from 'react';

type Tone = 'main' | 'plain' | 'quiet' | 'danger';

const TONES: Record<Tone, string> = {
    main: 'bg-accent text-accent-ink border-accent hover:brightness-110',
    plain: 'bg-sheet text-ink border-strong hover:bg-well',
    quiet: 'bg-transparent text-accent border-transparent underline underline-offset-4 hover:bg-accent-wash',
    danger: 'bg-sheet text-fault border-fault hover:bg-fault-wash',
};

export type ButtonProps = ComponentProps<'button'> & { tone?: Tone; big?: boolean; asChild?: boolean };

export function Button({ tone = 'plain', big = false, asChild = false, className = '', ...rest }: ButtonProps) {
    const Element = asChild ? Slot.Root : 'button';
    const size = big ? 'min-h-14 px-6 text-lg' : 'min-h-11 px-4';
    return (
        <Element
            type={asChild ? undefined : 'button'}
            className={`inline-flex items-center justify-center gap-2 rounded border font-[650] no-underline disabled:opacity-50 ${size} ${TONES[tone]} ${className}`}
            {...rest}
        />
    );
}
