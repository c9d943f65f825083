import type { TestServer } from './testServer';

/** Reads a stream until so many events of a job, or so many beats, have come; answers its messages. */
export async function hear(
  server: TestServer,
  path: string,
  { kind, count }: { kind: 'events' | 'beat'; count: number },
  meanwhile: () => Promise<unknown>,
) {
  const stop = new AbortController();
  const response = await server.fetch(path, { signal: stop.signal });
  const during = meanwhile();
  let text = '';
  let heard: ReturnType<typeof messagesOf> = [];
  let many: unknown[] = [];
  const decoder = new TextDecoder();
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(chunk, { stream: true });
    heard = messagesOf(text, kind);
    many = kind === 'beat' ? heard : heard.flatMap(({ events }) => events);
    if (many.length >= count) break;
  }
  await during;
  stop.abort();
  expect(many.length).toBeGreaterThanOrEqual(count);
  return heard;
}

function messagesOf(text: string, kind: string) {
  const whole = text.split('\n\n').slice(0, -1);
  return whole
    .filter((one) => one.includes(`event: ${kind}`))
    .map((one) => JSON.parse(/^data: (.*)$/m.exec(one)![1]!));
}
