import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** The risk a shop takes and whether it aims; what is known of rates is worked out anew. */
export const driftRules: Migration = {
  name: '0020-drift-rules',
  async up(queries) {
    await queries.addColumn('shops', 'driftRisk', { type: DataTypes.INTEGER });
    await queries.addColumn('shops', 'aim', { type: DataTypes.TEXT });
    await queries.addColumn('machine_drift', 'rates', { type: DataTypes.TEXT });
    await queries.sequelize.query("UPDATE machine_drift SET job = ''");
  },
};
