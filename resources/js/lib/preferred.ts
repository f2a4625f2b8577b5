/** Light or dark: the person's choice, or what the machine prefers. */
export type Theme = 'light' | 'dark';

const KEY = 'pebblerun-theme';

export function preferred(): Theme {
    const kept = localStorage.getItem(KEY);
    if (kept === 'light' || kept === 'dark') return kept;
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export function show(theme: Theme) {
    document.documentElement.dataset.theme = theme;
}

export function prefer(theme: Theme) {
    localStorage.setItem(KEY, theme);
}
