import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/**
 * Signed jobs that a program was not told of yet, written down with their signature. What was signed
 * after a program's last look is carried over, so that nothing is dropped by the change.
 */
export const hookSigned: Migration = {
  name: '0024-hook-signed',
  async up(queries) {
    await queries.createTable('hook_signed', {
      hook: { type: DataTypes.TEXT, primaryKey: true },
      job: { type: DataTypes.TEXT, primaryKey: true },
    });
    await queries.sequelize.query(
      `INSERT OR IGNORE INTO hook_signed (hook, job)
       SELECT hooks.id, events.job FROM hooks JOIN events ON events.serial > hooks.looked AND late = 0
       WHERE json_valid(body) AND json_extract(CAST(body AS TEXT), '$.type') = 'job.signed'`,
    );
    await queries.removeColumn('hooks', 'looked');
  },
};
