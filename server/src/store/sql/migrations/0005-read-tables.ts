import { DataTypes } from 'sequelize';
import type { Migration } from '../migration';

const text = { type: DataTypes.TEXT, allowNull: false };
const belongsTo = (model: string) => ({ ...text, references: { model, key: 'id' } });
const of = (model: string) => ({ ...belongsTo(model), primaryKey: true });

/**
 * What is derived from the journal and the readings, in tables of its own: `stale` or a day
 * gone by is worked out anew when it is next read. The seal is no such thing: it stays with
 * its job.
 */
export const readTables: Migration = {
  name: '0005-read-tables',
  async up(queries) {
    const run = (sql: string) => queries.sequelize.query(sql);
    await queries.addColumn('jobs', 'seal', { type: DataTypes.TEXT, allowNull: true });
    await run("UPDATE jobs SET seal = json_extract(summary, '$.seal')");
    await queries.createTable('job_reads', {
      job: of('jobs'),
      machine: text,
      at: text,
      stale: { type: DataTypes.INTEGER, allowNull: false },
      summary: text,
      check: text,
    });
    await queries.addIndex('job_reads', ['machine', 'at']);
    await run('CREATE INDEX job_reads_stale ON job_reads (job) WHERE stale = 1');
    await queries.createTable('job_words', { job: belongsTo('jobs'), at: text, says: text });
    await queries.addIndex('job_words', ['job']);
    await queries.createTable('machine_reads', {
      machine: of('machines'),
      /** The day it was worked out for; empty where something has changed since. */
      day: text,
      line: text,
      page: text,
    });
    await queries.addIndex('machine_reads', ['day', 'machine']);
    await queries.createTable('sheet_reads', {
      sheet: { ...text, primaryKey: true },
      stale: { type: DataTypes.INTEGER, allowNull: false },
      lockPairs: text,
    });
    await queries.createTable('machine_drift', {
      machine: of('machines'),
      /** The last check it rests on. */
      job: text,
      recheck: text,
    });
    await run("INSERT INTO job_reads SELECT id, machine, at, 1, '{}', '{}' FROM jobs");
    await run("INSERT INTO machine_reads SELECT id, '', '{}', '{}' FROM machines");
    await run("INSERT INTO sheet_reads SELECT DISTINCT id, 1, '[]' FROM sheets");
    await run('ALTER TABLE jobs DROP COLUMN summary');
    await run('CREATE INDEX jobs_sheet ON jobs (sheet, at)');
  },
};
