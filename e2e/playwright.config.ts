import { defineConfig } from '@playwright/test';
import { chromium } from './browser.ts';

/**
 * Journeys through the real interface, each with a server and a database of its own. What waits does
 * so long enough for a busy machine.
 */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: ['../scripts/built-helpers.ts', './seed.ts'],
  timeout: 180_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['list']],
  outputDir: '../test-results',
  use: {
    launchOptions: chromium,
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    contextOptions: { reducedMotion: 'reduce' },
  },
});
