import type { Role } from '@longbar/core';

/** Who may ask: anybody, or who is at least this; `key` is the calendar's own secret. */
export type Rule = 'open' | 'key' | Role;

/**
 * Who may ask what, by method and path as the routes name them. What stands in no line here is
 * answered to nobody: a new route without a rule does not work.
 */
export const RULES = {
  'GET /health': 'open',
  'GET /live': 'open',
  // It asks for a key of its own.
  'GET /metrics': 'open',
  'GET /openapi.json': 'open',
  'POST /pair': 'open',
  'POST /demo/enter': 'open',
  'GET /due.ics': 'key',
  'GET /shared/:secret': 'open',
  'GET /shared/:secret/file': 'open',

  'GET /me': 'reader',
  'DELETE /me': 'reader',
  'PUT /me/key': 'reader',
  'PUT /me/pin': 'technician',
  'GET /people/names': 'technician',
  'POST /people/pin': 'technician',
  'GET /calendar': 'technician',
  'GET /practice': 'reader',
  'POST /practice': 'reader',
  'GET /shop': 'reader',
  'GET /backups': 'reader',
  'GET /search': 'reader',
  'GET /readings.csv': 'reader',
  'GET /blobs/:sha256': 'reader',
  'PUT /blobs/:sha256': 'technician',
  'GET /machines': 'reader',
  'POST /machines': 'technician',
  'GET /machines/:id': 'reader',
  'PATCH /machines/:id': 'technician',
  'GET /machines/:id/checks': 'reader',
  'POST /machines/:id/hours': 'technician',
  'PATCH /machines/:id/hours/:reading': 'technician',
  'POST /hours': 'technician',
  'POST /jobs': 'technician',
  'GET /weeks': 'reader',
  'GET /weeks/plan.pdf': 'reader',
  'POST /weeks/offer': 'technician',
  'POST /weeks': 'technician',
  'PUT /weeks/:id': 'technician',
  'GET /jobs/:id': 'reader',
  'GET /jobs/:id/events': 'reader',
  'POST /jobs/:id/events': 'helper',
  'GET /jobs/:id/seal': 'reader',
  'POST /jobs/:id/helpers': 'technician',
  'POST /jobs/:id/signature': 'technician',
  'GET /jobs/:id/record.pdf': 'reader',
  'GET /jobs/:id/record-file': 'reader',
  'GET /jobs/:id/shares': 'technician',
  'POST /jobs/:id/shares': 'technician',
  'DELETE /jobs/:id/shares/:share': 'technician',
  'GET /jobs/:id/stream': 'reader',
  'POST /jobs/:id/beats': 'helper',
  'GET /sheets': 'reader',
  'GET /sheets/file': 'reader',
  'GET /sheets/:id': 'reader',
  'GET /sheets/:id/revisions': 'reader',
  'GET /sheets/:id/revisions/:revision': 'reader',

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
  'GET /company': 'foreman',
  'POST /company/moves': 'foreman',
  'GET /company/sheets': 'foreman',
  'PUT /company/sheets/:id': 'foreman',
  'POST /company/sheets/:id': 'foreman',
  'GET /fleets': 'foreman',
  'POST /fleets': 'foreman',
  'PUT /fleets/:id': 'foreman',
  'DELETE /fleets/:id': 'foreman',
  'POST /fleets/:id/ask': 'foreman',
  'POST /fleets/waiting/:reading': 'foreman',
  'GET /hooks': 'foreman',
  'POST /hooks': 'foreman',
  'PUT /hooks/:id': 'foreman',
  'DELETE /hooks/:id': 'foreman',
  'POST /hooks/:id/secret': 'foreman',
  'POST /hooks/:id/send': 'foreman',
  'GET /people': 'foreman',
  'PATCH /people/:id': 'foreman',
  'POST /people/pairings': 'foreman',
  'DELETE /people/phones/:id': 'foreman',
} as const satisfies Readonly<Record<string, Rule>>;

/** An endpoint as it is named here: its method and path. */
export type EndpointName = keyof typeof RULES;
const isEndpoint = (name: string): name is EndpointName => name in RULES;
export const ENDPOINT_NAMES = Object.keys(RULES).filter(isEndpoint);

type Line = { parts: string[]; name: EndpointName };
const places = ({ parts }: Line) => parts.filter((part) => part.startsWith(':')).length;

/** By their method and how many parts their path has; one that is spelt out before one with an id. */
const LINES = new Map<string, Line[]>();
for (const name of ENDPOINT_NAMES) {
  const [method = '', path = ''] = name.split(' ');
  const line = { parts: path.split('/'), name };
  const key = `${method} ${line.parts.length}`;
  const alike = [...(LINES.get(key) ?? []), line];
  LINES.set(
    key,
    alike.sort((a, b) => places(a) - places(b)),
  );
}

/** The endpoint that is asked; undefined where there is none. What is only looked for is read. */
export function endpointOf(method: string, path: string): EndpointName | undefined {
  const asked = (path.endsWith('/') ? path.slice(0, -1) : path).split('/');
  const meant = method === 'HEAD' ? 'GET' : method;
  const fits = ({ parts }: Line) =>
    parts.every((part, i) => part.startsWith(':') || part === asked[i]?.toLowerCase());
  return LINES.get(`${meant} ${asked.length}`)?.find(fits)?.name;
}

/** The rule of a request; undefined where there is none. */
export function ruleOf(method: string, path: string): Rule | undefined {
  const name = endpointOf(method, path);
  return name && RULES[name];
}
