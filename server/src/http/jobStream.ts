import type { Response } from 'express';
import type { Database } from '../store/sql/database';
import { readEvents } from '../store/journal/jobs';
import type { JobFeed } from './jobFeed';

/** So many bytes wait for a reader, then it is let go. */
const MOST_UNREAD = 8_000_000;

/** A sign of life for what stands between server and phone, ms. */
const ALIVE = 15_000;

/**
 * Server-sent events of one job: `events` with a page of the journal each time something is
 * kept, its serial as the id to go on from, and `beat` as it comes.
 */
export async function streamJob(
  db: Database,
  feed: JobFeed,
  job: string,
  after: number,
  response: Response,
  isStillPaired: () => Promise<boolean>,
): Promise<void> {
  let serial = after;
  let sending = false;
  let again = false;
  const first = await readEvents(db, job, serial);
  response.set({
    'Content-Type': 'text/event-stream',
    // Compressing it would hold events back until there is enough of them.
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  const write = (text: string) => {
    // Who does not read is let go, and asks again from the last it has.
    if (response.writableLength > MOST_UNREAD) response.destroy();
    else response.write(text);
  };
  const send = (page: Awaited<ReturnType<typeof readEvents>>) => {
    serial = page.serial;
    write(`id: ${serial}\nevent: events\ndata: ${JSON.stringify(page)}\n\n`);
  };
  const letGo = () => response.destroy();
  const catchUp = async () => {
    again = true;
    if (sending) return;
    sending = true;
    try {
      while (again && !response.closed) {
        again = false;
        // A phone that was revoked meanwhile learns of nothing more.
        if (!(await isStillPaired())) return letGo();
        for (let more = true; more;) {
          const page = await readEvents(db, job, serial);
          if (page.events.length > 0) send(page);
          ({ more } = page);
        }
      }
    } catch (error) {
      // The phone asks again by itself, from the last it has.
      response.destroy(error instanceof Error ? error : new Error(String(error)));
    } finally {
      sending = false;
    }
  };
  const stop = feed.listen(
    job,
    () => void catchUp(),
    (beat) => write(`event: beat\ndata: ${JSON.stringify(beat)}\n\n`),
  );
  const alive = setInterval(() => {
    write(': alive\n\n');
    // What a process that died told nobody is seen by now.
    void catchUp();
  }, ALIVE);
  response.on('close', () => {
    clearInterval(alive);
    stop();
  });
  send(first);
  void catchUp();
}
