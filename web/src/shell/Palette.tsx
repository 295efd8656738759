import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { Command } from 'cmdk';
import { Dialog as Radix } from 'radix-ui';
import { useState } from 'react';

import { api, ask, type Schemas } from '../api/client';
import { useMay } from '../api/queries';
import { usePause } from '../ui/usePause';
import { say } from '../words/say';

type Found = Schemas['Found'];

const KIND_WORDS: Record<Found['kind'], string> = {
    plate: say('shell.kind_plate'),
    lot: say('shell.kind_lot'),
    profile: say('shell.profile'),
    comparison: say('shell.comparison'),
};

/** To a thing of the shop, a page or an action by a few letters; arrow keys and Enter choose. */
export function Palette({ onDone, onShortcuts }: { onDone: () => void; onShortcuts: () => void }) {
    const [words, setWords] = useState('');
    const typed = usePause(words.trim(), 150);
    const navigate = useNavigate();
    const may = useMay();
    const { data: found } = useQuery({ queryKey: ['find', typed], queryFn: ({ signal }) => ask(api.GET('/api/find', { signal, params: { query: { words: typed } } })), enabled: typed !== '', placeholderData: (was) => (typed === '' ? undefined : was) });
    // What fits best is chosen by Enter, whatever was chosen before it came.
    const [chosen, setChosen] = useState('');
    const best = typed === '' ? '' : (found?.[0] ? `${found[0].kind} ${found[0].id}` : '');
    const [fitted, setFitted] = useState(best);
    if (best !== fitted) {
        setFitted(best);
        if (best !== '') setChosen(best);
    }
    const go = (away: () => Promise<void>) => {
        onDone();
        void away();
    };
    const pages: { words: string; to: () => Promise<void> }[] = [
        { words: say('shell.choose'), to: () => navigate({ to: '/choose' }) },
        ...(may.test ? [{ words: say('test.plan_a_comparison'), to: () => navigate({ to: '/test/new' }) }] : []),
        { words: say('shell.test'), to: () => navigate({ to: '/test' }) },
        { words: say('shell.judge'), to: () => navigate({ to: '/judge' }) },
        { words: say('shell.keep'), to: () => navigate({ to: '/keep' }) },
        { words: say('shell.care'), to: () => navigate({ to: '/care' }) },
        { words: say('shell.fix'), to: () => navigate({ to: '/fix' }) },
        { words: say('shell.shelf'), to: () => navigate({ to: '/shelf' }) },
        { words: say('choose.catalogue'), to: () => navigate({ to: '/choose/catalogue' }) },
        { words: say('choose.heat_sums'), to: () => navigate({ to: '/choose/heat' }) },
        { words: say('shell.manual'), to: () => navigate({ to: '/manual' }) },
        ...(may.lead ? [{ words: say('shell.people'), to: () => navigate({ to: '/people' }) }] : []),
        { words: say('shell.sitzplatz_start'), to: () => navigate({ to: '/' }) },
    ];
    const to = (each: Found) => {
        switch (each.kind) {
            case 'plate':
                return navigate({ to: '/shelf', search: { tab: 'plate', find: each.name } });
            case 'lot':
                return navigate({ to: '/shelf', search: { tab: 'lot', find: each.name } });
            case 'profile':
                return navigate({ to: '/keep/$id', params: { id: each.id } });
            case 'comparison':
                return navigate({ to: '/test/$id', params: { id: each.id } });
        }
    };
    const fits = pages.filter((page) => typed === '' || page.words.toLowerCase().includes(typed.toLowerCase()));
    return (
        <Radix.Root open onOpenChange={(open) => !open && onDone()}>
            <Radix.Portal>
                <Radix.Overlay className="fixed inset-0 z-40 bg-black/50" />
                <Radix.Content aria-describedby={undefined} className="fixed top-[12dvh] left-1/2 z-50 w-[min(38rem,94vw)] -translate-x-1/2 rounded-md border border-strong bg-sheet text-ink shadow-2xl">
                    <Radix.Title className="sr-only">{say('shell.go_to')}</Radix.Title>
                    <Command shouldFilter={false} label={say('shell.go_to')} value={chosen} onValueChange={setChosen}>
                        <Command.Input autoFocus value={words} onValueChange={setWords} placeholder={say('shell.plate_lot_profile_page')} className="min-h-14 w-full rounded-t-md border-b border-line bg-sheet px-4 text-lg" />
                        <Command.List className="max-h-[60dvh] overflow-y-auto p-2">
                            <Command.Empty className="px-3 py-3 text-soft">{say('ui.nothing_is_called_so')}</Command.Empty>
                            {(typed === '' ? [] : (found ?? [])).map((each) => (
                                <Row key={each.id} value={`${each.kind} ${each.id}`} onChosen={() => go(() => to(each))} name={each.name} besides={`${KIND_WORDS[each.kind]}${each.besides === '' ? '' : ` · ${each.besides}`}`} />
                            ))}
                            {fits.map((page) => (
                                <Row key={page.words} value={page.words} onChosen={() => go(page.to)} name={page.words} besides={say('shell.page')} />
                            ))}
                            {typed === '' || say('shell.shortcuts').toLowerCase().includes(typed.toLowerCase()) ? <Row value="shortcuts" onChosen={onShortcuts} name={say('shell.shortcuts')} besides="?" /> : null}
                        </Command.List>
                    </Command>
                </Radix.Content>
            </Radix.Portal>
        </Radix.Root>
    );
}

function Row({ value, name, besides, onChosen }: { value: string; name: string; besides: string; onChosen: () => void }) {
    return (
        <Command.Item value={value} onSelect={onChosen} className="flex min-h-11 cursor-pointer items-center justify-between gap-4 rounded-sm px-3 data-[selected=true]:bg-accent-wash">
            <span className="min-w-0 truncate font-[650]">{name}</span>
            <span className="shrink-0 text-sm text-soft">{besides}</span>
        </Command.Item>
    );
}
