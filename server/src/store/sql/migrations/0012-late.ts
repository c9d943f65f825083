import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** What kind of event a row holds; null where it cannot be read. */
const TYPE = (row: string) =>
  `CASE WHEN json_valid(${row}.body) THEN json_extract(${row}.body, '$.type') END`;

/**
 * What comes when a job is signed already is kept as late and changes nothing. Of what came so
 * before: each job signed then keeps its seal by it.
 */
export const late: Migration = {
  name: '0012-late',
  async up(queries) {
    await queries.addColumn('events', 'late', {
      type: DataTypes.BOOLEAN,
      allowNull: false,
      defaultValue: false,
    });
    await queries.sequelize.query(`
      WITH first AS MATERIALIZED (
        SELECT job, min(serial) AS serial FROM events
        WHERE ${TYPE('events')} = 'job.signed' GROUP BY job),
      signature AS MATERIALIZED (
        SELECT events.job, events.n, events.receivedAt FROM first
        JOIN events ON events.serial = first.serial
        JOIN jobs ON jobs.id = events.job WHERE jobs.seal IS NOT NULL)
      UPDATE events SET late = 1 WHERE serial IN (
        SELECT event.serial FROM signature
        JOIN events AS event ON event.job = signature.job
        WHERE event.receivedAt > signature.receivedAt AND event.n <= signature.n
          AND ${TYPE('event')} IS NOT 'record.amended')`);
  },
};
