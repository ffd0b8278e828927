import './bootstrap.scss';
import '@fontsource-variable/instrument-sans/index.css';
import '@fontsource/zilla-slab/500.css';
import '@fontsource/zilla-slab/600.css';
import './app/theme.css';
import './app/layout.css';
import './ui/picker.css';
import { QueryClient } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/app.tsx';
import { firstScreen, named } from './app/screens.ts';
import { showTheme } from './app/theme.ts';
import { askAhead } from './studio/studio-queries.ts';

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, refetchOnWindowFocus: false, retry: 1 } },
});
/** What comes first is drawn in one go, unless it takes longer. Milliseconds. */
const waitsAtMost = 500;
const atMost = new Promise((resolve) => {
  setTimeout(resolve, waitsAtMost);
});
// Whoever is drawn asks again, and says what went wrong.
const asked = askAhead(queries, named ?? '').catch(() => undefined);
showTheme();
const root = document.getElementById('root');
// Not awaited at the top: screens import this module, and could not come before it ends.
void Promise.race([Promise.all([asked, firstScreen]), atMost]).then(() => {
  if (root) {
    createRoot(root).render(
      <StrictMode>
        <App queries={queries} />
      </StrictMode>,
    );
  }
});
