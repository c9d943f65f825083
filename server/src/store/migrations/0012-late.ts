import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

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
      UPDATE events SET late = 1 WHERE serial IN (
        SELECT event.serial FROM events AS event
        JOIN jobs ON jobs.id = event.job AND jobs.seal IS NOT NULL
        JOIN events AS signature ON signature.serial = (
          SELECT min(serial) FROM events
          WHERE job = jobs.id AND json_extract(body, '$.type') = 'job.signed')
        WHERE event.receivedAt > signature.receivedAt AND event.n <= signature.n
          AND json_extract(event.body, '$.type') <> 'record.amended')`);
  },
};
