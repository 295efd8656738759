import { api, ask, type Schemas } from '../api/client';
import { useSession } from '../api/queries';
import { ChoiceRow } from '../ui/ChoiceRow';
import { Dialog } from '../ui/Dialog';
import { useDraft } from '../ui/draft';
import { DraftForm } from '../ui/DraftForm';
import { CheckField, SelectField, type Option } from '../ui/Field';
import { day, duration, moment, useFigures } from '../ui/quantity';
import { as, flag, optional, whole } from '../ui/shape';
import { say } from '../words/say';

type Preferences = Schemas['Preferences'];

const SHAPE = whole({ temperature: as<Preferences['temperature']>(), force: as<Preferences['force']>(), length: as<Preferences['length']>(), theme: as<Preferences['theme']>(), locale: as<string>(), shortcuts: optional(flag()) });

const units = <Unit extends string>(...symbols: Unit[]): Option<Unit>[] => symbols.map((value) => ({ value, label: value }));
const THEMES: Option<Preferences['theme']>[] = [
    { value: 'system', label: say('account.as_the_device') },
    { value: 'light', label: say('account.light') },
    { value: 'dark', label: say('account.dark') },
];

/** Places by how they write figures and dates; words are in the languages that there are files of. */
const LOCALES = ['en-GB', 'en-IE', 'en-US', 'en-CA', 'en-AU', 'de-DE', 'de-CH', 'fr-FR', 'nl-NL', 'sv-SE', 'it-IT', 'es-ES', 'pl-PL', 'cs-CZ'];
const EXAMPLE = new Date(Date.UTC(2026, 10, 25, 12));

function locales(chosen: string): Option[] {
    return [...LOCALES, ...(chosen === '' || LOCALES.includes(chosen) ? [] : [chosen])].map((value) => {
        const language = new Intl.DisplayNames([value], { type: 'language' }).of(value) ?? value;
        return { value, label: `${language}: ${new Intl.NumberFormat(value).format(1234.5)}, ${new Intl.DateTimeFormat(value, { dateStyle: 'medium', timeZone: 'UTC' }).format(EXAMPLE)}` };
    });
}

export function Preferences({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
    return (
        <Dialog title={say('account.units_and_look')} open={open} onOpen={onOpen}>
            <Form onDone={() => onOpen(false)} />
        </Dialog>
    );
}

function Form({ onDone }: { onDone: () => void }) {
    const { preferences } = useSession();
    const draft = useDraft({
        start: () => preferences,
        schema: SHAPE,
        send: (body) => ask(api.PUT('/api/preferences', { body })),
        touches: ['session'],
        after: onDone,
    });
    const { at } = draft;
    return (
        <DraftForm draft={draft} send={say('account.save')} className="flex flex-col gap-5">
            <ChoiceRow label={say('account.temperature')} {...at('temperature')} options={units('°C', '°F')} />
            <ChoiceRow label={say('account.force')} {...at('force')} options={units('N', 'kgf', 'lbf')} />
            <ChoiceRow label={say('account.length')} {...at('length')} options={units('mm', 'in')} />
            <SelectField label={say('account.figures_and_dates')} {...at('locale')} empty={say('account.as_the_device')} options={locales(preferences.locale)} />
            <ChoiceRow label={say('account.look')} {...at('theme')} options={THEMES} />
            <CheckField label={say('account.single_key_shortcuts')} checked={draft.values.shortcuts ?? true} onValue={(shortcuts) => draft.set({ shortcuts })} />
            <Now />
        </DraftForm>
    );
}

/** How figures read as things are set now. */
function Now() {
    const figure = useFigures();
    const rows = [
        ['temperature', figure('temperature').text(60.5)],
        ['temperature_about', figure('temperature_about').text(38.26)],
        ['force', figure('force').text(17.84)],
        ['length', figure('length').text(0.2046)],
        ['length_rough', figure('length_rough').text(1234.5)],
        ['area', figure('area').text(645.16)],
        ['stress', figure('stress').text(1.0449)],
        ['speed', figure('speed').text(50.8)],
        ['share', figure('share').text(0.954)],
        ['money', figure('money').text(1.5)],
        ['count', figure('count').text(50_097)],
        ['duration', duration(605)],
        ['day', day('2026-11-25')],
    ] as const;
    return (
        <details>
            <summary className="flex min-h-11 cursor-pointer items-center">{say('account.how_figures_read_now')}</summary>
            <ul className="flex flex-wrap gap-x-5 gap-y-1" aria-label={say('account.how_figures_read_now')}>
                {rows.map(([name, text]) => (
                    <li key={name} data-figure={name}>
                        {text}
                    </li>
                ))}
                <li>{moment(EXAMPLE.toISOString())}</li>
            </ul>
        </details>
    );
}
