import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** The machines of the demo's yard, and the sheets they go by. */
const ALL = { machines: 8, sheets: 8 };

/** Waits until the application is kept on the phone, and each machine of the yard and its sheet. */
export async function keptOnPhone(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const kept = async () => {
    const paths = await answeredPaths(page);
    const under = (place: string) =>
      paths.filter((path) => new RegExp(`^/${place}/[0-9a-f-]{36}$`).test(path)).length;
    return { machines: under('machines'), sheets: under('sheets') };
  };
  await expect.poll(kept).toEqual(ALL);
}

/** What the phone keeps answers to. */
function answeredPaths(page: Page): Promise<string[]> {
  return page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const open = indexedDB.open('longbar');
        open.onsuccess = () => {
          const keys = open.result.transaction('answers').objectStore('answers').getAllKeys();
          keys.onsuccess = () => {
            open.result.close();
            resolve(keys.result.map(String));
          };
        };
      }),
  );
}
