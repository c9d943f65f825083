import type { Browser, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';

const viewport = { width: 390, height: 844 };

/** A phone that no server has ever seen. */
async function newPhone(browser: Browser): Promise<Page> {
  const none = { cookies: [], origins: [] };
  return (await browser.newContext({ viewport, storageState: none })).newPage();
}

/** The demo, and a phone on which somebody looks round as its technician. */
async function asTam(browser: Browser): Promise<{ server: TestServer; phone: Page }> {
  const server = await TestServer.start();
  const phone = await newPhone(browser);
  await phone.goto(server.url);
  await tap(phone, 'Look round as Tam, technician');
  await expect(phone.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  return { server, phone };
}

const tap = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
const title = (page: Page, name: string) => page.getByRole('heading', { name });

test('the first phone is paired by the link the server prints, a second by the foreman’s code', async ({
  browser,
}) => {
  const server = await TestServer.start({ empty: true, unpaired: true });
  const first = await newPhone(browser);
  await first.goto(server.url);
  await expect(title(first, 'This phone is not paired')).toBeVisible();
  await expect(first.getByRole('button', { name: /^Look round/ })).toHaveCount(0);
  // The link may have come as text.
  await first.getByLabel('The link, where it came as text').fill(server.firstLink ?? '');
  await tap(first, 'Open the link');
  await tap(first, 'Pair this phone');
  await first.getByLabel('Your name').fill('Runa');
  await tap(first, 'Pair this phone');
  await expect(title(first, 'Three steps to the first job')).toBeVisible();

  // Alone with one phone there is no list of people, only the way to a second.
  await first.goto(`${server.url}/shop`);
  await expect(first.getByText('You work alone here', { exact: false })).toBeVisible();
  await expect(first.getByRole('button', { name: /has left/ })).toHaveCount(0);
  await tap(first, 'Add a person');
  await first.getByLabel('Their name').fill('Tove');
  await tap(first, 'Show their code');
  const says = await first.getByText('Or open', { exact: false }).textContent();
  const link = says?.replace('Or open ', '') ?? '';
  await expect(
    first.getByRole('img', { name: 'A code that pairs a phone for Tove' }),
  ).toBeVisible();

  const second = await newPhone(browser);
  await second.goto(link);
  await tap(second, 'Pair this phone');
  await expect(second.getByText('A foreman names the shop', { exact: false })).toBeVisible();
  const third = await newPhone(browser);
  await third.goto(link);
  await tap(third, 'Pair this phone');
  await expect(third.getByRole('alert')).toContainText('This link was used or has run out');

  // She leaves: her phone is let go, and it is told so.
  await tap(first, 'Done');
  await first.reload();
  await tap(first, /^Tove/);
  await tap(first, 'Tove has left');
  await tap(first, 'Tove has left');
  await expect(first.getByRole('button', { name: /^Who has left/ })).toBeVisible();
  await tap(first, 'What was done, and by whom');
  const noted = first.getByRole('list', { name: 'What was done' }).getByRole('listitem');
  await expect(noted.first()).toContainText('Runa changed Tove: has left.');
  await expect(first.getByText('Runa showed a code for the phone of Tove.')).toBeVisible();
  await expect(first.getByText('Tove paired a phone.')).toBeVisible();
  await second.reload();
  await expect(title(second, 'This phone is not paired')).toBeVisible();
  for (const phone of [first, second, third]) await phone.context().close();
  await server.end();
});

test('a technician looks round the demo, drafts a sheet and publishes none @more', async ({
  browser,
}) => {
  const { server, phone } = await asTam(browser);
  await phone.getByRole('link', { name: /^Brine pump 2/ }).click();
  await expect(phone.getByLabel('Who works')).toHaveValue('Tam');

  // A browser that has forgotten all but the cookie goes on in his name, not in that of who began.
  const inasJob = new JobPage(phone);
  await inasJob.opened(server.url, { machine: 'Harvest tractor 1', hours: 2540 });
  await phone.evaluate(() => localStorage.removeItem('longbar.preferences'));
  await phone.reload();
  await expect(inasJob.button('Tam works. Hand over to another')).toBeVisible();

  await phone.goto(`${server.url}/sheets`);
  await expect(phone.getByRole('button', { name: 'Write a sheet for a new engine' })).toBeVisible();
  await expect(phone.getByRole('button', { name: 'Import sheets from a file' })).toHaveCount(0);
  await phone.getByRole('list', { name: 'Engine sheets' }).getByRole('link').first().click();
  await expect(phone.getByRole('button', { name: 'Retire the sheet' })).toHaveCount(0);
  await tap(phone, 'Change the sheet');
  await tap(phone, /^When it is checked: /);
  await phone.getByLabel('Then every so many hours').fill('777');
  const saved = phone.waitForEvent('download');
  await tap(phone, 'Save the draft for a foreman');
  expect((await saved).suggestedFilename()).toBe('long-bar-draft.json');
  await expect(phone.getByText('The draft is saved as a file', { exact: false })).toBeVisible();

  await phone.goto(`${server.url}/shop`);
  await expect(phone.getByText('A foreman changes the shop’s rules.')).toBeVisible();
  // The rules are read, and nothing can be typed or chosen that nobody could save.
  await expect(phone.getByLabel('Hours of checks a week')).not.toBeEditable();
  await expect(phone.getByLabel('Time zone of the shop')).toBeDisabled();
  await expect(phone.getByRole('radio', { name: /^Reset all/ })).toBeDisabled();
  const changing = phone.getByRole('button', { name: /^(Save|Take out .*|Add a blade set)$/ });
  await expect(changing).toHaveCount(0);
  await expect(title(phone, 'People')).toHaveCount(0);
  await expect(phone.getByRole('button', { name: /archive|demo/ })).toHaveCount(0);
  // A foreman makes a reader of him: there is nothing to write down any more.
  const people = await (await server.fetch('/people')).json();
  const { id } = people.find(({ name }: { name: string }) => name === 'Tam');
  await server.fetch(`/people/${id}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ role: 'reader' }),
  });
  await phone.goto(server.url);
  await phone.getByRole('link', { name: /^Brine pump 2/ }).click();
  await expect(title(phone, 'Past jobs')).toBeVisible();
  await expect(
    phone.getByRole('button', { name: /Start a lash job|Correct|Change what/ }),
  ).toHaveCount(0);
  await phone.goto(`${server.url}/shop`);
  // Signed out, the phone shows nothing of the shop.
  await tap(phone, 'Sign out of this phone');
  await tap(phone, 'Sign out');
  await expect(title(phone, 'This phone is not paired')).toBeVisible();
  await phone.goto(`${server.url}/sheets`);
  await expect(title(phone, 'This phone is not paired')).toBeVisible();
  await phone.context().close();
  await server.end();
});

test('a phone that is let go in the middle of a job goes on there, and loses nothing @more', async ({
  browser,
}) => {
  const { server, phone } = await asTam(browser);
  const job = new JobPage(phone);
  await job.start(server.url, 'Brine pump 2');
  await job.isDue();
  const path = `${new URL(phone.url()).pathname}/events`;
  const held = async () => (await (await server.fetch(path)).json()).events.length as number;
  // Why it is opened, and the rules it is judged by.
  await expect.poll(held).toBe(2);
  const before = await held();

  const people = await (await server.fetch('/people')).json();
  const tam = people.find(({ name }: { name: string }) => name === 'Tam');
  for (const { id } of tam.phones) {
    await server.fetch(`/people/phones/${id}`, { method: 'DELETE' });
  }
  // The engine stands open: the job goes on, and says that nothing of it is sent.
  await job.rest('Overnight', '6601');
  await job.at('Make unable to start');
  await tap(phone, /unsent/);
  await expect(phone.getByText('this phone is not paired', { exact: false })).toBeVisible();
  await tap(phone, 'Close');
  await phone.goto(server.url);
  await expect(title(phone, 'This phone is not paired')).toBeVisible();
  await expect(phone.getByText(/entr(y is|ies are) kept on this phone/)).toBeVisible();
  await tap(phone, 'Go on with Brine pump 2');
  await job.at('Make unable to start');
  await expect(phone.getByRole('button', { name: /unsent/ })).toBeVisible();
  expect(await held()).toBe(before);

  const pairing = await server.send('/people/pairings', { person: tam.id });
  const { code } = await pairing.json();
  await phone.goto(`${server.url}/pair#${code}`);
  await tap(phone, 'Pair this phone');
  await expect(phone.getByRole('link', { name: /^Continue the job/ })).toBeVisible();
  await expect.poll(held).toBeGreaterThan(before);
  await expect(phone.getByRole('button', { name: /unsent|refused/ })).toHaveCount(0);
  await phone.context().close();
  await server.end();
});

test('each hangs their own lock; one that was taken off without signal hangs for the others', async ({
  browser,
}) => {
  const { server, phone: tams } = await asTam(browser);
  const tam = new JobPage(tams);
  await tam.start(server.url, 'Brine pump 2', undefined, 'Tam');
  await tam.prepare('6601');
  await tam.tickAll();
  await tam.at('Open up');
  const path = new URL(tams.url()).pathname;

  const orlas = await newPhone(browser);
  const orla = new JobPage(orlas);
  const { code } = await (
    await server.send('/people/pairings', { name: 'Orla', role: 'technician' })
  ).json();
  await orlas.goto(`${server.url}/pair#${code}`);
  await tap(orlas, 'Pair this phone');
  await expect(orlas.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await orlas.goto(server.url + path);
  await expect(title(orlas, 'Orla, hang your own lock')).toBeVisible();
  await expect(orlas.getByText(/^Tam’s lock hangs since/)).toBeVisible();
  await orla.tap('Orla: my own lock hangs');
  await expect(orla.button('Covers off, all noted')).toBeVisible();

  // Nobody but a foreman who went and looked takes another's lock off.
  await tap(orlas, /^Orla works/);
  await orlas.getByRole('checkbox', { name: /^Tam: not heard from/ }).click();
  await expect(orlas.getByText(/Only Tam takes it off, or a foreman/)).toBeVisible();

  // His phone is let go; he takes his lock off, and it cannot say so.
  const people = await (await server.fetch('/people')).json();
  const one = people.find(({ name }: { name: string }) => name === 'Tam');
  for (const { id } of one.phones) {
    await server.fetch(`/people/phones/${id}`, { method: 'DELETE' });
  }
  await tap(tams, /^Tam works/);
  await tams.getByRole('checkbox', { name: 'Tam: clear, my lock off' }).click();
  await expect(tams.getByRole('checkbox', { name: /^Tam: clear/ })).toHaveCount(0);
  await expect(tams.getByRole('button', { name: /unsent/ })).toBeVisible();
  await expect(orlas.getByRole('checkbox', { name: /^Tam: not heard from/ })).toBeVisible();

  const again = await (await server.send('/people/pairings', { person: one.id })).json();
  await tams.goto(`${server.url}/pair#${again.code}`);
  await tap(tams, 'Pair this phone');
  await expect(tams.getByRole('link', { name: /^Continue the job/ })).toBeVisible();
  await expect(orlas.getByRole('checkbox', { name: /^Tam: not heard from/ })).toHaveCount(0);
  // Hers is the last one now, and stays.
  await expect(orlas.getByText(/It is the last one on an open engine/)).toBeVisible();
  await tams.context().close();
  await orlas.context().close();
  await server.end();
});

test('a name with a PIN is used on another’s phone by its owner only @more', async ({
  browser,
}) => {
  const { server, phone } = await asTam(browser);
  const orlas = await newPhone(browser);
  const whose = { name: 'Orla', role: 'technician' };
  const { code } = await (await server.send('/people/pairings', whose)).json();
  await orlas.goto(`${server.url}/pair#${code}`);
  await tap(orlas, 'Pair this phone');
  await expect(orlas.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await orlas.goto(`${server.url}/shop`);
  await tap(orlas, /^Your PIN/);
  await orlas.getByLabel('A PIN').fill('2718');
  await tap(orlas, 'Keep this PIN');
  await expect(orlas.getByRole('button', { name: 'No PIN any more' })).toBeVisible();
  await orlas.context().close();

  const job = new JobPage(phone);
  await job.start(server.url, 'Brine pump 2', undefined, 'Tam');
  const handOver = async () => {
    await tap(phone, /works\. Hand over/);
    await tap(phone, 'Orla carries on');
  };
  const asked = phone.getByText('Orla, your PIN');
  const type = async (pin: string) => {
    await phone.getByLabel('PIN').fill(pin);
    await tap(phone, 'Go on');
  };
  await handOver();
  await expect(asked).toBeVisible();
  await type('1111');
  await expect(phone.getByText('That is not the PIN of Orla.')).toBeVisible();
  await type('2718');
  await expect(phone.getByRole('button', { name: /^Orla works/ })).toBeVisible();
  await tap(phone, /^Orla works/);
  await tap(phone, 'Tam carries on');
  await expect(phone.getByRole('button', { name: /^Tam works/ })).toBeVisible();
  // It worked once on this phone: without signal it is known here.
  await server.down();
  await handOver();
  await type('1111');
  await expect(phone.getByText('That is not the PIN of Orla.')).toBeVisible();
  await type('2718');
  await expect(phone.getByRole('button', { name: /^Orla works/ })).toBeVisible();
  await phone.context().close();
  await server.end();
});
