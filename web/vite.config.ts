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
    // The server tells a page which files its screen needs before the page asks for them.
    manifest: true,
    rolldownOptions: {
      output: {
        chunkFileNames: ({ name }) => `assets/${name.replace(/~.*/, '')}-[hash].js`,
        // Few files: all that comes first in one, and what screens share in some of a worthwhile size.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 3 },
            // Pictures come later than lists: what both share may not bring D3 along.
            {
              name: 'd3',
              test: /node_modules\/(?:d3|internmap|delaunator)/,
              minShareCount: 2,
              priority: 2,
            },
            {
              name: 'shared',
              minShareCount: 2,
              entriesAware: true,
              entriesAwareMergeThreshold: 6_000,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4747' } },
});
