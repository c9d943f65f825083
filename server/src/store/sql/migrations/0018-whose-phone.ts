import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** Whose phone each event came from, as they were called then; unknown of those that came before. */
export const whosePhone: Migration = {
  name: '0018-whose-phone',
  async up(queries) {
    await queries.addColumn('events', 'person', { type: DataTypes.TEXT });
  },
};
