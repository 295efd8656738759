import { Check } from 'lucide-react';
import { Checkbox, Label } from 'radix-ui';
import { useEffect, useId, useState, type ComponentProps, type ReactNode } from 'react';

import { locale, say } from '../words/say';
import { useDrawn } from './DraftForm';
import { PickList } from './PickList';
import { day, useFigures, useQuantity, type FigureName, type Quantity } from './quantity';

type Wrapped = { label: string; hint?: ReactNode; error?: string | undefined };
type Ids = { id: string; 'aria-describedby': string | undefined; 'aria-invalid': boolean; 'aria-required': boolean };

export function Field({ label, hint, error, needed = false, children }: Wrapped & { /** It cannot be left empty. */ needed?: boolean; children: (ids: Ids) => ReactNode }) {
    const id = useId();
    const note = `${id}-note`;
    return (
        <div className="flex min-w-0 flex-col gap-1">
            <Label.Root htmlFor={id} className={`text-sm font-[650] ${needed ? "after:text-fault after:content-['_*']" : ''}`}>
                {label}
            </Label.Root>
            {children({ id, 'aria-describedby': (hint ?? error) ? note : undefined, 'aria-invalid': Boolean(error), 'aria-required': needed })}
            {(hint ?? error) ? (
                <p id={note} className={`text-sm ${error ? 'font-[650] text-fault' : 'text-soft'}`}>
                    {error ?? hint}
                </p>
            ) : null}
        </div>
    );
}

const words = (value: unknown) => (typeof value === 'string' && value !== '' ? value : '–');

export function TextField({ label, hint, error, name, onValue, ...rest }: Wrapped & { onValue: (value: string) => void } & Omit<ComponentProps<'input'>, 'onChange'>) {
    const drawn = useDrawn(name, { label, show: words });
    return (
        <Field label={label} hint={hint} error={error ?? drawn.error} needed={drawn.needed}>
            {(ids) => <input className="control" {...ids} {...rest} name={name} onChange={(event) => onValue(event.target.value)} />}
        </Field>
    );
}

/** A day, or none. */
export function DateField({ label, hint, error, name, value, onValue }: Wrapped & { name?: string; value: string | null; onValue: (value: string | null) => void }) {
    const drawn = useDrawn(name, { label, show: (each) => (typeof each === 'string' ? day(each) : '–') });
    return (
        <Field label={label} hint={hint} error={error ?? drawn.error} needed={drawn.needed}>
            {(ids) => <input className="control" type="date" {...ids} name={name} value={value ?? ''} onChange={(event) => onValue(event.target.value || null)} />}
        </Field>
    );
}

export function AreaField({ label, hint, error, name, onValue, ...rest }: Wrapped & { onValue: (value: string) => void } & Omit<ComponentProps<'textarea'>, 'onChange'>) {
    const drawn = useDrawn(name, { label, show: words });
    return (
        <Field label={label} hint={hint} error={error ?? drawn.error} needed={drawn.needed}>
            {(ids) => <textarea className="control" rows={3} {...ids} {...rest} name={name} onChange={(event) => onValue(event.target.value)} />}
        </Field>
    );
}

export type Option<Value extends string = string> = { value: Value; label: string };

/** A longer list wants to be searched. */
const MOST_WITHOUT_SEARCH = 12;

/** What may be chosen, of words by their key. */
export function optionsOf<Value extends string>(words: Record<Value, string>): Option<Value>[] {
    return (Object.keys(words) as Value[]).map((value) => ({ value, label: words[value] }));
}

export function SelectField<Value extends string = string>({ label, hint, error, name, value, onValue, options, empty }: Wrapped & { name?: string; value: Value | '' | null; onValue: (value: Value) => void; options: Option<Value>[]; empty?: string }) {
    const drawn = useDrawn(name, { label, show: (each) => options.find((option) => option.value === each)?.label ?? empty ?? '–' });
    return (
        <Field label={label} hint={hint} error={error ?? drawn.error} needed={drawn.needed}>
            {(ids) =>
                options.length > MOST_WITHOUT_SEARCH ? (
                    <PickList value={value ?? ''} onValue={(next) => onValue(next as Value)} options={options} empty={empty} name={name} ids={ids} />
                ) : (
                    <select className="control" {...ids} name={name} value={value ?? ''} onChange={(event) => onValue(event.target.value as Value)}>
                        {empty === undefined ? null : <option value="">{empty}</option>}
                        {options.map((option) => (
                            <option key={option.value} value={option.value}>
                                {option.label}
                            </option>
                        ))}
                    </select>
                )
            }
        </Field>
    );
}

