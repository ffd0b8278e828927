import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/**
 * Leaves out Bootstrap's `legend + *`: with a rule for whatever stands behind something, the browser
 * works out the styles of a whole page again when a dialog or a notice goes, and of a whole list when
 * a line does. Legends do not float here (app/theme.css), so nothing has to clear them.
 */
const withoutLegendRule = {
  postcssPlugin: 'without-legend-rule',
  Rule: (rule: { selector: string; remove: () => void }) => {
    if (rule.selector === 'legend + *') {
      rule.remove();
    }
  },
};

/** The built pages hold everything they need; nothing is fetched from elsewhere. */
export default defineConfig({
  plugins: [react()],
  css: {
    postcss: { plugins: [withoutLegendRule] },
    preprocessorOptions: {
      scss: {
        // Bootstrap 5 is written for imports, of which Sass warns.
        quietDeps: true,
        silenceDeprecations: ['import', 'global-builtin'],
      },
    },
  },
  build: {
    outDir: 'dist',
    // Screens share styles: one sheet for all of them.
    cssCodeSplit: false,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1200,
    modulePreload: { polyfill: false },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4747' } },
});
