import { defineConfig } from '@playwright/test';
import { ARGS, PAGES_ONLY } from './support/chromium';
import { TRIED } from './support/tried';

/** Every phone of a test is paired with the seeded demo, as its foreman's. */
const [name = '', value = ''] = (process.env.LONGBAR_E2E_COOKIE ?? '').split('=');
const cookie = {
  ...{ name, value, domain: '127.0.0.1', path: '/', expires: -1 },
  ...{ httpOnly: true, secure: false, sameSite: 'Strict' as const },
};

const results = process.env.LONGBAR_E2E_RESULTS;

/** End-to-end tests: the built application in Debian's Chromium, each with its own server. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  // Nothing here measures speed: a limit is for what hangs, on a machine of which others take most.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  ...(TRIED === 'short' && { grepInvert: /@more/ }),
  // What passes on a second try only is a defect to be found.
  retries: 0,
  // What a page waits for leaves two workers' cores idle for a third of the time.
  workers: 3,
  fullyParallel: true,
  globalSetup: './support/seed.ts',
  outputDir: '../test-results',
  reporter: results ? [['list'], ['json', { outputFile: results }]] : [['list']],
  use: {
    launchOptions: { executablePath: PAGES_ONLY, args: ARGS },
    // It fetches the whole application in each test anew; those about no signal allow it.
    serviceWorkers: 'block',
    ...(name !== '' && { storageState: { cookies: [cookie], origins: [] } }),
  },
});
