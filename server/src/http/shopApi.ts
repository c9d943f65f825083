import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { HoursFileSchema, ignore, localDay, SearchSchema, SheetsImportSchema } from '@longbar/core';
import { json, Router } from 'express';
import type { FleetKeeper } from '../fleet/fleetKeeper';
import type { HookKeeper } from '../hooks/hookKeeper';
import type { Keepers } from '../keepers';
import { readingsCsv } from '../record/readingsCsv';
import { search } from '../store/derived/search';
import { importSheets } from '../store/exchange/sheetsFile';
import { takeHours } from '../store/hours/hoursFile';
import type { BackupPlan } from '../store/sql/backupFiles';
import { backupsTold } from '../store/sql/backupFiles';
import type { Database } from '../store/sql/database';
import type { FindWeeks } from '../weeks/findWeeks';
import { archiveRoutes } from './archive';
import { blobRoutes } from './blobs';
import { sendCalendar } from './calendar';
import { demoRoutes } from './demo';
import { doorRoutes } from './door';
import { companyRoutes } from './company';
import { checked } from './errors';
import { fleetRoutes } from './fleets';
import { hookRoutes } from './hooks';
import { JobFeed } from './jobFeed';
import { jobRoutes } from './jobs';
import { machineRoutes } from './machines';
import { refuseOtherShops } from './otherShop';
import { peopleRoutes } from './people';
import { practiceRoutes } from './practice';
import { refuseDeep } from './refuseDeep';
import { noteOf } from './session';
import { sheetRoutes } from './sheets';
import { shopRoutes } from './shop';
import { weekRoutes } from './weeks';

/** A table of hours: a year of a whole yard, several times a day. */
const LARGEST_TABLE = '32mb';

/** Sheets of a whole fleet with photos of their manuals' pages. */
const LARGEST_SHEETS = '256mb';

/** A shop, and what works for all shops of the server. */
export type ShopParts = {
  db: Database;
  backups: BackupPlan | undefined;
  driftDue: (() => void) | undefined;
  fleets: Keepers<FleetKeeper>;
  hooks: Keepers<HookKeeper>;
  find: FindWeeks;
  incoming: string;
};

/** The routes of one shop, and who follows its jobs. */
export type ShopApi = { routes: Router; feed: JobFeed };

/** All that one shop answers: nothing of it can name another. */
export function shopApi(parts: ShopParts): ShopApi {
  const { db, backups, driftDue, find, incoming } = parts;
  const [fleets, hooks] = [parts.fleets.of(db), parts.hooks.of(db)];
  const feed = new JobFeed(db.others);
  const signed = () => {
    driftDue?.();
    hooks.look(new Date()).catch(ignore('it is logged where it failed'));
  };
  const api = Router();
  api.use(refuseOtherShops(db));
  api.use('/blobs', blobRoutes(db));
  api.use('/archive', archiveRoutes(db, incoming));
  api.use(importRoutes(db));
  api.use(json({ limit: '1mb' }), refuseDeep);
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  // What is asked for most goes past the fewest others.
  api.use('/machines', machineRoutes(db, driftDue));
  api.use('/jobs', jobRoutes(db, feed, signed));
  api.use('/people', peopleRoutes(db));
  api.use('/practice', practiceRoutes(db));
  api.use(doorRoutes(db));
  api.get('/backups', (_request, response) => {
    response.json(backups ? backupsTold(backups, new Date()) : null);
  });
  api.use('/fleets', fleetRoutes(db, fleets, driftDue));
  api.use('/hooks', hookRoutes(db, hooks));
  api.use('/shop', shopRoutes(db, driftDue));
  api.use('/demo', demoRoutes(db));
  api.use('/weeks', weekRoutes(db, find));
  api.use('/company', companyRoutes(db, driftDue));
  api.use('/sheets', sheetRoutes(db));
  api.get('/search', async (request, response) => {
    const { q } = checked(SearchSchema, request.query);
    response.json(await search(db, q, localDay(new Date())));
  });
  api.get('/due.ics', (_request, response) => sendCalendar(db, localDay(new Date()), response));
  api.get('/readings.csv', async (_request, response) => {
    response.type('text/csv; charset=utf-8');
    response.set('Content-Disposition', 'attachment; filename="long-bar-readings.csv"');
    await pipeline(Readable.from(readingsCsv(db)), response);
  });
  return { routes: api, feed };
}

/** What comes as a whole file, and may be longer than all else. */
function importRoutes(db: Database): Router {
  const api = Router();
  api.post('/hours', json({ limit: LARGEST_TABLE }), refuseDeep, async (request, response) => {
    const file = checked(HoursFileSchema, request.body);
    response.json(await takeHours(db, file, localDay(new Date())));
  });
  api.post(
    '/sheets/file',
    json({ limit: LARGEST_SHEETS }),
    refuseDeep,
    async (request, response) => {
      const { file, ...options } = checked(SheetsImportSchema, request.body);
      const report = await importSheets(db, file, options, new Date().toISOString());
      const names = report.sheets.filter(({ is }) => is === 'new' || is === 'newer');
      const about = names
        .map(({ name }) => name)
        .join(', ')
        .slice(0, 500);
      if (report.taken) await noteOf(db, request, 'sheets-imported', about);
      response.json(report);
    },
  );
  return api;
}
