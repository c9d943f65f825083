import * as v from 'valibot';

/** What is noted of who may do what, and of what goes out or comes in as a whole. */
export const AUDITED = [
  'link-printed',
  'code-shown',
  'phone-paired',
  'pairing-refused',
  'phone-let-go',
  'person-changed',
  'sheet-published',
  'sheet-retired',
  'sheet-brought-back',
  'sheet-offered',
  'sheet-taken',
  'sheets-imported',
  'machine-deleted',
  'machine-moved',
  'rules-changed',
  'pin-set',
  'pin-wrong',
  'key-registered',
  'record-shared',
  'share-ended',
  'calendar-renewed',
  'fleet-changed',
  'hook-changed',
  'archive-saved',
  'archive-imported',
  'demo-removed',
  'backup-restored',
  'server-rebuilt',
] as const;
export type Audited = (typeof AUDITED)[number];

/** What was noted, the newest first; `who` is null where it was done at the server's machine. */
export const AuditSchema = v.array(
  v.object({
    serial: v.number(),
    at: v.string(),
    what: v.picklist(AUDITED),
    who: v.nullable(v.string()),
    about: v.string(),
  }),
);
export type AuditLine = v.InferOutput<typeof AuditSchema>[number];
