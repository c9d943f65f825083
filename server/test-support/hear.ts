import { setTimeout } from 'node:timers/promises';
import type { TestServer } from './testServer';

type Expected = {
  kind: 'events' | 'beat';
  count: number;
  /** Whether a stream that is cut off is asked for again from the last it gave, as phones do. */
  asksAgain?: boolean;
};

/** Reads a stream until so many events of a job, or so many beats, have come; answers its messages. */
export async function hear(
  server: TestServer,
  path: string,
  { kind, count, asksAgain = false }: Expected,
  meanwhile: () => Promise<unknown>,
) {
  const stop = new AbortController();
  let text = '';
  const heard = () => messagesOf(text, kind);
  const isAll = () => {
    const many = kind === 'beat' ? heard() : heard().flatMap(({ events }) => events);
    return many.length >= count;
  };
  const read = async (response: Response) => {
    const decoder = new TextDecoder();
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(chunk, { stream: true });
      if (isAll()) return;
    }
  };
  const ask = (query = '') => server.fetch(`${path}${query}`, { signal: stop.signal });
  let response = await ask();
  const during = meanwhile();
  while (!isAll()) {
    const cut = await read(response).then(
      () => new Error('The stream has ended.'),
      (error: unknown) => error,
    );
    if (isAll()) break;
    if (!asksAgain) throw cut;
    await setTimeout(50);
    // Half a message comes once more.
    text = text.slice(0, text.lastIndexOf('\n\n') + 2);
    response = await ask(`?after=${/(\d+)$/.exec(text.match(/^id: \d+$/gm)?.at(-1) ?? '0')?.[1]}`);
  }
  await during;
  stop.abort();
  return heard();
}

function messagesOf(text: string, kind: string) {
  const whole = text.split('\n\n').slice(0, -1);
  return whole
    .filter((one) => one.includes(`event: ${kind}`))
    .map((one) => JSON.parse(/^data: (.*)$/m.exec(one)![1]!));
}
