/** A table as it carries its shop: how it is made, what of it was there before, and its indexes. */
type TableOfShops = {
  name: string;
  create: string;
  columns: readonly string[];
  indexes?: readonly string[];
};

const SHOP = '"shop" INTEGER NOT NULL';
const OF_SERVER = `${SHOP} REFERENCES "identity" ("shop")`;
const SERIAL = '"serial" INTEGER PRIMARY KEY AUTOINCREMENT';
const of = (table: string, column: string, key = 'id') =>
  `FOREIGN KEY ("shop", "${column}") REFERENCES "${table}" ("shop", "${key}")`;
const by = (...columns: string[]) =>
  `PRIMARY KEY (${['shop', ...columns].map((column) => `"${column}"`).join(', ')})`;

/** Every table there is, what others belong to first. */
export const TABLES_OF_SHOPS: readonly TableOfShops[] = [
  {
    name: 'identity',
    create: `"shop" INTEGER NOT NULL PRIMARY KEY, "id" TEXT NOT NULL UNIQUE,
      "demo" BOOLEAN NOT NULL, "generation" TEXT`,
    columns: ['id', 'demo', 'generation'],
  },
  {
    name: 'shops',
    create: `"shop" INTEGER NOT NULL PRIMARY KEY REFERENCES "identity" ("shop"),
      "name" TEXT NOT NULL, "policy" TEXT NOT NULL, "bladeSets" TEXT NOT NULL, "round" TEXT,
      "shims" TEXT, "soon" TEXT, "address" TEXT, "timeZone" TEXT, "units" TEXT,
      "driftRisk" INTEGER, "aim" TEXT, "weekHours" DOUBLE PRECISION`,
    columns: [
      ...['name', 'policy', 'bladeSets', 'round', 'shims', 'soon', 'address', 'timeZone'],
      ...['units', 'driftRisk', 'aim', 'weekHours'],
    ],
  },
  {
    name: 'door',
    create: `"shop" INTEGER NOT NULL PRIMARY KEY REFERENCES "identity" ("shop"),
      "cookie" TEXT NOT NULL, "calendar" TEXT NOT NULL`,
    columns: ['cookie', 'calendar'],
  },
  {
    name: 'sheets',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "revision" INTEGER NOT NULL,
      "document" TEXT NOT NULL, "publishedAt" TEXT NOT NULL, "retiredAt" TEXT,
      ${by('id', 'revision')}`,
    columns: ['id', 'revision', 'document', 'publishedAt', 'retiredAt'],
  },
  {
    name: 'machines',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "name" TEXT NOT NULL, "sheet" TEXT NOT NULL,
      "meter" TEXT NOT NULL, "baseline" TEXT NOT NULL, "sheetRevision" INTEGER NOT NULL,
      "about" TEXT, "retiredAt" TEXT, "added" TEXT, ${by('id')}`,
    columns: [
      ...['id', 'name', 'sheet', 'meter', 'baseline', 'sheetRevision'],
      ...['about', 'retiredAt', 'added'],
    ],
  },
  {
    name: 'hours_readings',
    create: `${SERIAL}, ${SHOP}, "machine" TEXT NOT NULL, "date" TEXT NOT NULL,
      "hours" DOUBLE PRECISION NOT NULL, "job" TEXT, "was" TEXT, "takenBack" BOOLEAN,
      "replaced" BOOLEAN, ${of('machines', 'machine')}`,
    columns: ['serial', 'machine', 'date', 'hours', 'job', 'was', 'takenBack', 'replaced'],
    indexes: [
      'CREATE INDEX TABLE_machine_date ON TABLE (shop, machine, date)',
      'CREATE UNIQUE INDEX TABLE_job ON TABLE (shop, job) WHERE job IS NOT NULL',
    ],
  },
  {
    name: 'jobs',
    create: `${SHOP}, "id" TEXT NOT NULL, "machine" TEXT NOT NULL, "sheet" TEXT NOT NULL,
      "sheetRevision" INTEGER NOT NULL, "method" TEXT NOT NULL, "at" TEXT NOT NULL,
      "by" TEXT NOT NULL, "seal" TEXT, ${by('id')}, ${of('machines', 'machine')}`,
    columns: ['id', 'machine', 'sheet', 'sheetRevision', 'method', 'at', 'by', 'seal'],
    indexes: [
      'CREATE INDEX TABLE_machine_at ON TABLE (shop, machine, at)',
      'CREATE INDEX TABLE_sheet ON TABLE (shop, sheet, at)',
    ],
  },
  {
    name: 'events',
    create: `${SERIAL}, ${SHOP}, "id" TEXT NOT NULL, "job" TEXT NOT NULL, "n" INTEGER NOT NULL,
      "body" TEXT NOT NULL, "receivedAt" TEXT NOT NULL, "late" BOOLEAN NOT NULL DEFAULT 0,
      "person" TEXT, UNIQUE ("shop", "id"), ${of('jobs', 'job')}`,
    columns: ['serial', 'id', 'job', 'n', 'body', 'receivedAt', 'late', 'person'],
    indexes: ['CREATE INDEX TABLE_job_serial ON TABLE (shop, job, serial)'],
  },
  {
    name: 'blobs',
    create: `${OF_SERVER}, "sha256" TEXT NOT NULL, "type" TEXT NOT NULL, "body" BLOB NOT NULL,
      "receivedAt" TEXT NOT NULL, ${by('sha256')}`,
    columns: ['sha256', 'type', 'body', 'receivedAt'],
  },
  {
    name: 'job_reads',
    create: `${SHOP}, "job" TEXT NOT NULL, "machine" TEXT NOT NULL, "at" TEXT NOT NULL,
      "stale" INTEGER NOT NULL, "summary" TEXT NOT NULL, "check" TEXT NOT NULL,
      ${by('job')}, ${of('jobs', 'job')}`,
    columns: ['job', 'machine', 'at', 'stale', 'summary', 'check'],
    indexes: [
      'CREATE INDEX TABLE_machine_at ON TABLE (shop, machine, at)',
      'CREATE INDEX TABLE_stale ON TABLE (shop, job) WHERE stale = 1',
    ],
  },
  {
    name: 'job_words',
    create: `${SHOP}, "job" TEXT NOT NULL, "at" TEXT NOT NULL, "says" TEXT NOT NULL,
      ${of('jobs', 'job')}`,
    columns: ['job', 'at', 'says'],
    indexes: ['CREATE INDEX TABLE_job ON TABLE (shop, job)'],
  },
  {
    name: 'machine_reads',
    create: `${SHOP}, "machine" TEXT NOT NULL, "day" TEXT NOT NULL, "line" TEXT NOT NULL,
      "page" TEXT NOT NULL, ${by('machine')}, ${of('machines', 'machine')}`,
    columns: ['machine', 'day', 'line', 'page'],
    indexes: ['CREATE INDEX TABLE_day_machine ON TABLE (shop, day, machine)'],
  },
  {
    name: 'sheet_reads',
    create: `${OF_SERVER}, "sheet" TEXT NOT NULL, "stale" INTEGER NOT NULL,
      "lockPairs" TEXT NOT NULL, ${by('sheet')}`,
    columns: ['sheet', 'stale', 'lockPairs'],
  },
  {
    name: 'machine_drift',
    create: `${SHOP}, "machine" TEXT NOT NULL, "job" TEXT NOT NULL, "recheck" TEXT NOT NULL,
      "rates" TEXT, ${by('machine')}, ${of('machines', 'machine')}`,
    columns: ['machine', 'job', 'recheck', 'rates'],
  },
  {
    name: 'set_aside',
    create: `${OF_SERVER}, "kind" TEXT NOT NULL, "id" TEXT NOT NULL, "name" TEXT NOT NULL,
      "why" TEXT NOT NULL, ${by('kind', 'id')}`,
    columns: ['kind', 'id', 'name', 'why'],
  },
  {
    name: 'people',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "name" TEXT NOT NULL, "role" TEXT NOT NULL,
      "demo" BOOLEAN NOT NULL DEFAULT 0, "retiredAt" TEXT, "pin" TEXT,
      "pinWrong" INTEGER NOT NULL DEFAULT 0, "pinWaits" TEXT, ${by('id')}`,
    columns: ['id', 'name', 'role', 'demo', 'retiredAt', 'pin', 'pinWrong', 'pinWaits'],
  },
  {
    name: 'phones',
    create: `${SHOP}, "id" TEXT NOT NULL, "person" TEXT NOT NULL,
      "tokenHash" TEXT NOT NULL UNIQUE, "pairedAt" TEXT NOT NULL, "seenAt" TEXT,
      "revokedAt" TEXT, ${by('id')}, ${of('people', 'person')}`,
    columns: ['id', 'person', 'tokenHash', 'pairedAt', 'seenAt', 'revokedAt'],
  },
  {
    name: 'pairings',
    create: `${OF_SERVER}, "codeHash" TEXT NOT NULL PRIMARY KEY, "person" TEXT,
      "until" TEXT NOT NULL, "usedAt" TEXT, "role" TEXT, ${of('people', 'person')}`,
    columns: ['codeHash', 'person', 'until', 'usedAt', 'role'],
  },
  {
    name: 'audit',
    create: `${SERIAL}, ${OF_SERVER}, "at" TEXT NOT NULL, "what" TEXT NOT NULL, "who" TEXT,
      "about" TEXT NOT NULL`,
    columns: ['serial', 'at', 'what', 'who', 'about'],
    indexes: ['CREATE INDEX TABLE_shop ON TABLE (shop, serial)'],
  },
  {
    name: 'keys',
    create: `${OF_SERVER}, "key" TEXT NOT NULL, "phone" TEXT, "names" TEXT NOT NULL,
      "registeredAt" TEXT NOT NULL, ${by('key')}`,
    columns: ['key', 'phone', 'names', 'registeredAt'],
  },
  {
    name: 'signatures',
    create: `${SHOP}, "job" TEXT NOT NULL, "words" TEXT NOT NULL, "key" TEXT NOT NULL,
      "signature" TEXT NOT NULL, ${by('job')}, ${of('jobs', 'job')}, ${of('keys', 'key', 'key')}`,
    columns: ['job', 'words', 'key', 'signature'],
  },
  {
    name: 'shares',
    create: `${SHOP}, "id" TEXT NOT NULL, "secretHash" TEXT NOT NULL UNIQUE, "job" TEXT NOT NULL,
      "by" TEXT NOT NULL, "until" TEXT NOT NULL, "endedAt" TEXT, ${by('id')},
      ${of('jobs', 'job')}`,
    columns: ['id', 'secretHash', 'job', 'by', 'until', 'endedAt'],
  },
  {
    name: 'practice',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "who" TEXT NOT NULL, "exercise" TEXT NOT NULL,
      "level" INTEGER NOT NULL, "score" INTEGER NOT NULL, "at" TEXT NOT NULL, ${by('id')}`,
    columns: ['id', 'who', 'exercise', 'level', 'score', 'at'],
    indexes: ['CREATE INDEX TABLE_who ON TABLE (shop, who, exercise, level)'],
  },
  {
    name: 'fleets',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "address" TEXT NOT NULL, "key" TEXT NOT NULL,
      "everyHours" INTEGER NOT NULL, "askedAt" TEXT, "problem" TEXT, ${by('id')}`,
    columns: ['id', 'address', 'key', 'everyHours', 'askedAt', 'problem'],
  },
  {
    name: 'waiting_hours',
    create: `"id" INTEGER PRIMARY KEY AUTOINCREMENT, ${OF_SERVER}, "serial" TEXT NOT NULL,
      "model" TEXT NOT NULL, "date" TEXT NOT NULL, "hours" DOUBLE PRECISION NOT NULL,
      "why" TEXT NOT NULL, "says" TEXT NOT NULL, "machine" TEXT,
      "leftOut" INTEGER NOT NULL DEFAULT 0, UNIQUE ("shop", "serial")`,
    columns: ['id', 'serial', 'model', 'date', 'hours', 'why', 'says', 'machine', 'leftOut'],
  },
  {
    name: 'hooks',
    create: `${OF_SERVER}, "id" TEXT NOT NULL, "address" TEXT NOT NULL, "secret" TEXT NOT NULL,
      "triedAt" TEXT, "problem" TEXT, ${by('id')}`,
    columns: ['id', 'address', 'secret', 'triedAt', 'problem'],
  },
  {
    name: 'hook_messages',
    create: `${SERIAL}, ${SHOP}, "id" TEXT NOT NULL, "hook" TEXT NOT NULL, "about" TEXT NOT NULL,
      "body" TEXT NOT NULL, "madeAt" TEXT NOT NULL, "tries" INTEGER NOT NULL DEFAULT 0,
      "nextAt" TEXT, UNIQUE ("shop", "id"), UNIQUE ("shop", "hook", "about")`,
    columns: ['id', 'hook', 'about', 'body', 'madeAt', 'tries', 'nextAt'],
    indexes: ['CREATE INDEX TABLE_next ON TABLE (shop, hook, nextAt)'],
  },
  {
    name: 'hook_signed',
    create: `${SHOP}, "hook" TEXT NOT NULL, "job" TEXT NOT NULL, ${by('hook', 'job')}`,
    columns: ['hook', 'job'],
  },
  {
    name: 'planned',
    create: `${OF_SERVER}, "machine" TEXT NOT NULL, "week" TEXT NOT NULL, "who" TEXT,
      ${by('machine')}`,
    columns: ['machine', 'week', 'who'],
  },
];

/** All that an earlier table held, as the first shop's. */
export function readFromTable(name: string, before: string, columns: readonly string[]): string {
  const listed = columns.map((column) => `"${column}"`).join(', ');
  return `INSERT INTO "${name}" ("shop", ${listed}) SELECT 1, ${listed} FROM "${before}"`;
}
