import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const id = { type: DataTypes.TEXT, primaryKey: true, allowNull: false };
const text = { type: DataTypes.TEXT, allowNull: false };
const wholeNumber = { type: DataTypes.INTEGER, allowNull: false };
const json = { type: DataTypes.JSON, allowNull: false };
const serial = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };
const belongsTo = (model: string) => ({
  type: DataTypes.TEXT,
  allowNull: false,
  references: { model, key: 'id' },
});

/** Shop, engine sheets, machines with their hours, jobs and the journal. */
export const firstTables: Migration = {
  name: '0001-first-tables',
  async up(queries) {
    await queries.createTable('shops', { id, name: text, policy: text, bladeSets: json });
    await queries.createTable('sheets', {
      id: { ...text, primaryKey: true },
      revision: { ...wholeNumber, primaryKey: true },
      document: json,
      publishedAt: text,
    });
    await queries.createTable('machines', {
      id,
      name: text,
      // A sheet has many revisions, so its id alone cannot be a foreign key.
      sheet: text,
      meter: json,
      baseline: json,
    });
    await queries.createTable('hours_readings', {
      serial,
      machine: belongsTo('machines'),
      date: text,
      hours: { type: DataTypes.DOUBLE, allowNull: false },
    });
    await queries.createTable('jobs', {
      id,
      machine: belongsTo('machines'),
      sheet: text,
      sheetRevision: wholeNumber,
      method: text,
      at: text,
      by: text,
      summary: json,
    });
    await queries.createTable('events', {
      serial,
      id: { ...text, unique: true },
      job: belongsTo('jobs'),
      n: wholeNumber,
      body: json,
      receivedAt: text,
    });
    await queries.addIndex('hours_readings', ['machine', 'date']);
    await queries.addIndex('jobs', ['machine', 'at']);
    await queries.addIndex('events', ['job', 'serial']);
  },
};
