import * as v from 'valibot';

const coded = { code: v.optional(v.string()) };
/** What SQLite and the system throw; Sequelize wraps it. */
const ThrownSchema = v.object({ ...coded, parent: v.optional(v.object(coded)) });

/** What is wrong with the disk or the file behind a database error; undefined for any other. */
export function diskTrouble(error: unknown): 'full' | 'damaged' | undefined {
  const thrown = v.safeParse(ThrownSchema, error);
  if (!thrown.success) return undefined;
  const { code: own, parent } = thrown.output;
  const code = parent?.code ?? own ?? '';
  if (['SQLITE_FULL', 'SQLITE_IOERR', 'ENOSPC'].includes(code)) return 'full';
  return ['SQLITE_CORRUPT', 'SQLITE_NOTADB'].includes(code) ? 'damaged' : undefined;
}
