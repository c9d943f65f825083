import type { RequestListener, Server } from 'node:http';
import { createServer } from 'node:http';
import { proxyTo } from './proxyTo';

const open: Server[] = [];

/** Listens on a free port; answers it. */
function listening(answer: RequestListener): Promise<number> {
  const server = createServer(answer);
  open.push(server);
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : 0);
    });
  });
}

/** The address of a proxy to these, one after the other, and how often the next was asked for. */
async function proxied(...ports: (number | undefined)[]) {
  let asked = 0;
  const proxy = proxyTo(() => ports[asked++ % ports.length]);
  ends.push(proxy.close);
  return { url: `http://127.0.0.1:${await listening(proxy.answer)}`, asked: () => asked };
}

const ends: (() => void)[] = [];
afterEach(() => {
  ends.splice(0).forEach((end) => end());
  for (const server of open.splice(0)) {
    server.close();
    server.closeAllConnections();
  }
});

const serves: RequestListener = (request, response) => response.end(`${request.method} here`);
/** As a connection that was kept and is closed just when it is used again, or a process killed. */
const cutsOff: RequestListener = (request) => request.socket.destroy();

it('asks another for what only reads, where one cuts off or nobody is there any more', async () => {
  const gone = await listening(serves);
  open.at(-1)!.close();
  const { url, asked } = await proxied(gone, await listening(cutsOff), await listening(serves));
  expect(await (await fetch(url)).text()).toBe('GET here');
  expect(asked()).toBe(3);
});

it('sends nothing twice: what may have been done is refused, to be sent again by the phone', async () => {
  let came = 0;
  const port = await listening((request) => {
    came++;
    request.socket.destroy();
  });
  const { url } = await proxied(port, await listening(serves));
  const answer = await fetch(url, { method: 'POST', body: 'a reading' });
  expect([answer.status, answer.headers.get('retry-after'), came]).toEqual([503, '1', 1]);
});

it('gives up where none answers', async () => {
  const { url, asked } = await proxied(await listening(cutsOff));
  expect((await fetch(url)).status).toBe(503);
  expect(asked()).toBe(3);
  const nobody = await proxied(undefined);
  expect((await fetch(nobody.url)).status).toBe(503);
});

it('lets go of an answer that breaks off, and begins no other in the middle of it', async () => {
  const breaks = await listening((_request, response) => {
    response.writeHead(200, { 'Content-Length': '100' });
    response.write('half');
    setTimeout(() => response.destroy(), 20);
  });
  const { url, asked } = await proxied(breaks, await listening(serves));
  await expect((async () => (await fetch(url)).text())()).rejects.toThrow();
  expect(asked()).toBe(1);
});

it('lets a process know that nobody listens any more', async () => {
  const left = new Promise<void>((resolve) => {
    void listening((_request, response) => {
      response.write('so far');
      response.once('close', () => resolve());
    }).then(async (port) => {
      const { url } = await proxied(port);
      const leaving = new AbortController();
      const { body } = await fetch(url, { signal: leaving.signal });
      await body?.getReader().read();
      leaving.abort();
    });
  });
  await left;
});
