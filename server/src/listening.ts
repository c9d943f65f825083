import type { RequestListener, Server } from 'node:http';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import type { Environment } from './settings';
import { addressFrom, certificateFrom, hostsFrom, portFrom, StartError } from './settings';

/** Where it is served, as the environment has it. */
export type Place = {
  host: string;
  port: number;
  /** The certificate to serve by, where there is one. */
  secure: ReturnType<typeof certificateFrom>;
  /** The names it may be opened by, besides its addresses. */
  hosts: string[];
  /** Where another device reaches it. */
  url: string;
};

/** Where it is to be served. Throws StartError. */
export function placeFrom(env: Environment): Place {
  const host = env.HOST ?? '127.0.0.1';
  const port = portFrom(env.PORT);
  const secure = certificateFrom(env.TLS_CERT, env.TLS_KEY);
  const own = `${secure ? 'https' : 'http'}://${reachable(host)}:${port}/`;
  const url = addressFrom(env) ?? own;
  // Phones open it by the name that stands in their links.
  const hosts = [...hostsFrom(env.LONGBAR_HOSTS, secure?.cert), host, new URL(url).hostname];
  return { host, port, secure, hosts, url };
}

/**
 * Answers from here on; what it answers by may not be there yet. Answers what ends that. Throws
 * StartError where the port or the address cannot be had.
 */
export async function listenAt(place: Place, answer: RequestListener): Promise<() => void> {
  const { host, port, secure } = place;
  const server = secure ? createSecureServer(secure, answer) : createServer(answer);
  await listen(server, port, host);
  return () => {
    server.close();
    server.closeAllConnections();
  };
}

function listen(server: Server, port: number, host: string): Promise<void> {
  return new Promise((resolvePromise, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') {
        reject(new StartError(`Port ${port} is in use. Set PORT to a free one.`));
      } else if (error.code === 'EACCES' || error.code === 'EADDRNOTAVAIL') {
        reject(new StartError(`Cannot listen on ${host}:${port} (${error.code}).`));
      } else reject(error);
    });
    server.listen(port, host, resolvePromise);
  });
}

/** The address another device reaches: the first of this machine where all are served. */
function reachable(host: string): string {
  if (host !== '0.0.0.0' && host !== '::') return host;
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? 'localhost';
}
