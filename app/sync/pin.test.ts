import 'fake-indexeddb/auto';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { tryPin } from './pin';

let names = 0;
let db: PhoneDatabase;
beforeEach(async () => {
  db = await openPhoneDatabase(`pin-${names++}`);
});

const taken = async () => ({ status: 204, body: null });
const refused = async () => ({
  status: 400,
  body: { error: { message: 'That is not the PIN of Tove.', issues: [] } },
});
const noSignal = async () => {
  throw new Error('no signal');
};
const right = async (pin: string, post: Parameters<typeof tryPin>[3]) =>
  (await tryPin(db, 'Tove', pin, post)).right;

it('works without signal once it worked with it, and only that one', async () => {
  expect(await tryPin(db, 'Tove', '2718', noSignal)).toEqual({
    right: false,
    why: expect.stringContaining('needs the server once'),
  });
  expect(await right('2718', taken)).toBe(true);
  expect(await right('2718', noSignal)).toBe(true);
  expect(await right('2719', noSignal)).toBe(false);
  // A phone that was let go, and a server that fails, are as no signal.
  expect(await right('2718', async () => ({ status: 401, body: null }))).toBe(true);
  expect(await right('2718', async () => ({ status: 503, body: null }))).toBe(true);
  expect(await tryPin(db, 'Tove', '2718', refused)).toEqual({
    right: false,
    why: 'That is not the PIN of Tove.',
  });
});

it('is forgotten by the phone after five wrong ones without signal', async () => {
  await right('2718', taken);
  for (let i = 0; i < 4; i++) expect(await right('1111', noSignal)).toBe(false);
  expect(await right('2718', noSignal)).toBe(true);
  for (let i = 0; i < 5; i++) expect(await right('1111', noSignal)).toBe(false);
  expect(await right('2718', noSignal)).toBe(false);
});
