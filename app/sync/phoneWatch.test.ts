import { createStore } from '../state/store';
import { watchPhone } from './phoneWatch';

const MB = 1_000_000;
let room: { quota?: number; usage?: number } | Error;

beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { window: globalThis });
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      storage: {
        persist: () => Promise.reject(new Error('not here')),
        estimate: () => (room instanceof Error ? Promise.reject(room) : Promise.resolve(room)),
      },
    },
  });
});
afterEach(() => jest.useRealTimers());

it('says that the phone is nearly full before it hurts, and no more once there is room', async () => {
  const store = createStore();
  const told = async (now: typeof room) => {
    room = now;
    await jest.advanceTimersByTimeAsync(60_000);
    return store.getState().phone.nearlyFull;
  };
  room = { quota: 1000 * MB, usage: 100 * MB };
  watchPhone(store);
  expect(await told({ quota: 1000 * MB, usage: 100 * MB })).toBe(false);
  expect(await told({ quota: 1000 * MB, usage: 960 * MB })).toBe(true);
  // A browser that does not tell this time has not said that there is room.
  expect(await told(new Error('busy'))).toBe(true);
  expect(await told({ quota: 1000 * MB, usage: 500 * MB })).toBe(false);
  // Of a small store little is left though most of it is free.
  expect(await told({ quota: 60 * MB, usage: 20 * MB })).toBe(true);
  expect(await told({ quota: 600 * MB, usage: 20 * MB })).toBe(false);
});
