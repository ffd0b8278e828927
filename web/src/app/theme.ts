/** Day and dusk. */
import { remember, remembered } from '../ui/keys.ts';

export type Theme = 'day' | 'dusk';

export const rememberedTheme = (): Theme =>
  remembered('theme', matchMedia('(prefers-color-scheme: dark)').matches ? 'dusk' : 'day') ===
  'dusk'
    ? 'dusk'
    : 'day';

/** Shows the theme and keeps the choice in this browser. */
export function applyTheme(theme: Theme): void {
  document.documentElement.dataset['bsTheme'] = theme === 'dusk' ? 'dark' : 'light';
  remember('theme', theme);
}
