import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** The shop's rule for the round, and its shims. */
export const shopRules: Migration = {
  name: '0002-shop-rules',
  async up(queries) {
    await queries.addColumn('shops', 'round', { type: DataTypes.TEXT, allowNull: true });
    await queries.addColumn('shops', 'shims', { type: DataTypes.JSON, allowNull: true });
  },
};
