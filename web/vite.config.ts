import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The built pages hold everything they need; nothing is fetched from elsewhere. */
export default defineConfig({
  plugins: [react()],
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
