import * as v from 'valibot';

const coded = { code: v.optional(v.string()), message: v.optional(v.string()) };
/** What databases and the system throw; Sequelize wraps it. */
const ThrownSchema = v.object({ ...coded, parent: v.optional(v.object(coded)) });

/** What the database cannot be reached by, or goes away with, and comes back from. */
const AWAY = new Set([
  ...['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', 'EAI_AGAIN', 'ETIMEDOUT'],
  // Cut or refused by its server, which stops, starts, or has all its connections taken.
  ...['57P01', '57P02', '57P03', '08000', '08001', '08003', '08006', '53300'],
  // Silent for too long with something begun, or another server than the one that writes.
  ...['25P03', '25006'],
  // It met an upgrade that alters what it asked for: once that is through, it gets it.
  '40P01',
]);
/** What its driver says without a code. */
const CUT =
  /^(Connection terminated|Client has encountered a connection error|timeout exceeded|Query read timeout)/;

/**
 * What is wrong with what keeps the data behind an error: its disk is full, it is damaged, or it is
 * away for the moment; undefined for any other error.
 */
export function databaseTrouble(error: unknown): 'full' | 'damaged' | 'away' | undefined {
  const thrown = v.safeParse(ThrownSchema, error);
  if (!thrown.success) return undefined;
  const { code: own, message = '', parent } = thrown.output;
  const code = parent?.code ?? own ?? '';
  if (['SQLITE_FULL', 'SQLITE_IOERR', 'ENOSPC', '53100'].includes(code)) return 'full';
  if (AWAY.has(code) || CUT.test(parent?.message ?? message)) return 'away';
  return ['SQLITE_CORRUPT', 'SQLITE_NOTADB'].includes(code) ? 'damaged' : undefined;
}
