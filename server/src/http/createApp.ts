import { Readable } from 'node:stream';
import { tmpdir } from 'node:os';
import { pipeline } from 'node:stream/promises';
import {
  HoursFileSchema,
  ignore,
  localDay,
  SearchSchema,
  SheetsImportSchema,
  SHOP_HEADER,
} from '@longbar/core';
import compression from 'compression';
import type { Express, RequestHandler } from 'express';
import express from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { BackupPlan } from '../store/sql/backupFiles';
import { backupsTold } from '../store/sql/backupFiles';
import type { Database } from '../store/sql/database';
import { doorOf } from '../store/yard/door';
import { takeHours } from '../store/hours/hoursFile';
import { readingsCsv } from '../record/readingsCsv';
import { search } from '../store/derived/search';
import { importSheets } from '../store/exchange/sheetsFile';
import { archiveRoutes } from './archive';
import { blobRoutes } from './blobs';
import { sendCalendar } from './calendar';
import { demoRoutes, isDemoDoor } from './demo';
import { answerErrors, checked, notFound } from './errors';
import { JobFeed } from './jobFeed';
import { jobRoutes } from './jobs';
import { machineRoutes } from './machines';
import { refuseOtherShops } from './otherShop';
import { limits, OF_ONE, onlyKnownHosts, onlyOwnPages, onlyOwnTypes } from './outside';
import { openApi } from './described/openApi';
import { doorRoutes } from './door';
import { peopleRoutes } from './people';
import type { MetricsPlan } from './metrics';
import { Metrics, sendMetrics } from './metrics';
import { practiceRoutes } from './practice';
import { countedBy, noteOf, onlyWhoMay } from './session';
import { requestLog } from './requestLog';
import { sharedRoutes } from './shared';
import { sheetRoutes } from './sheets';
import { refuseDeep } from './refuseDeep';
import { shopRoutes } from './shop';
import { fleetRoutes } from './fleets';
import { hookRoutes } from './hooks';
import { FleetKeeper } from '../fleet/fleetKeeper';
import { HookKeeper } from '../hooks/hookKeeper';
import { weekRoutes } from './weeks';
import type { FindWeeks } from '../weeks/findWeeks';
import { findWeeks } from '../weeks/findWeeks';
import { webApplication } from './webApplication';

export type AppOptions = {
  db: Database;
  logger: Logger;
  /** Names this run of the server, so that a test knows whose answer it got. */
  run: string;
  /** The folder of the built web application; none while developing. */
  web?: string | undefined;
  /** While developing: the address the application is served from, on another port. */
  devOrigin?: string | undefined;
  /** The names it is served by besides its addresses and this machine's. */
  hosts?: readonly string[] | undefined;
  /** The proxies whose word is taken for who asks and by what scheme; none unless said. */
  proxies?: readonly string[] | undefined;
  /** Where its backups are; none in tests. */
  backups?: BackupPlan | undefined;
  /** Who may read the figures of how the server does; without it nobody. */
  metrics?: MetricsPlan | undefined;
  /** Asks telematics services for hours; without one they are asked by hand only. */
  fleets?: FleetKeeper | undefined;
  /** Tells other programs; without one they are told when somebody sends a test. */
  hooks?: HookKeeper | undefined;
  /** How weeks of work are found; in this process unless said. */
  find?: FindWeeks | undefined;
  /** Hears that drift is to be worked out: a check was signed, or the shop takes another risk. */
  driftDue?: (() => void) | undefined;
  /** Where an archive lies while it is imported; the system’s own place for such files unless said. */
  incoming?: string | undefined;
};

const CONTENT_POLICY = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'self'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    workerSrc: ["'self'", 'blob:'],
    imgSrc: ["'self'", 'data:', 'blob:'],
    connectSrc: ["'self'"],
    fontSrc: ["'self'"],
    manifestSrc: ["'self'"],
    mediaSrc: ["'self'", 'blob:'],
    objectSrc: ["'none'"],
    baseUri: ["'self'"],
    frameAncestors: ["'none'"],
  },
};

/** A table of hours: a year of a whole yard, several times a day. */
const LARGEST_TABLE = '32mb';

/** Sheets of a whole fleet with photos of their manuals' pages. */
const LARGEST_SHEETS = '256mb';

