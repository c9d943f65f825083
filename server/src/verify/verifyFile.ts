import { readFile } from 'node:fs/promises';
import { linesOf } from '../store/exchange/linesOf';
import { verifyArchive } from './verifyArchive';
import type { Found } from './verifyRecord';
import { verifyRecord } from './verifyRecord';

/**
 * Looks through a record or an archive with nothing but the file: who signed what, and whether a
 * byte was changed. Throws where the file cannot be read.
 */
export async function verifyFile(path: string): Promise<Found> {
  return (await isArchive(path))
    ? verifyArchive(linesOf(path))
    : verifyRecord(await readFile(path, 'utf8'));
}

/** An archive says what it is in its first line; all else is looked at as a record. */
async function isArchive(path: string): Promise<boolean> {
  for await (const line of linesOf(path)) return line.includes('"type":"archive"');
  return false;
}
