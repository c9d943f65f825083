import type { Logger } from 'pino';
import { backUp } from './store/sql/backup';
import type { BackupPlan } from './store/sql/backupFiles';
import { backupState } from './store/sql/backupFiles';
import { BackupError } from './store/sql/checkedFile';
import type { Database } from './store/sql/database';

/** After the start, ms: the first phones are served before. */
const FIRST = 60_000;
/** Looked at so often whether the next is due, ms: a clock that was put right is followed. */
const EVERY = 600_000;

/**
 * Keeps the shop backed up while the server runs: soon after a start where the last backup is old,
 * for a workshop's computer is off at night, and then whenever the next is due. A failure is
 * logged and tried again. Answers what ends it.
 */
export function keepBackedUp(db: Database, plan: BackupPlan, logger: Logger): () => void {
  let working = false;
  const work = async () => {
    if (working) return;
    working = true;
    try {
      if (backupState(plan, new Date()).due) await backUp(db, plan, new Date());
    } catch (error) {
      logger.error(error, error instanceof BackupError ? error.message : 'The backup failed.');
    } finally {
      working = false;
    }
  };
  const first = setTimeout(() => void work(), FIRST);
  const timer = setInterval(() => void work(), EVERY);
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
