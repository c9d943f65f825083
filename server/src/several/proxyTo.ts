import type { RequestListener } from 'node:http';
import { Agent } from 'node:http';
import httpProxy from 'http-proxy';

/**
 * A connection that nobody uses is closed here after so long, ms: a process closes it after five
 * seconds, and what was sent by it just then would be refused.
 */
const UNUSED = 4000;

const AWAY = 'The server is starting. It answers in a moment.';

/** So many of the processes are asked for a page before it is refused. */
const TRIES = 3;

/** Whether it may be asked for again: it changes nothing, and has no body that is sent already. */
const onlyReads = (method = ''): boolean => ['GET', 'HEAD'].includes(method);

/**
 * Passes each request to the next of several ports. What only reads is asked of another where one
 * has died, or closed a connection that was kept, before it answered: a script that is refused is a
 * page that does not come. Anything else is 503 then, and phones send it again.
 *
 * @param next The port of the next process, each in its turn; undefined while none serves.
 * @example createServer(proxyTo(() => 3001).answer) // passes all that is asked to port 3001
 */
export function proxyTo(next: () => number | undefined): {
  answer: RequestListener;
  close: () => void;
} {
  const agent = new Agent({ keepAlive: true, timeout: UNUSED });
  const proxy = httpProxy.createProxyServer({ agent, xfwd: true });
  // Where a process dies in the middle of an answer, who asked would wait for the rest for ever: a
  // phone that follows a job would hear of nobody any more.
  proxy.on('proxyRes', (from, _request, to) => {
    from.once('close', () => {
      if (!from.complete) to.destroy();
    });
  });
  // Where who asked has left, the process would go on telling a job to nobody.
  proxy.on('proxyReq', (asked, _request, to) => {
    to.once('close', () => {
      if (!to.writableFinished) asked.destroy();
    });
  });
  const away: RequestListener = (_request, response) => {
    response.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '1' });
    response.end(JSON.stringify({ error: { message: AWAY } }));
  };
  const pass = (tries: number, ...[request, response]: Parameters<RequestListener>): void => {
    const port = next();
    if (port === undefined) return away(request, response);
    return proxy.web(request, response, { target: { host: '127.0.0.1', port } }, () => {
      if (response.headersSent || response.destroyed) return response.destroy();
      if (tries > 1 && onlyReads(request.method)) return pass(tries - 1, request, response);
      return away(request, response);
    });
  };
  return {
    answer: (request, response) => pass(TRIES, request, response),
    close: () => {
      proxy.close();
      agent.destroy();
    },
  };
}
