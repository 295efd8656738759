import { speak } from './say';

const KEY = 'sitzplatz.locale';

/** What was preferred on this device last; empty: as the device asks for. */
function preferred(): string {
    try {
        return localStorage.getItem(KEY) ?? '';
    } catch {
        return '';
    }
}

/** Loads the words for the locale of this device: those of the very locale, else of its language, else English. */
export async function loadLanguage(): Promise<void> {
    const files = JSON.parse(document.querySelector<HTMLMetaElement>('meta[name="languages"]')?.content ?? '{}') as Record<string, string>;
    const locale = preferred() || navigator.language;
    const file = files[locale] ?? files[locale.split('-')[0] ?? ''] ?? files.en ?? '';
    const answer = await fetch(file, { credentials: 'same-origin' });
    speak(locale, (await answer.json()) as Record<string, string>);
}

/** Whoever signed in may prefer another locale than this device used last: then the page is loaded anew in it. */
export function keepLocale(locale: string): void {
    if (locale === preferred()) return;
    try {
        localStorage.setItem(KEY, locale);
    } catch {
        // A browser that keeps nothing would be loaded anew for ever.
        return;
    }
    window.location.reload();
}
