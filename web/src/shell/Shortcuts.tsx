import { useNavigate } from '@tanstack/react-router';
import { useEffect, useState } from 'react';

import { useSession } from '../api/queries';
import { part } from '../ui/part';

const Palette = part(async () => (await import('./Palette')).Palette);
const ShortcutList = part(async () => (await import('./ShortcutList')).ShortcutList);

/** The steps by one key each, once G was pressed before it. */
const PAGES = { c: '/choose', t: '/test', j: '/judge', k: '/keep', w: '/care', f: '/fix', s: '/shelf' } as const;
const SOON_MILLISECONDS = 1_200;

/** Where a letter is written, or an open dialog has the keys, none of them is a shortcut. */
function writes(target: EventTarget | null): boolean {
    return target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || target.closest('[role=dialog], [role=listbox], [role=menu]') !== null);
}

/** Ctrl-K always; single keys unless somebody switched them off (WCAG 2.1.4). */
export function Shortcuts() {
    const { preferences } = useSession();
    const single = preferences.shortcuts ?? true;
    const [open, setOpen] = useState<'palette' | 'list' | null>(null);
    const navigate = useNavigate();
    useEffect(() => {
        let went = 0;
        const press = (event: KeyboardEvent) => {
            if ((event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'k') {
                event.preventDefault();
                setOpen('palette');
                return;
            }
            if (!single || event.ctrlKey || event.metaKey || event.altKey || writes(event.target)) return;
            const page = PAGES[event.key.toLowerCase() as keyof typeof PAGES] as string | undefined;
            if (event.key === '/') {
                event.preventDefault();
                setOpen('palette');
            } else if (event.key === '?') {
                setOpen('list');
            } else if (event.timeStamp - went < SOON_MILLISECONDS && page) {
                void navigate({ to: page });
            }
            went = event.key.toLowerCase() === 'g' ? event.timeStamp : 0;
        };
        document.addEventListener('keydown', press);
        return () => document.removeEventListener('keydown', press);
    }, [single, navigate]);
    const close = () => setOpen(null);
    return (
        <>
            {open === 'palette' ? <Palette onDone={close} onShortcuts={() => setOpen('list')} /> : null}
            {open === 'list' ? <ShortcutList single={single} onDone={close} /> : null}
        </>
    );
}
