import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

/** Photos and sound clips, each once under the hash of its bytes. */
export const blobs: Migration = {
  name: '0003-blobs',
  async up(queries) {
    const text = { type: DataTypes.TEXT, allowNull: false };
    await queries.createTable('blobs', {
      sha256: { ...text, primaryKey: true },
      type: text,
      body: { type: DataTypes.BLOB, allowNull: false },
      receivedAt: text,
    });
  },
};
