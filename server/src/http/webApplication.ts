import { join } from 'node:path';
import { Router, static as files } from 'express';

const YEAR = 365 * 24 * 3600;

/** The built application: hashed files for good, the page itself never from a cache. */
export function webApplication(folder: string): Router {
  const routes = Router();
  routes.use(
    files(folder, {
      index: false,
      setHeaders(response, path) {
        const hashed = /[.-][0-9a-f]{16,}\./.test(path);
        const cache = hashed ? `public, max-age=${YEAR}, immutable` : 'no-cache';
        response.setHeader('Cache-Control', cache);
      },
    }),
  );
  // A page of the application, but never in place of a file that is missing.
  routes.get('/{*path}', (request, response, next) => {
    if (/\.[a-z0-9]+$/i.test(request.path)) return next();
    response.set('Cache-Control', 'no-cache');
    response.sendFile(join(folder, 'index.html'));
  });
  return routes;
}
