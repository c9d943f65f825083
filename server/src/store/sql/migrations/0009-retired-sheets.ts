import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** A sheet that no machine goes by may be out of the lists; a machine's line tells its head. */
export const retiredSheets: Migration = {
  name: '0009-retired-sheets',
  async up(queries) {
    await queries.addColumn('sheets', 'retiredAt', { type: DataTypes.TEXT, allowNull: true });
    // The line of every machine tells its head from now on.
    await queries.sequelize.query("UPDATE machine_reads SET day = ''");
  },
};
