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
import { showTheme } from './app/theme.ts';

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, refetchOnWindowFocus: false, retry: 1 } },
});
showTheme();
const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App queries={queries} />
    </StrictMode>,
  );
}
