/** What is wrong with the disk or the file behind a database error; undefined for any other. */
export function diskTrouble(error: unknown): 'full' | 'damaged' | undefined {
  const { parent } = Object(error) as { parent?: { code?: string } };
  const code = parent?.code ?? (Object(error) as { code?: string }).code ?? '';
  if (['SQLITE_FULL', 'SQLITE_IOERR', 'ENOSPC'].includes(code)) return 'full';
  return ['SQLITE_CORRUPT', 'SQLITE_NOTADB'].includes(code) ? 'damaged' : undefined;
}
