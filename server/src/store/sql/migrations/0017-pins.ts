import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** The PIN that is asked for before somebody's name is used, and how often it was wrong of late. */
export const pins: Migration = {
  name: '0017-pins',
  async up(queries) {
    await queries.addColumn('people', 'pin', { type: DataTypes.TEXT });
    await queries.addColumn('people', 'pinWrong', {
      type: DataTypes.INTEGER,
      allowNull: false,
      defaultValue: 0,
    });
    await queries.addColumn('people', 'pinWaits', { type: DataTypes.TEXT });
  },
};