type NumberProps = Wrapped & { value: number | null; onValue: (value: number | null) => void; unit?: string; step?: number; name?: string; placeholder?: string; /** A count has no decimals. */ whole?: boolean };

/** Of the person's locale, which marks decimals with a point or a comma: what stands between 1 and 5 in one and a half. */
const MARK = new Intl.NumberFormat(locale()).formatToParts(1.5).find((part) => part.type === 'decimal')?.value ?? '.';
const written = (value: number) => String(value).replace('.', MARK);
const read = (text: string) => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')));

/** A number with its unit; null while the field is empty or not a number. */
export function NumberField({ label, hint, error, value, onValue, unit, step, name, placeholder, whole = false }: NumberProps) {
    const figure = useFigures();
    const [typed, setTyped] = useState(() => ({ text: value === null ? '' : written(value), when: value }));
    const parsed = read(typed.text);
    const broken = parsed !== null && Number.isNaN(parsed);
    const stands = (number: number | null) => parsed === number || (parsed !== null && number !== null && Math.abs(parsed - number) < 1e-9);
    // What is typed stands as it was typed, until the value is made another elsewhere.
    const shown = value === typed.when || broken || stands(value) ? typed.text : value === null ? '' : written(value);
    const missing = shown.trim() === '' && value !== null;
    const full = unit ? say('unit.of', { label, unit }) : label;
    const drawn = useDrawn(name, { label: full, show: (each) => (typeof each === 'number' ? figure('number').text(each) : '–') });
    const { garbled } = drawn;
    useEffect(() => {
        garbled(broken);
    });
    return (
        <Field label={full} hint={hint} error={broken ? say('ui.write_a_number_like_12_5', { like: written(12.5) }) : missing ? say('draft.number') : (error ?? drawn.error)} needed={drawn.needed}>
            {(ids) => (
                <input
                    className="control"
                    inputMode="decimal"
                    autoComplete="off"
                    step={step}
                    name={name}
                    placeholder={placeholder}
                    {...ids}
                    value={shown}
                    onChange={(event) => {
                        setTyped({ text: event.target.value, when: value });
                        const next = read(event.target.value);
                        onValue(next === null || Number.isNaN(next) ? null : whole ? Math.round(next) : next);
                    }}
                />
            )}
        </Field>
    );
}

/** A stored quantity, entered in the unit that the reader prefers. */
export function QuantityField({ kind, value, onValue, ...rest }: Omit<NumberProps, 'unit'> & { kind: FigureName }) {
    return <StoredField {...rest} quantity={useQuantity(kind)} value={value} onValue={onValue} />;
}

function StoredField({ quantity, value, onValue, name, ...rest }: Omit<NumberProps, 'unit'> & { quantity: Quantity }) {
    const shown = value === null ? null : Math.round(quantity.show(value) * 1e4) / 1e4;
    useDrawn(name, { label: rest.label, show: (each) => (typeof each === 'number' ? quantity.text(each) : '–') });
    return <NumberField {...rest} {...(name === undefined ? {} : { name })} unit={quantity.symbol} value={shown} onValue={(next) => onValue(next === null ? null : quantity.store(next))} />;
}

export function CheckField({ label, name, checked, value, onValue }: { label: ReactNode; name?: string; onValue: (checked: boolean) => void } & ({ checked: boolean; value?: never } | { value: boolean; checked?: never })) {
    const id = useId();
    useDrawn(name, { label: typeof label === 'string' ? label : '', show: (each) => say(each === true ? 'ui.yes' : 'ui.no') });
    return (
        <div className="flex min-h-11 items-center gap-3">
            <Checkbox.Root
                id={id}
                checked={checked ?? value}
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
