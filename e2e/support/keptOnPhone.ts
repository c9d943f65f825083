import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** Waits until the application is kept on the phone, and the machines of the yard with it. */
export async function keptOnPhone(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const answers = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const open = indexedDB.open('longbar');
          open.onsuccess = () => {
            const count = open.result.transaction('answers').objectStore('answers').count();
            count.onsuccess = () => {
              open.result.close();
              resolve(count.result);
            };
          };
        }),
    );
  // The yard, the shop, the sheets, eight machines and their sheets.
  await expect.poll(answers, { timeout: 20_000 }).toBeGreaterThanOrEqual(19);
}
