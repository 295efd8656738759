import { Command } from 'cmdk';
import { Check, ChevronsUpDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';

import { say } from '../words/say';

type Option = { value: string; label: string };
type Props = { value: string; onValue: (value: string) => void; options: Option[]; empty: string | undefined; name: string | undefined; ids: { id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean; 'aria-required': boolean } };

/** A long list that is searched by typing; arrow keys and Enter choose. */
export function PickList({ value, onValue, options, empty, name, ids }: Props) {
    const [open, setOpen] = useState(false);
    const list = useId();
    const all = empty === undefined ? options : [{ value: '', label: empty }, ...options];
    const chosen = all.find((option) => option.value === value);
    return (
        // Modal, so that it scrolls within a dialog too.
        <Popover.Root open={open} onOpenChange={setOpen} modal>
            <Popover.Trigger asChild>
                <button type="button" role="combobox" aria-haspopup="listbox" aria-controls={list} aria-expanded={open} data-name={name} data-value={value} className="control flex items-center justify-between gap-2 text-left" {...ids}>
                    <span className="truncate">{chosen?.label ?? ''}</span>
                    <ChevronsUpDown className="size-4 shrink-0 text-soft" aria-hidden />
                </button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content align="start" sideOffset={4} className="z-[60] w-[max(var(--radix-popover-trigger-width),16rem)] max-w-[94vw] rounded border border-strong bg-sheet text-ink shadow-2xl">
                    <Command defaultValue={chosen?.label ?? ''} label={say('ui.search_the_list')}>
                        <Command.Input autoFocus placeholder={say('ui.search_the_list')} className="min-h-11 w-full rounded-t border-b border-line bg-sheet px-3" />
                        <Command.List id={list} className="max-h-72 overflow-y-auto p-1">
                            <Command.Empty className="px-3 py-2 text-soft">{say('ui.nothing_is_called_so')}</Command.Empty>
                            {all.map((option) => (
                                <Command.Item
                                    key={option.value}
                                    value={option.label}
                                    className="flex min-h-11 cursor-pointer items-center gap-2 rounded-sm px-3 data-[selected=true]:bg-accent-wash"
                                    onSelect={() => {
                                        onValue(option.value);
                                        setOpen(false);
                                    }}
                                >
                                    <Check className={`size-4 shrink-0 ${option.value === value ? '' : 'invisible'}`} aria-hidden />
                                    {option.label}
                                </Command.Item>
                            ))}
                        </Command.List>
                    </Command>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
