import type { Role } from '@longbar/core';

/** Who may ask: anybody, whose phone is paired, or a foreman; `key` is the calendar's own secret. */
export type Rule = 'open' | 'key' | Role;

/**
 * Who may ask what, by method and path as the routes name them. What stands in no line here is
 * answered to nobody: a new route without a rule does not work.
 */
export const RULES: Readonly<Record<string, Rule>> = {
  'GET /health': 'open',
  'POST /pair': 'open',
  'POST /demo/enter': 'open',
  'GET /due.ics': 'key',
  'GET /shared/:secret': 'open',
  'GET /shared/:secret/file': 'open',

  'GET /me': 'technician',
  'PUT /me/key': 'technician',
  'GET /calendar': 'technician',
  'GET /shop': 'technician',
  'GET /backups': 'technician',
  'GET /search': 'technician',
  'GET /readings.csv': 'technician',
  'GET /blobs/:sha256': 'technician',
  'PUT /blobs/:sha256': 'technician',
  'GET /machines': 'technician',
  'POST /machines': 'technician',
  'GET /machines/:id': 'technician',
  'PATCH /machines/:id': 'technician',
  'GET /machines/:id/checks': 'technician',
  'POST /machines/:id/hours': 'technician',
  'PATCH /machines/:id/hours/:reading': 'technician',
  'POST /hours': 'technician',
  'POST /jobs': 'technician',
  'GET /jobs/:id': 'technician',
  'GET /jobs/:id/events': 'technician',
  'POST /jobs/:id/events': 'technician',
  'GET /jobs/:id/seal': 'technician',
  'POST /jobs/:id/signature': 'technician',
  'GET /jobs/:id/record.pdf': 'technician',
  'GET /jobs/:id/record-file': 'technician',
  'GET /jobs/:id/shares': 'technician',
  'POST /jobs/:id/shares': 'technician',
  'DELETE /jobs/:id/shares/:share': 'technician',
  'GET /jobs/:id/stream': 'technician',
  'POST /jobs/:id/beats': 'technician',
  'GET /sheets': 'technician',
  'GET /sheets/file': 'technician',
  'GET /sheets/:id': 'technician',
  'GET /sheets/:id/revisions': 'technician',
  'GET /sheets/:id/revisions/:revision': 'technician',

  'DELETE /machines/:id': 'foreman',
  'POST /sheets': 'foreman',
  'POST /sheets/file': 'foreman',
  'PATCH /sheets/:id': 'foreman',
  'PUT /shop': 'foreman',
  'POST /shop/rebuild': 'foreman',
  'POST /demo': 'foreman',
  'DELETE /demo': 'foreman',
  'GET /archive': 'foreman',
  'POST /archive': 'foreman',
  'POST /calendar': 'foreman',
  'GET /audit': 'foreman',
  'GET /people': 'foreman',
  'PATCH /people/:id': 'foreman',
  'POST /people/pairings': 'foreman',
  'DELETE /people/phones/:id': 'foreman',
};

type Line = { method: string; parts: string[]; rule: Rule };
const LINES = Object.entries(RULES).map(([line, rule]): Line => {
  const [method = '', path = ''] = line.split(' ');
  return { method, parts: path.split('/'), rule };
});

/** The rule of a request; undefined where there is none. What is only looked for is read. */
export function ruleOf(method: string, path: string): Rule | undefined {
  const asked = (path.endsWith('/') ? path.slice(0, -1) : path).split('/');
  const meant = method === 'HEAD' ? 'GET' : method;
  const fits = ({ parts }: Line) =>
    parts.length === asked.length &&
    parts.every((part, i) => part.startsWith(':') || part === asked[i]?.toLowerCase());
  const found = LINES.filter((line) => line.method === meant && fits(line));
  // A path that is spelt out stands before one with a place for an id.
  const [first] = found.sort((a, b) => places(a) - places(b));
  return first?.rule;
}

const places = ({ parts }: Line) => parts.filter((part) => part.startsWith(':')).length;
