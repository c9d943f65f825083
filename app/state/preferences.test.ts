import { createStore } from './store';

it('what cannot be read of what is remembered is as if never set, and the name stays', () => {
  const plain = createStore().getState().preferences;
  const kept = { name: 'Tam', theme: 'dusk', gauge: { kind: 'typed', baudRate: 1 }, aloud: true };
  const localStorage = { getItem: () => JSON.stringify(kept), setItem: () => undefined };
  Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: localStorage });
  expect(createStore().getState().preferences).toEqual({ ...plain, name: 'Tam', aloud: true });
});
