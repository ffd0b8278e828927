import { defineConfig } from '@playwright/test';
import { chromium } from './browser.ts';

/** Journeys through the real interface, each with a server and a database of its own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  timeout: 90_000,
  expect: { timeout: 8_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['list']],
  outputDir: '../test-results',
  use: { launchOptions: chromium, viewport: { width: 1280, height: 800 }, screenshot: 'only-on-failure', contextOptions: { reducedMotion: 'reduce' } },
});
