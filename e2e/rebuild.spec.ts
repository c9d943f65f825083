import { mkdirSync, rmSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { sheet } from './support/recordedJob';
import { TestServer } from './support/server';

const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
const [SHEET, PUMP, SKIFF] = [id(1), id(2), id(3)];

test('a lost server is put back on an empty one from the phones that worked there @more', async ({
  browser,
}) => {
  const server = await TestServer.start({ empty: true, alone: true });
  const { variants: _none, ...document } = sheet;
  await server.keep('/sheets', { id: SHEET, document: { ...document, name: 'Avocet' } });
  await server.keep('/sheets', { id: SHEET, document });
  await server.keep('/machines', { id: PUMP, name: 'Brine pump', sheet: SHEET });
  await server.keep('/machines', { id: SKIFF, name: 'Skiff', sheet: SHEET });
  const rules = { policy: 'reset-all', bladeSets: [], address: 'North quay' };
  await server.keep('/shop', { name: 'Kestrel Works', ...rules }, 'PUT');

  const phone = async (machine: string, hours: string) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    await server.pairWith(context);
    const page = await context.newPage();
    const job = new JobPage(page);
    await job.start(server.url, machine);
    await job.isDue();
    await job.rest('Overnight', hours);
    await expect(page.getByRole('button', { name: /unsent/ })).toHaveCount(0);
    const path = new URL(page.url()).pathname;
    const held = async () => {
      const answer = await server.fetch(`${path}/events?after=0`);
      return answer.ok ? (await answer.json()).events.length : 0;
    };
    await expect.poll(held).toBeGreaterThan(2);
    return { page, held, before: (await held()) as number };
  };
  const [first, second] = [await phone('Brine pump', '120'), await phone('Skiff', '340')];

  await server.down('SIGKILL');
  rmSync(server.data, { recursive: true });
  mkdirSync(server.data);
  await server.up();

  const linkFor = async (name: string, role: string) => {
    const { code } = await (await server.send('/people/pairings', { name, role })).json();
    return `${server.url}/pair#${code}`;
  };
  // Each phone is paired anew: the server that knew them is gone.
  await first.page.goto(server.url);
  await expect(heading(first.page, 'This phone is not paired')).toBeVisible();
  await pairBy(first.page, await linkFor('Runa', 'foreman'));
  await expect(heading(first.page, 'Was the server of Kestrel Works lost?')).toBeVisible();
  await expect(first.page.getByText('2 machines and 1 job', { exact: false })).toBeVisible();
  await first.page.getByRole('button', { name: 'Put Kestrel Works back' }).click();
  await first.page.getByRole('button', { name: 'This is Kestrel Works' }).click();
  await expect.poll(first.held).toBeGreaterThanOrEqual(first.before);
  await expect(first.page.getByRole('link', { name: /^Brine pump/ })).toBeVisible();
  await expect(first.page.getByText('that it had lost', { exact: false })).toBeVisible();

  // The other phone was asked nothing: it is the same shop, in another life.
  await pairBy(second.page, await linkFor('Tove', 'technician'));
  await expect.poll(second.held).toBeGreaterThanOrEqual(second.before);
  const read = async (path: string) => (await server.fetch(path)).json();
  expect(await read('/shop')).toMatchObject({ name: 'Kestrel Works', address: 'North quay' });
  expect(await read(`/sheets/${SHEET}`)).toMatchObject({ revision: 2, document });
  expect((await read('/machines')).map(({ name }: { name: string }) => name)).toEqual([
    'Brine pump',
    'Skiff',
  ]);
  for (const { page } of [first, second]) {
    await expect(page.getByRole('button', { name: /unsent|refused/ })).toHaveCount(0);
    await page.context().close();
  }
  await server.end();
});

/** Opens a pairing link as a person does. */
async function pairBy(page: Page, link: string): Promise<void> {
  await page.goto(link);
  await page.getByRole('button', { name: 'Pair this phone' }).click();
  await page.waitForURL((url) => url.pathname !== '/pair');
}

const heading = (page: Page, name: string) => page.getByRole('heading', { name });
