import qrcode from 'qrcode-terminal';
import { hearConsole, logOf } from './log';
import type { Served, StartOptions } from './serve';
import { dataFolder, serve } from './serve';
import { forgetDatabase } from './several/notedDatabase';
import { serveSeveral } from './several/serveSeveral';
import { logLevelFrom, StartError } from './settings';
import { FolderError, wayBack } from './store/sql/dataFile';
import { databaseTrouble } from './store/sql/trouble';

export { hearConsole, logOf, serve };

/** How it is started: with `postgres` by several processes, on a PostgreSQL of its own. */
type Started = StartOptions & { postgres?: boolean };

/** Serves as the environment has it, says where, and closes when it is told to stop. */
export async function start({ postgres, ...options }: Started): Promise<void> {
  try {
    const logger = logOf(logLevelFrom(process.env.LOG_LEVEL));
    hearConsole(logger);
    const served = await (postgres ? serveSeveral : serve)(options, process.env, logger);
    // One that was killed left its note: commands are for this one.
    if (!postgres) forgetDatabase(dataFolder(process.env));
    closeOnSignal(served);
    announce(served);
  } catch (error) {
    console.error(wordsOf(error));
    process.exit(1);
  }
}

/** Why it cannot start, for a person; what nobody foresaw is thrown. */
function wordsOf(error: unknown): string {
  if (error instanceof StartError || error instanceof FolderError) return error.message;
  if (databaseTrouble(error) === undefined) throw error;
  const why = error instanceof Error ? error.message : String(error);
  return `The database in ${dataFolder(process.env)} cannot be read: ${why}. ${wayBack(dataFolder(process.env))}`;
}

function closeOnSignal(served: Served): void {
  let closing = false;
  const close = async () => {
    if (closing) return;
    closing = true;
    await served.close();
    console.log('Database closed.');
    process.exit(0);
  };
  process.on('SIGINT', close);
  process.on('SIGTERM', close);
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** Says where it is served, and how the first phone is paired; for a phone, as a QR code too. */
function announce({ url, demoLoaded, firstLink }: Served): void {
  if (demoLoaded) console.log('Demo data loaded.');
  if (firstLink !== undefined) {
    console.log(`Open this on the first phone, the foreman’s, within 15 minutes: ${firstLink}`);
  }
  console.log(`Long Bar is at ${url}  (Ctrl-C stops it)`);
  if (!LOOPBACK.has(new URL(url).hostname)) qrcode.generate(firstLink ?? url, { small: true });
}
