/** Light or dark: the person's choice, or what the machine prefers. */
type Theme = 'light' | 'dark';

const KEY = 'pebblerun-theme';

function preferred(): Theme {
    const kept = localStorage.getItem(KEY);
    if (kept === 'light' || kept === 'dark') return kept;
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

class ThemeChoice {
    current = $state<Theme>('light');

    apply(theme: Theme) {
        this.current = theme;
        document.documentElement.dataset.theme = theme;
    }

    toggle = () => {
        this.apply(this.current === 'light' ? 'dark' : 'light');
        localStorage.setItem(KEY, this.current);
    };
}

export const theme = new ThemeChoice();

export function applyTheme() {
    theme.apply(preferred());
}
