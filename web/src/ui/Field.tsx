import { Checkbox, Label } from 'radix-ui';
import { Check } from 'lucide-react';
import { useId, useState, type ComponentProps, type ReactNode } from 'react';

import { useArea, useQuantity, type Kind, type Quantity } from './quantity';

type Wrapped = { label: string; hint?: ReactNode; error?: string | undefined };

export function Field({ label, hint, error, children }: Wrapped & { children: (ids: { id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean }) => ReactNode }) {
    const id = useId();
    const note = `${id}-note`;
    return (
        <div className="flex min-w-0 flex-col gap-1">
            <Label.Root htmlFor={id} className="text-sm font-[650]">
                {label}
            </Label.Root>
            {children({ id, 'aria-describedby': (hint ?? error) ? note : undefined, 'aria-invalid': Boolean(error) })}
            {(hint ?? error) ? (
                <p id={note} className={`text-sm ${error ? 'font-[650] text-fault' : 'text-soft'}`}>
                    {error ?? hint}
                </p>
            ) : null}
        </div>
    );
}

export function TextField({ label, hint, error, onValue, ...rest }: Wrapped & { onValue: (value: string) => void } & Omit<ComponentProps<'input'>, 'onChange'>) {
    return (
        <Field label={label} hint={hint} error={error}>
            {(ids) => <input className="control" {...ids} {...rest} onChange={(event) => onValue(event.target.value)} />}
        </Field>
    );
}

export function AreaField({ label, hint, error, onValue, ...rest }: Wrapped & { onValue: (value: string) => void } & Omit<ComponentProps<'textarea'>, 'onChange'>) {
    return (
        <Field label={label} hint={hint} error={error}>
            {(ids) => <textarea className="control" rows={3} {...ids} {...rest} onChange={(event) => onValue(event.target.value)} />}
        </Field>
    );
}

export function SelectField({ label, hint, error, value, onValue, options, empty }: Wrapped & { value: string; onValue: (value: string) => void; options: { value: string; label: string }[]; empty?: string }) {
    return (
        <Field label={label} hint={hint} error={error}>
            {(ids) => (
                <select className="control" {...ids} value={value} onChange={(event) => onValue(event.target.value)}>
                    {empty === undefined ? null : <option value="">{empty}</option>}
                    {options.map((option) => (
                        <option key={option.value} value={option.value}>
                            {option.label}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}

type NumberProps = Wrapped & { value: number | null; onValue: (value: number | null) => void; unit?: string; step?: number; name?: string; placeholder?: string };

/** A number with its unit; null while the field is empty or not a number. */
export function NumberField({ label, hint, error, value, onValue, unit, step, name, placeholder }: NumberProps) {
    const [text, setText] = useState(value === null ? '' : String(value));
    const parsed = text.trim() === '' ? null : Number(text.replace(',', '.'));
    const shown = parsed !== value && !(parsed !== null && Number.isNaN(parsed)) && !(parsed !== null && value !== null && Math.abs(parsed - value) < 1e-9) ? (value === null ? '' : String(value)) : text;
    const broken = parsed !== null && Number.isNaN(parsed);
    return (
        <Field label={unit ? `${label}, ${unit}` : label} hint={hint} error={broken ? 'Write a number, like 12.5.' : error}>
            {(ids) => (
                <input
                    className="control"
                    inputMode="decimal"
                    autoComplete="off"
                    step={step}
                    name={name}
                    placeholder={placeholder}
                    {...ids}
                    value={broken ? text : shown}
                    onChange={(event) => {
                        setText(event.target.value);
                        const next = event.target.value.trim() === '' ? null : Number(event.target.value.replace(',', '.'));
                        onValue(next === null || Number.isNaN(next) ? null : next);
                    }}
                />
            )}
        </Field>
    );
}

/** A stored quantity, entered in the unit that the reader prefers. */
export function QuantityField({ kind, value, onValue, ...rest }: Omit<NumberProps, 'unit'> & { kind: Kind }) {
    return <StoredField {...rest} quantity={useQuantity(kind)} value={value} onValue={onValue} />;
}

/** The same for an area. */
export function SquareField(props: Omit<NumberProps, 'unit'>) {
    return <StoredField {...props} quantity={useArea()} />;
}

function StoredField({ quantity, value, onValue, ...rest }: Omit<NumberProps, 'unit'> & { quantity: Quantity<string> }) {
    const shown = value === null ? null : Math.round(quantity.show(value) * 1e4) / 1e4;
    return <NumberField {...rest} unit={quantity.symbol} value={shown} onValue={(next) => onValue(next === null ? null : quantity.store(next))} />;
}

export function CheckField({ label, checked, onValue }: { label: ReactNode; checked: boolean; onValue: (checked: boolean) => void }) {
    const id = useId();
    return (
        <div className="flex min-h-11 items-center gap-3">
            <Checkbox.Root
                id={id}
                checked={checked}
                onCheckedChange={(state) => onValue(state === true)}
                className="flex size-6 shrink-0 items-center justify-center rounded-sm border-2 border-strong bg-sheet data-[state=checked]:border-accent data-[state=checked]:bg-accent"
            >
                <Checkbox.Indicator>
                    <Check className="size-4 text-accent-ink" strokeWidth={3} aria-hidden />
                </Checkbox.Indicator>
            </Checkbox.Root>
            <Label.Root htmlFor={id}>{label}</Label.Root>
        </div>
    );
}
