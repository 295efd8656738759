import { ToggleGroup } from 'radix-ui';

import { useDrawn } from './DraftForm';

/** A few choices side by side, each a big target; one of them may be chosen. */
export function ChoiceRow<T extends string>({ label, name, value, onValue, options }: { label: string; name?: string; value: T | null; onValue: (value: T) => void; options: { value: T; label: string }[] }) {
    useDrawn(name, { label, show: (each) => options.find((option) => option.value === each)?.label ?? '–' });
    return (
        <div className="flex flex-col gap-1">
            <span className="text-sm font-[650]" aria-hidden>
                {label}
            </span>
            <ToggleGroup.Root type="single" aria-label={label} value={value ?? ''} onValueChange={(next: string) => next !== '' && onValue(next as T)} className="flex flex-wrap gap-2">
                {options.map((option) => (
                    <ToggleGroup.Item
                        key={option.value}
                        value={option.value}
                        className="min-h-11 rounded border border-strong bg-sheet px-4 py-2 text-left hover:bg-well data-[state=on]:border-accent data-[state=on]:bg-accent data-[state=on]:font-[650] data-[state=on]:text-accent-ink"
                    >
                        {option.label}
                    </ToggleGroup.Item>
                ))}
            </ToggleGroup.Root>
        </div>
    );
}
