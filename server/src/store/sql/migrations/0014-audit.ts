import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** What is noted of who may do what, and of what goes out or comes in as a whole. */
export const audit: Migration = {
  name: '0014-audit',
  async up(queries) {
    await queries.createTable('audit', {
      serial: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      at: { type: DataTypes.TEXT, allowNull: false },
      what: { type: DataTypes.TEXT, allowNull: false },
      who: DataTypes.TEXT,
      about: { type: DataTypes.TEXT, allowNull: false },
    });
  },
};
