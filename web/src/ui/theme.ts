export type Theme = 'system' | 'light' | 'dark';

const KEY = 'sitzplatz.theme';

export function storedTheme(): Theme {
    const stored = localStorage.getItem(KEY);
    return stored === 'light' || stored === 'dark' ? stored : 'system';
}

export function applyTheme(theme: Theme): void {
    const dark = theme === 'dark' || (theme === 'system' && matchMedia('(prefers-color-scheme: dark)').matches);
    document.documentElement.dataset['theme'] = dark ? 'dark' : 'light';
    localStorage.setItem(KEY, theme);
}
