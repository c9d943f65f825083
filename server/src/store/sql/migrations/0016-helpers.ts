import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** A link that pairs a helper's phone says so: whoever joins by it says who they are. */
export const helpers: Migration = {
  name: '0016-helpers',
  async up(queries) {
    await queries.addColumn('pairings', 'role', { type: DataTypes.TEXT });
  },
};
