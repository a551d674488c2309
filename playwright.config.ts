import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';

export default defineConfig({
  testDir: 'e2e',
  // How long a journey takes is the machine's affair; that it comes to its end is what is tested.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: 1,
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  outputDir: '.cache/e2e',
  use: {
    launchOptions: CHROMIUM,
    locale: 'en-GB',
    // Where the demo club is.
    timezoneId: 'Etc/GMT+3',
    screenshot: 'only-on-failure',
    actionTimeout: 30_000,
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } } },
  ],
});
