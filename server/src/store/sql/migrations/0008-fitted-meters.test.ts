import { QueryTypes, Sequelize } from 'sequelize';
import { fittedMeters } from './0008-fitted-meters';

describe('offsets kept with a machine', () => {
  it('give way to the reading they were worked out of, and stay where somebody stated them', async () => {
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
    const run = (sql: string) => sequelize.query(sql);
    await run('CREATE TABLE machines (id TEXT, meter JSON)');
    await run(`CREATE TABLE hours_readings
      (serial INTEGER PRIMARY KEY, machine TEXT, date TEXT, hours DOUBLE, job TEXT, takenBack INTEGER)`);
    await run('CREATE TABLE machine_reads (day TEXT)');
    await run('CREATE TABLE machine_drift (job TEXT)');
    const meter = [
      { date: '2026-01-01', offset: 3200 },
      { date: '2026-05-01', offset: 3247 },
    ];
    await run(`INSERT INTO machines VALUES ('pump', '${JSON.stringify(meter)}'), ('new', '[]')`);
    await run(`INSERT INTO hours_readings (machine, date, hours) VALUES
      ('pump', '2026-02-01', 50), ('pump', '2026-05-01', 3), ('pump', '2026-06-01', 9)`);
    await fittedMeters.up(sequelize.getQueryInterface());
    const select = (sql: string) => sequelize.query(sql, { type: QueryTypes.SELECT });
    expect(
      await select("SELECT CAST(meter AS TEXT) AS meter FROM machines WHERE id = 'pump'"),
    ).toEqual([{ meter: JSON.stringify(meter.slice(0, 1)) }]);
    expect(await select('SELECT hours FROM hours_readings WHERE replaced = 1')).toEqual([
      { hours: 3 },
    ]);
    await sequelize.close();
  });
});
