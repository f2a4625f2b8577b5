import { prefer, preferred, show, type Theme } from './preferred';

class ThemeChoice {
    current = $state<Theme>('light');

    apply(theme: Theme) {
        this.current = theme;
        show(theme);
    }

    toggle = () => {
        this.apply(this.current === 'light' ? 'dark' : 'light');
        prefer(this.current);
    };
}

export const theme = new ThemeChoice();

export function applyTheme() {
    theme.apply(preferred());
}
