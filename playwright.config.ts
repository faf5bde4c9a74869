import { defineConfig } from '@playwright/test';
import { chromiumPath, LAUNCH } from './tools/browser.ts';

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // a slow machine is no fault: what is waited for is generous, and nothing is timed here
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/playwright.json' }]],
  use: {
    headless: true,
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    launchOptions: { executablePath: chromiumPath() ?? 'chromium', args: [...LAUNCH.args] },
  },
});
