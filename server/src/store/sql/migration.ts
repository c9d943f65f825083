import type { QueryInterface } from 'sequelize';

/** One step of the schema. Steps are only ever added. */
export type Migration = {
  name: string;
  up(queries: QueryInterface): Promise<void>;
};
