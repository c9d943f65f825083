import 'fake-indexeddb/auto';
import { api } from './api';
import { createStore } from './store';

/** A page knows which server it came from. */
const { Request: Bare } = globalThis;
globalThis.Request = class extends Bare {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://server') : input, init);
  }
};

/** What the server answers by path, or that it is gone. */
let answers: Record<string, unknown>;
const asked: string[] = [];
beforeEach(() => {
  // Nothing here is slow, and no limit of time outlives the test.
  jest.spyOn(AbortSignal, 'timeout').mockReturnValue(new AbortController().signal);
  asked.length = 0;
  globalThis.fetch = async (request: RequestInfo | URL) => {
    const path = new URL((request as Request).url).pathname.replace('/api', '');
    asked.push(path);
    if (!(path in answers)) throw new TypeError('Failed to fetch');
    return new Response(JSON.stringify(answers[path]), {
      headers: { 'content-type': 'application/json' },
    });
  };
});

async function until(isSo: () => boolean): Promise<void> {
  for (let waits = 0; !isSo(); waits++) {
    if (waits > 1000) throw new Error('It has not come about.');
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}

describe('what the server did not answer', () => {
  it('is asked again once it answers anything else, and not before', async () => {
    const store = createStore();
    const calendar = () => api.endpoints.calendar.select()(store.getState());
    answers = {};
    await store.dispatch(api.endpoints.calendar.initiate());
    expect(calendar()).toMatchObject({ isError: true });
    expect(asked).toEqual(['/calendar']);

    answers = { '/machines': [] };
    await store.dispatch(api.endpoints.machines.initiate());
    await until(() => asked.length >= 3);
    expect(asked).toEqual(['/calendar', '/machines', '/calendar']);

    // It is there, so that it is asked once more soon: whichever of two answers was slower.
    answers = { '/calendar': { key: 'k'.repeat(32) } };
    await until(() => calendar().isSuccess);
    expect(asked.slice(3)).toEqual(['/calendar']);
  });

  it('is left alone where the server said why', async () => {
    const store = createStore();
    globalThis.fetch = async (request: RequestInfo | URL) => {
      const path = new URL((request as Request).url).pathname;
      asked.push(path);
      if (path.endsWith('/shop')) return new Response('{}', { status: 403 });
      return new Response(JSON.stringify({ key: 'k'.repeat(32) }));
    };
    await store.dispatch(api.endpoints.shop.initiate());
    await store.dispatch(api.endpoints.calendar.initiate());
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(asked).toHaveLength(2);
  });
});
