import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const HTTP = join(__dirname, '../src/http');

/** Where each file of routes hangs. */
const HANGS: Record<string, string> = {
  archive: '/archive',
  blobs: '/blobs',
  company: '/company',
  createApp: '',
  demo: '/demo',
  door: '',
  fleets: '/fleets',
  hooks: '/hooks',
  weeks: '/weeks',
  open: '',
  shopApi: '',
  jobs: '/jobs',
  machines: '/machines',
  people: '/people',
  practice: '/practice',
  shared: '/shared',
  sheets: '/sheets',
  shop: '/shop',
};
export type Route = { method: string; path: string };

/** Every route there is, as the sources name them. */
export function routes(): Route[] {
  return readdirSync(HTTP)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .flatMap((name) => {
      const source = readFileSync(join(HTTP, name), 'utf8');
      const found = source.matchAll(/\b(?:routes|api)\.(get|post|put|patch|delete)\(\s*'([^']+)'/g);
      const hangs = HANGS[name.replace('.ts', '')];
      return [...found].flatMap(([, method = '', path = '']) => {
        if (path.includes('{*path}')) return [];
        if (hangs === undefined) throw new Error(`Nobody said where ${name} hangs.`);
        return [{ method: method.toUpperCase(), path: `${hangs}${path}`.replace(/\/$/, '') }];
      });
    });
}
