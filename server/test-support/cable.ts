import { once } from 'node:events';
import type { AddressInfo, Socket } from 'node:net';
import { connect, createServer } from 'node:net';

/** A cable to a database, by whose address it is reached through it. */
export type Cable = {
  url: string;
  /** Nothing comes through any more, and nobody is told. */
  pull(): void;
  /** It comes through again: by the connections that there were, or by new ones alone. */
  plug(which: 'those that were' | 'new ones'): void;
  close(): void;
};

/** A cable to the database at `url` that can be pulled. */
export async function cableTo(url: string): Promise<Cable> {
  const there = new URL(url);
  const ends = new Set<Socket>();
  let pulled = false;
  const server = createServer((near) => {
    const far = connect(Number(there.port), there.hostname);
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      ends.add(one);
      one.on('data', (data) => other.write(data));
      one.on('error', () => other.destroy());
      one.on('close', () => other.destroy());
      if (pulled) one.pause();
    }
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const through = new URL(url);
  through.port = String(port);
  return {
    url: through.href,
    pull() {
      pulled = true;
      ends.forEach((end) => end.pause());
    },
    plug(which) {
      pulled = false;
      if (which === 'those that were') ends.forEach((end) => end.resume());
    },
    close() {
      server.close();
      ends.forEach((end) => end.destroy());
    },
  };
}
