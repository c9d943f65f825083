import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const must = { type: DataTypes.TEXT, allowNull: false };
const may = { type: DataTypes.TEXT };

/** Telematics services that are asked for hours, and readings that wait for somebody. */
export const fleets: Migration = {
  name: '0021-fleets',
  async up(queries) {
    await queries.createTable('fleets', {
      id: { type: DataTypes.TEXT, primaryKey: true },
      address: must,
      key: must,
      everyHours: { type: DataTypes.INTEGER, allowNull: false },
      askedAt: may,
      problem: may,
    });
    await queries.createTable('waiting_hours', {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      serial: { ...must, unique: true },
      model: must,
      date: must,
      hours: { type: DataTypes.DOUBLE, allowNull: false },
      why: must,
      says: must,
      machine: may,
      leftOut: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
    });
  },
};