/** Of zlib's levels. */
const FASTEST = 1;

/** The one Express application: the API, and the web application beside it. */
export function createApp(options: AppOptions): Express {
  const {
    db,
    logger,
    run,
    web,
    devOrigin,
    backups,
    driftDue,
    fleets,
    hooks,
    find = findWeeks,
    hosts = [],
    proxies = [],
    incoming = tmpdir(),
  } = options;
  const app = express();
  app.disable('x-powered-by');
  if (proxies.length > 0) app.set('trust proxy', [...proxies]);
  app.use(requestLog(logger));
  // Over plain HTTP on a shop's network the browser must not be sent to HTTPS.
  app.use(helmet({ contentSecurityPolicy: CONTENT_POLICY, strictTransportSecurity: false }));
  app.use(onlyKnownHosts(hosts));
  if (devOrigin) app.use(allowOrigin(devOrigin));
  const signed = () => {
    driftDue?.();
    hooks?.look(new Date()).catch(ignore('it is logged where it failed'));
  };
  const feed = new JobFeed();
  const api = express.Router();
  const metrics = options.metrics && new Metrics({ db, feed, backups, ...options.metrics });
  if (metrics) api.use(metrics.watch);
  api.use(onlyOwnPages(devOrigin), onlyOwnTypes, ...limits());
  api.use(onlyWhoMay(db), refuseOtherShops(db));
  api.use(...limits(OF_ONE, countedBy('phone')), ...limits(OF_ONE, countedBy('id')));
  api.use('/blobs', blobRoutes(db));
  api.use('/archive', archiveRoutes(db, incoming));
  api.post(
    '/hours',
    express.json({ limit: LARGEST_TABLE }),
    refuseDeep,
    async (request, response) => {
      const file = checked(HoursFileSchema, request.body);
      response.json(await takeHours(db, file, localDay(new Date())));
    },
  );
  api.post(
    '/sheets/file',
    express.json({ limit: LARGEST_SHEETS }),
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
  api.use(express.json({ limit: '1mb' }), refuseDeep);
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.get('/health', async (request, response) => {
    const demo = await isDemoDoor(db, request);
    response.json({ ok: db.damage() === null, run, demo });
  });
  api.get('/live', (_request, response) => {
    response.json({ ok: true });
  });
  api.get('/metrics', sendMetrics(metrics));
  api.get('/openapi.json', async (_request, response) => {
    response.json(openApi((await doorOf(db)).cookie));
  });
  api.use('/people', peopleRoutes(db));
  api.use('/practice', practiceRoutes(db));
  api.use(doorRoutes(db));
  api.get('/backups', (_request, response) => {
    response.json(backups ? backupsTold(backups, new Date()) : null);
  });
  api.use('/fleets', fleetRoutes(db, fleets ?? new FleetKeeper(db, {}, logger)));
  api.use('/hooks', hookRoutes(db, hooks ?? new HookKeeper(db, {}, logger)));
  api.use('/shop', shopRoutes(db, driftDue));
  api.use('/demo', demoRoutes(db));
  api.use('/machines', machineRoutes(db));
  api.use('/jobs', jobRoutes(db, feed, signed));
  api.use('/weeks', weekRoutes(db, find));
  api.use('/shared', sharedRoutes(db));
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
  api.use(notFound);
  // An answer is packed while somebody waits for it; the application, once for long.
  app.use('/api', compression({ level: FASTEST }), api);
  if (web) app.use(compression(), webApplication(web));
  app.use(notFound);
  app.use(answerErrors(db));
  return app;
}

/** Lets the application ask across ports while developing. */
function allowOrigin(origin: string): RequestHandler {
  return (request, response, next) => {
    response.set('Access-Control-Allow-Origin', origin);
    response.set('Access-Control-Allow-Credentials', 'true');
    response.set('Access-Control-Allow-Headers', `content-type, ${SHOP_HEADER}`);
    response.set('Access-Control-Allow-Methods', 'GET, POST, PUT, PATCH, DELETE');
    response.set('Cross-Origin-Resource-Policy', 'cross-origin');
    if (request.method === 'OPTIONS') response.sendStatus(204);
    else next();
  };
}
