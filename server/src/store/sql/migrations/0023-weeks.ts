import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** Machines that were put into a week; every job is read once more, for how long it took. */
export const weeks: Migration = {
  name: '0023-weeks',
  async up(queries) {
    await queries.addColumn('shops', 'weekHours', { type: DataTypes.DOUBLE });
    await queries.createTable('planned', {
      machine: { type: DataTypes.TEXT, primaryKey: true },
      week: { type: DataTypes.TEXT, allowNull: false },
      who: { type: DataTypes.TEXT },
    });
    await queries.sequelize.query('UPDATE job_reads SET stale = 1');
  },
};
