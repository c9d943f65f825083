import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = { type: DataTypes.TEXT, allowNull: true };
const json = { type: DataTypes.JSON, allowNull: true };

/** Machines that people add, change and retire; readings of the hour meter put right. */
export const machines: Migration = {
  name: '0006-machines',
  async up(queries) {
    const run = (sql: string) => queries.sequelize.query(sql);
    await queries.addColumn('machines', 'sheetRevision', {
      type: DataTypes.INTEGER,
      allowNull: false,
      defaultValue: 1,
    });
    await run(`UPDATE machines SET sheetRevision =
      coalesce((SELECT max(revision) FROM sheets WHERE sheets.id = machines.sheet), 1)`);
    await queries.addColumn('machines', 'about', json);
    await queries.addColumn('machines', 'retiredAt', text);
    await queries.addColumn('machines', 'added', json);
    await queries.addColumn('hours_readings', 'job', text);
    await queries.addColumn('hours_readings', 'was', json);
    await queries.addColumn('hours_readings', 'takenBack', {
      type: DataTypes.BOOLEAN,
      allowNull: true,
    });
    await run(`CREATE UNIQUE INDEX hours_readings_job ON hours_readings (job)
      WHERE job IS NOT NULL`);
    // A line of the yard has more to say than before.
    await run("UPDATE machine_reads SET day = ''");
  },
};
