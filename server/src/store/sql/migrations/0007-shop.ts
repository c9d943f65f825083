import { randomUUID } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = { type: DataTypes.TEXT, allowNull: true };

/** Where the shop is, its units and time zone; which shop this is, and whether it is the demo. */
export const shop: Migration = {
  name: '0007-shop',
  async up(queries) {
    await queries.addColumn('shops', 'address', text);
    await queries.addColumn('shops', 'timeZone', text);
    await queries.addColumn('shops', 'units', { type: DataTypes.JSON, allowNull: true });
    await queries.createTable('identity', {
      id: { type: DataTypes.TEXT, primaryKey: true },
      demo: { type: DataTypes.BOOLEAN, allowNull: false },
    });
    // Every machine of the demo has an id that begins so.
    await queries.sequelize.query(
      `INSERT INTO identity VALUES ($1, EXISTS (SELECT 1 FROM machines WHERE id LIKE '5a1e0000-%'))`,
      { bind: [randomUUID()] },
    );
  },
};
