/** Day and dusk: as the system has it until one is chosen here. */
import { useEffect, useState } from 'react';
import { writeStored, readStored } from '../ui/keys.ts';

export type Theme = 'day' | 'dusk';

const darkSystem = (): MediaQueryList => matchMedia('(prefers-color-scheme: dark)');
const systemTheme = (): Theme => (darkSystem().matches ? 'dusk' : 'day');

/** What was chosen; null while it follows the system. */
function chosenTheme(): Theme | null {
  const chosen = readStored('theme', '');
  return chosen === 'day' || chosen === 'dusk' ? chosen : null;
}

function show(theme: Theme): Theme {
  document.documentElement.dataset['bsTheme'] = theme === 'dusk' ? 'dark' : 'light';
  return theme;
}

/** Shows the theme before anything is drawn. */
export const showTheme = (): Theme => show(chosenTheme() ?? systemTheme());

/** The theme that is shown, and changing it. Choosing what the system has follows the system again. */
export function useTheme(): { readonly theme: Theme; readonly change: (theme: Theme) => void } {
  const [theme, setTheme] = useState<Theme>(showTheme);
  useEffect(() => {
    const system = darkSystem();
    const follow = (): void => {
      setTheme(showTheme());
    };
    system.addEventListener('change', follow);
    return () => {
      system.removeEventListener('change', follow);
    };
  }, []);
  const change = (next: Theme): void => {
    writeStored('theme', next === systemTheme() ? '' : next);
    setTheme(show(next));
  };
  return { theme, change };
}
