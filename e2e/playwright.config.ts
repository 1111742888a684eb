import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../tools/lib/chromium.mjs';

export const PORT = 4391;
export const BASE = `http://127.0.0.1:${PORT}`;

/** Journeys against the real application: its start command, its database, Debian's browser. */
export default defineConfig({
  testDir: './journeys',
  outputDir: '../test-results',
  globalSetup: './start-application.ts',
  timeout: 240_000,
  // A busy machine may need long for a page; a right one answers at once all the same.
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  // Named in the report where it was needed: a machine that stands still for half a minute fails whatever waits.
  retries: 1,
  forbidOnly: true,
  use: {
    actionTimeout: 30_000,
    baseURL: BASE,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    trace: process.env['TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: CHROMIUM,
  },
});
