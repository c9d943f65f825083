import { tmpdir } from 'node:os';
import { SHOP_HEADER } from '@longbar/core';
import compression from 'compression';
import type { Express, RequestHandler } from 'express';
import express from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { FleetKeeper } from '../fleet/fleetKeeper';
import { HookKeeper } from '../hooks/hookKeeper';
import { Keepers } from '../keepers';
import type { BackupPlan } from '../store/sql/backupFiles';
import type { Database } from '../store/sql/database';
import type { FindWeeks } from '../weeks/findWeeks';
import { findWeeks } from '../weeks/findWeeks';
import { answerErrors, notFound } from './errors';
import type { MetricsPlan } from './metrics';
import { Metrics, sendMetrics } from './metrics';
import { openRoutes } from './open';
import { limits, OF_ONE, onlyKnownHosts, onlyOwnPages, onlyOwnTypes } from './outside';
import { requestLog } from './requestLog';
import { countedBy, onlyWhoMay, shopOf } from './session';
import type { ShopApi } from './shopApi';
import { shopApi } from './shopApi';
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
  fleets?: Keepers<FleetKeeper> | undefined;
  /** Tells other programs; without one they are told when somebody sends a test. */
  hooks?: Keepers<HookKeeper> | undefined;
  /** How weeks of work are found; in this process unless said. */
  find?: FindWeeks | undefined;
  /** Hears that drift is to be worked out: by a check that was signed, other hours, another risk. */
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

/** Of zlib's levels. */
const FASTEST = 1;

/** The one Express application: the API, and the web application beside it. */
export function createApp(options: AppOptions): Express {
  const { db, logger, run, web, devOrigin, backups, hosts = [], proxies = [] } = options;
  const parts = {
    backups,
    driftDue: options.driftDue,
    fleets: options.fleets ?? new Keepers((shop) => new FleetKeeper(shop, {}, logger)),
    hooks: options.hooks ?? new Keepers((shop) => new HookKeeper(shop, {}, logger)),
    find: options.find ?? findWeeks,
    incoming: options.incoming ?? tmpdir(),
  };
  const app = express();
  app.disable('x-powered-by');
  // No answer of the API is kept by whoever asks; files say by themselves whether they are the same.
  app.disable('etag');
  if (proxies.length > 0) app.set('trust proxy', [...proxies]);
  app.use(requestLog(logger));
  // Over plain HTTP on a shop's network the browser must not be sent to HTTPS.
  app.use(helmet({ contentSecurityPolicy: CONTENT_POLICY, strictTransportSecurity: false }));
  app.use(onlyKnownHosts(hosts));
  if (devOrigin) app.use(allowOrigin(devOrigin));
  const shops = new Map<number, ShopApi>();
  const apiOf = (shop: Database) => {
    const known = shops.get(shop.shop) ?? shopApi({ ...parts, db: shop });
    shops.set(shop.shop, known);
    return known;
  };
  const following = () => [...shops.values()].reduce((sum, { feed }) => sum + feed.following, 0);
  const api = express.Router();
  const metrics = options.metrics && new Metrics({ db, following, backups, ...options.metrics });
  if (metrics) api.use(metrics.watch);
  api.use(onlyOwnPages(devOrigin), onlyOwnTypes, limits());
  api.use(onlyWhoMay(db));
  api.use(limits(OF_ONE, countedBy('phone')), limits(OF_ONE, countedBy('id')));
  api.use(openRoutes(db, run));
  api.get('/metrics', sendMetrics(metrics));
  // Whoever asks for anything else is of a shop, and asks what is that shop's own.
  api.use((request, response, next) => {
    apiOf(shopOf(request)).routes(request, response, next);
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
