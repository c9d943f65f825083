import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const must = { type: DataTypes.TEXT, allowNull: false };
const may = { type: DataTypes.TEXT };

/** Programs elsewhere that are told what happens, and what each is told. */
export const hooks: Migration = {
  name: '0022-hooks',
  async up(queries) {
    await queries.createTable('hooks', {
      id: { type: DataTypes.TEXT, primaryKey: true },
      address: must,
      secret: must,
      /** The serial of the last event that was looked at for it. */
      looked: { type: DataTypes.INTEGER, allowNull: false },
      triedAt: may,
      problem: may,
    });
    await queries.createTable('hook_messages', {
      id: { type: DataTypes.TEXT, primaryKey: true },
      hook: must,
      /** What it is about: nothing is told twice. */
      about: must,
      /** Empty once it was taken. */
      body: must,
      madeAt: must,
      tries: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
      /** When it is tried next; none once it was taken or given up. */
      nextAt: may,
    });
    await queries.addIndex('hook_messages', ['hook', 'about'], { unique: true });
    await queries.addIndex('hook_messages', ['nextAt']);
  },
};
