import { recall, remember } from '../ui/index.ts';

export type Theme = 'paper' | 'dusk' | 'system';
const KEY = 'jolly-beacon-theme';

export function storedTheme(): Theme {
  const stored = recall(KEY);
  return stored === 'paper' || stored === 'dusk' ? stored : 'system';
}

/** Shows a theme and remembers it. `system` follows the machine. */
export function applyTheme(theme: Theme): void {
  remember(KEY, theme === 'system' ? null : theme);
  const dark = window.matchMedia('(prefers-color-scheme: dark)');
  const show = (): void => {
    const stored = storedTheme();
    document.documentElement.dataset['theme'] = stored === 'system' ? (dark.matches ? 'dusk' : 'paper') : stored;
  };
  dark.onchange = show;
  show();
}

/** The theme that is shown now. */
export function shownTheme(): 'paper' | 'dusk' {
  return document.documentElement.dataset['theme'] === 'dusk' ? 'dusk' : 'paper';
}
