import type { JobEvent } from '@longbar/core';
import express from 'express';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import { connect } from 'node:net';
import type { TestDatabase } from '../../test-support/demoDatabase';
import { demoDatabase } from '../../test-support/demoDatabase';
import { NOW } from '../../test-support/now';
import { MACHINES } from '../demo/yard';
import { keepArrivals } from '../store/journal/appends';
import { beginJob } from '../store/journal/jobs';
import { JobFeed } from './jobFeed';
import { streamJob } from './jobStream';

let made: TestDatabase;
beforeAll(async () => {
  made = await demoDatabase();
});
afterAll(() => made.end());

/** More than a connection between two programs of one machine holds. */
const ENTRIES = 8000;
const LONG = 4000;

async function longJob(): Promise<string> {
  const job = randomUUID();
  const at = NOW.toISOString();
  const machine = MACHINES[0]!.id;
  await beginJob(made.db, { id: job, machine, method: 'each', sheetRevision: 1, at, by: 'Ina' });
  const row = await made.db.tables.jobs.findByPk(job);
  const later = { later: 'y'.repeat(LONG) };
  const events = Array.from({ length: ENTRIES }, (_, i): JobEvent => {
    const envelope = { id: randomUUID(), job, n: i + 1, at, by: 'Ina', ...later };
    return { ...envelope, type: 'bar.out' };
  });
  const arrival = { job: row!.get(), events, at, person: null };
  await made.db.write((transaction) => keepArrivals(made.db, [arrival], transaction));
  return job;
}

it('a phone that listens and does not read is let go, and little is held for it', async () => {
  const job = await longJob();
  let most = 0;
  const app = express();
  const letGo = new Promise<void>((resolve) => {
    app.get('/', (_request, response) => {
      const write = response.write.bind(response);
      jest.spyOn(response, 'write').mockImplementation((text: unknown) => {
        const taken = write(text);
        most = Math.max(most, response.writableLength);
        return taken;
      });
      response.once('close', resolve);
      void streamJob(made.db, new JobFeed(made.db.others), job, 0, response, async () => true);
    });
  });
  const server = createServer(app).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  socket.pause();
  socket.write('GET / HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n');
  await letGo;
  // Of 32 MB no more than what may wait and a page was held for it.
  expect(most).toBeGreaterThan(8_000_000);
  expect(most).toBeLessThan(10_000_000);
  socket.destroy();
  await new Promise((resolve) => server.close(resolve));
});
