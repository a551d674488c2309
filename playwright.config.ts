import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';

// What is kept, sent or worked out is the same in every size: a journey about that is made in one of them (tag `@phone` or
// `@wide`), those about screens in both. The two run beside each other, and have about as much to do.
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
    { name: 'phone', grepInvert: /@wide/, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    { name: 'wide', grepInvert: /@phone/, use: { viewport: { width: 1280, height: 800 } } },
  ],
});
