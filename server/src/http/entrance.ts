import type { RequestListener, ServerResponse } from 'node:http';

const WORDS = 'The server is starting. It answers in a moment.';
/** So long what is being answered is waited for where the server stops, ms. */
const PATIENCE = 5000;

/** Loaded again by itself until the application is there. */
const PAGE = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<meta http-equiv="refresh" content="2"><title>Long Bar is starting</title>
<h1>Long Bar is starting</h1><p>${WORDS} This page comes by itself.</p></html>`;

/**
 * Answers from the first moment on: that it lives at once, and all else once the application is
 * there. An upgrade of a large database takes its time, and who waits is told so.
 */
export class Entrance {
  private inside: RequestListener | undefined;
  private readonly answering = new Set<ServerResponse>();

  readonly answer: RequestListener = (request, response) => {
    this.answering.add(response);
    response.once('close', () => this.answering.delete(response));
    (this.inside ?? stillStarting)(request, response);
  };

  /** From here on the application answers. */
  open(application: RequestListener): void {
    this.inside = application;
  }

  /**
   * Lets nobody in any more, and waits until who is inside is answered: what they ask for would
   * else be taken away under them. A stream has no end of its own, and is ended.
   */
  async close(patience = PATIENCE): Promise<void> {
    this.inside = undefined;
    const late = Date.now() + patience;
    while (this.answering.size > 0 && Date.now() < late) {
      for (const response of this.answering) {
        if (String(response.getHeader('content-type')).startsWith('text/event-stream')) {
          response.destroy();
        }
      }
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  }
}

const stillStarting: RequestListener = (request, response) => {
  const path = request.url?.split('?')[0] ?? '';
  const [status, type, body] =
    path === '/api/live'
      ? [200, 'application/json', JSON.stringify({ ok: true })]
      : path.startsWith('/api/')
        ? [503, 'application/json', JSON.stringify({ error: { message: WORDS } })]
        : [503, 'text/html; charset=utf-8', PAGE];
  response.writeHead(status, {
    'Content-Type': type,
    'Cache-Control': 'no-store',
    'Retry-After': '2',
  });
  // What was sent along is not waited for.
  request.resume();
  response.end(body);
};
