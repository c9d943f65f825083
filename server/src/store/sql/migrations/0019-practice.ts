import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const must = { type: DataTypes.TEXT, allowNull: false };
const number = { type: DataTypes.INTEGER, allowNull: false };

/** Rounds of practice by the name of who practised: nothing of a record points at them. */
export const practice: Migration = {
  name: '0019-practice',
  async up(queries) {
    await queries.createTable('practice', {
      id: { type: DataTypes.TEXT, primaryKey: true },
      who: must,
      exercise: must,
      level: number,
      score: number,
      at: must,
    });
    await queries.addIndex('practice', ['who', 'exercise', 'level']);
  },
};
