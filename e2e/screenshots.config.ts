import { defineConfig } from '@playwright/test';
import tests from './playwright.config';

/** `npm run screenshots`: the pictures of docs/screenshots, taken anew from the demo data. */
export default defineConfig({
  ...tests,
  testMatch: 'screenshots.ts',
  reporter: [['list']],
  // Without it the yard would say that it cannot be opened again without signal.
  use: { ...tests.use, serviceWorkers: 'allow' },
});
