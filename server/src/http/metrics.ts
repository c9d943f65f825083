import { createHash, timingSafeEqual } from 'node:crypto';
import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { RequestError } from '../requestError';
import type { BackupPlan } from '../store/sql/backupFiles';
import { backupState } from '../store/sql/backupFiles';
import type { Database } from '../store/sql/database';
import { askedAt } from './requestLog';

/** The key of who may read the figures, and the folder whose disk is watched. */
export type MetricsPlan = { key: string; folder: string };

type Watched = MetricsPlan & {
  db: Database;
  /** How many phones follow a job right now. */
  following: () => number;
  backups: BackupPlan | undefined;
};

/** What a stream takes is as long as somebody looks. */
const STREAM = 'GET /jobs/:id/stream';

/** How the server does, in figures, for a program that watches it (Prometheus’ text format). */
export class Metrics {
  private readonly registry = new Registry();
  private readonly took = new Histogram({
    name: 'longbar_request_duration_seconds',
    help: 'How long requests took, by endpoint and status; streams are not counted.',
    labelNames: ['endpoint', 'status'],
    buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [this.registry],
  });

  constructor(private readonly watched: Watched) {
    collectDefaultMetrics({ register: this.registry });
    watchDatabase(this.registry, watched);
    watchDisk(this.registry, watched);
  }

  /** Notes how long each request takes. */
  readonly watch: RequestHandler = (request, response, next) => {
    const endpoint = askedAt(request.method, request.originalUrl);
    if (endpoint !== STREAM) {
      const done = this.took.startTimer({ endpoint });
      response.once('close', () => done({ status: String(response.statusCode) }));
    }
    next();
  };

  /** All figures as text, for who sends the key as `Authorization: Bearer …`. */
  async readBy(authorization = ''): Promise<{ type: string; text: string }> {
    if (!isSame(authorization.replace(/^Bearer /, ''), this.watched.key)) {
      throw new RequestError(401, 'The figures are for who holds LONGBAR_METRICS_KEY.');
    }
    return { type: this.registry.contentType, text: await this.registry.metrics() };
  }
}

function watchDatabase(registry: Registry, { db, following }: Watched): void {
  const registers = [registry];
  new Counter({
    ...{ name: 'longbar_writes_total', help: 'Transactions that were kept.', registers },
    collect() {
      this.reset();
      this.inc(db.whole.writes());
    },
  });
  gauge('longbar_streams_open', 'Phones that follow a job right now.', following);
  gauge(
    'longbar_database_damaged',
    '1 where the database is damaged and nothing is written.',
    () => (db.damage() === null ? 0 : 1),
  );
  gauge(
    'longbar_entries_lost',
    'Entries that phones were told are kept and that were missing at the start.',
    () => db.lost,
  );

  function gauge(name: string, help: string, read: () => number): void {
    new Gauge({
      name,
      help,
      registers,
      collect() {
        this.set(read());
      },
    });
  }
}

function watchDisk(registry: Registry, { backups, folder }: Watched): void {
  const registers = [registry];
  if (backups) {
    new Gauge({
      ...{ name: 'longbar_last_backup_timestamp_seconds', registers },
      help: 'When the last good backup was made; 0 where there is none.',
      collect() {
        this.set((backupState(backups, new Date()).last?.getTime() ?? 0) / 1000);
      },
    });
  }
  new Gauge({
    ...{ name: 'longbar_disk_free_bytes', registers },
    help: 'Room that is left on the disk of the database.',
    async collect() {
      const { bavail, bsize } = await statfs(folder);
      this.set(bavail * bsize);
    },
  });
}

/** Sends the figures to whoever holds the key; where none was set there are none. */
export function sendMetrics(metrics: Metrics | undefined): RequestHandler {
  return async ({ headers }, response) => {
    if (!metrics) throw new RequestError(404, 'Nobody set LONGBAR_METRICS_KEY.');
    const { type, text } = await metrics.readBy(headers.authorization);
    response.type(type).send(text);
  };
}

function isSame(given: string, key: string): boolean {
  // Of equal length, so that comparing tells nothing of the key.
  const [a, b] = [given, key].map((text) => createHash('sha256').update(text).digest());
  return a !== undefined && b !== undefined && timingSafeEqual(a, b);
}
