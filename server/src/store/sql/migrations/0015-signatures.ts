import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = DataTypes.TEXT;
const id = { type: text, primaryKey: true };
const must = { type: text, allowNull: false };

/**
 * The public keys of phones with the names of their person, which stay known when a phone is let go, the signature of a key over
 * each signed job, and the links by which a record is read from outside.
 */
export const signatures: Migration = {
  name: '0015-signatures',
  async up(queries) {
    await queries.createTable('keys', { key: id, phone: text, names: must, registeredAt: must });
    await queries.createTable('signatures', {
      job: { ...id, references: { model: 'jobs', key: 'id' } },
      words: must,
      key: { ...must, references: { model: 'keys', key: 'key' } },
      signature: must,
    });
    await queries.createTable('shares', {
      id,
      secretHash: { ...must, unique: true },
      job: { ...must, references: { model: 'jobs', key: 'id' } },
      by: must,
      until: must,
      endedAt: text,
    });
  },
};
