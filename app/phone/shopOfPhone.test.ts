import {
  isAnotherLife,
  noteLife,
  phoneDatabaseName,
  shopAnswered,
  shopHeader,
} from './shopOfPhone';

const kept = new Map<string, string>();
beforeAll(() => {
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
    },
  });
});

describe('the shops a phone has worked for', () => {
  it('each have a database of their own, and none is another’s', () => {
    expect([phoneDatabaseName(), shopHeader()]).toEqual(['longbar', {}]);
    // What the phone kept before any shop had a name is the first one's.
    expect(shopAnswered('demo')).toBe(false);
    expect(phoneDatabaseName()).toBe('longbar');
    expect(shopHeader()).toEqual({ 'x-longbar-shop': 'demo' });
    expect(shopAnswered('demo')).toBe(false);

    expect(shopAnswered('own')).toBe(true);
    expect(phoneDatabaseName()).toBe('longbar-own');
    expect(shopHeader()).toEqual({ 'x-longbar-shop': 'own' });
    // Going back finds what was left there.
    expect(shopAnswered('demo')).toBe(true);
    expect(phoneDatabaseName()).toBe('longbar');
  });

  it('are known by their life: another one is told once, and one never seen is none', () => {
    expect(isAnotherLife('demo', 'first')).toBe(false);
    noteLife('demo', 'first');
    expect(isAnotherLife('demo', 'first')).toBe(false);
    expect(isAnotherLife('demo', 'second')).toBe(true);
    expect(isAnotherLife('own', 'second')).toBe(false);
    noteLife('demo', 'second');
    expect(isAnotherLife('demo', 'second')).toBe(false);
    expect(phoneDatabaseName()).toBe('longbar');
  });

  it('are as if never seen where what is kept cannot be read', () => {
    kept.set('longbar.shops', '{"present": 7');
    expect([phoneDatabaseName(), shopHeader()]).toEqual(['longbar', {}]);
  });
});
