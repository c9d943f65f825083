import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** From when on a check counts as soon. */
export const soon: Migration = {
  name: '0004-soon',
  async up(queries) {
    await queries.addColumn('shops', 'soon', { type: DataTypes.JSON, allowNull: true });
  },
};
