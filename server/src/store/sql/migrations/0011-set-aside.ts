import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = { type: DataTypes.TEXT, allowNull: false };
const key = { ...text, primaryKey: true };

/** What could not be worked out or read, by its name: it stops nothing else. */
export const setAside: Migration = {
  name: '0011-set-aside',
  async up(queries) {
    await queries.createTable('set_aside', { kind: key, id: key, name: text, why: text });
  },
};
