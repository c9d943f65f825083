import { randomUUID } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** Which life of a shop's database this is: after a backup was restored it is another. */
export const generation: Migration = {
  name: '0010-generation',
  async up(queries) {
    await queries.addColumn('identity', 'generation', { type: DataTypes.TEXT, allowNull: true });
    await queries.sequelize.query('UPDATE identity SET generation = $1', { bind: [randomUUID()] });
  },
};
