import 'fake-indexeddb/auto';
import { SHOP_HEADER } from '@longbar/core';
import type { BaseQueryApi } from '@reduxjs/toolkit/query/react';
import { shopAnswered } from '../phone/shopOfPhone';
import { keepingAnswers } from './keptAnswers';
import { phoneChanged } from './phone';
import { refusalOf } from './refusal';

const said: unknown[] = [];
const api = {
  dispatch: (action: unknown) => said.push(action),
  signal: new AbortController().signal,
} as unknown as BaseQueryApi;

/** The server: what it answers to a path, or that it is gone. */
let answer: (path: string) => Response = () => new Response('{}');
beforeEach(() => {
  said.length = 0;
  globalThis.fetch = async (request: RequestInfo | URL) => {
    const { url } = request as Request;
    return answer(new URL(url).pathname);
  };
});

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json' },
  });
const gone = () => {
  throw new TypeError('Failed to fetch');
};
const ask = keepingAnswers('http://server/api');
const answered = phoneChanged({ keptSince: null, keptBecause: null, unpaired: false });

describe('what the server answered last', () => {
  it('stands in while it does not answer, and it is said since when', async () => {
    answer = () => json(['a machine']);
    expect(await ask('/machines', api, {})).toMatchObject({ data: ['a machine'] });
    expect(said).toEqual([answered]);
    await new Promise((resolve) => setTimeout(resolve, 50));
    answer = gone;
    expect(await ask('/machines', api, {})).toEqual({ data: ['a machine'] });
    expect(said.at(-1)).toEqual(
      phoneChanged({ keptSince: expect.stringMatching(/^\d{4}-/), keptBecause: null }),
    );
    for (const status of [500, 502, 503, 504]) {
      answer = () => json({}, status);
      expect(await ask('/machines', api, {})).toEqual({ data: ['a machine'] });
    }
  });

  it('stands in where the server fails itself, with what it says of it', async () => {
    answer = () => json(['a machine']);
    await ask('/machines', api, {});
    await new Promise((resolve) => setTimeout(resolve, 50));
    answer = () => json({ error: { message: 'The server’s disk is full.', issues: [] } }, 507);
    expect(await ask('/machines', api, {})).toEqual({ data: ['a machine'] });
    expect(said.at(-1)).toMatchObject({
      payload: { keptBecause: 'The server’s disk is full.', keptSince: expect.any(String) },
    });
    answer = () => json(['two machines']);
    await ask('/machines', api, {});
    expect(said.at(-1)).toEqual(answered);
  });

  it('does not stand in for a phone that is paired no more, and that is said', async () => {
    answer = () => json({ error: { message: 'Not paired.', issues: [] } }, 401);
    expect(await ask('/machines', api, {})).toMatchObject({ error: { status: 401 } });
    expect(said).toEqual([phoneChanged({ unpaired: true })]);
    // Once it is paired again it hears so by the next answer.
    answer = () => json(['a machine']);
    await ask('/machines', api, {});
    expect(said.at(-1)).toEqual(answered);
  });

  it('is not kept where another shop answers by now than the one that was asked', async () => {
    const kept = new Map<string, string>();
    const localStorage = {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => void kept.set(key, text),
    };
    Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: localStorage });
    shopAnswered('11111111-0000-4000-8000-000000000000');
    const from = (shop: string, name: string) =>
      new Response(JSON.stringify({ name }), {
        headers: { 'content-type': 'application/json', [SHOP_HEADER]: shop },
      });
    answer = () => from('11111111-0000-4000-8000-000000000000', 'Kestrel Works');
    await ask('/shop', api, {});
    answer = () => from('22222222-0000-4000-8000-000000000000', 'Workshop');
    expect(await ask('/shop', api, {})).toMatchObject({ data: { name: 'Workshop' } });
    await new Promise((resolve) => setTimeout(resolve, 50));
    answer = gone;
    expect(await ask('/shop', api, {})).toEqual({ data: { name: 'Kestrel Works' } });
    kept.clear();
  });

  it('is no answer to what was never asked, nor to what the server refuses', async () => {
    answer = gone;
    expect(await ask('/sheets', api, {})).toHaveProperty('error');
    answer = () => json({ error: { message: 'There is no such machine.', issues: [] } }, 404);
    expect(await ask('/machines', api, {})).toMatchObject({ error: { status: 404 } });
  });

  it('never stands in for something that is to be changed', async () => {
    answer = gone;
    const change = { url: '/machines', method: 'POST', body: {} };
    expect(await ask(change, api, {})).toHaveProperty('error');
  });

  it('is waited for longer where something is changed, and nobody is told that nothing was', async () => {
    const timers = jest.spyOn(globalThis, 'setTimeout');
    const own = { ...api, signal: new AbortController().signal };
    answer = () => json({});
    const change = { url: '/demo', method: 'POST' };
    for (const args of ['/machines', { url: '/health' }, change, { ...change, timeout: 600_000 }])
      await ask(args, own, {});
    const waits = timers.mock.calls.map(([, within = 0]) => within).filter((ms) => ms > 1000);
    expect(waits).toEqual([8000, 8000, 60_000, 600_000]);
    timers.mockRestore();
    const wordsAfter = async (error: Error) => {
      answer = () => {
        throw error;
      };
      const { error: told } = await ask(change, own, {});
      return refusalOf(told ?? {}).message;
    };
    const late = new DOMException('It took too long.', 'TimeoutError');
    expect(await wordsAfter(late)).toMatch(/may have been done all the same/);
    expect(await wordsAfter(new TypeError('Failed to fetch'))).toMatch(/Nothing was changed/);
    // A proxy that gave up says nothing of what became of it, nor does an answer that cannot be read.
    answer = () => new Response('<h1>Gateway timeout</h1>', { status: 504 });
    const { error: byProxy } = await ask(change, own, {});
    for (const each of [byProxy ?? {}, new SyntaxError('It is no answer.')])
      expect(refusalOf(each).message).toMatch(/may have been done all the same/);
  });
});
