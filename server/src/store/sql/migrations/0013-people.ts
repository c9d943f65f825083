import { randomBytes } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = DataTypes.TEXT;
const id = { type: text, primaryKey: true };
const must = { type: text, allowNull: false };

/**
 * The people of the shop, their phones, the links by which phones are paired, and what the door is
 * known by: the name of its cookie and the secret of its calendar. Of a token or a code only the
 * hash is kept.
 */
export const people: Migration = {
  name: '0013-people',
  async up(queries) {
    await queries.createTable('people', {
      id,
      name: must,
      role: must,
      demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      retiredAt: text,
    });
    await queries.createTable('phones', {
      id,
      person: { ...must, references: { model: 'people', key: 'id' } },
      tokenHash: { ...must, unique: true },
      pairedAt: must,
      seenAt: text,
      revokedAt: text,
    });
    await queries.createTable('pairings', {
      codeHash: id,
      person: { type: text, references: { model: 'people', key: 'id' } },
      until: must,
      usedAt: text,
    });
    await queries.createTable('door', { cookie: id, calendar: must });
    const [cookie, calendar] = [randomBytes(4), randomBytes(16)].map((each) =>
      each.toString('hex'),
    );
    await queries.bulkInsert('door', [{ cookie, calendar }]);
  },
};
