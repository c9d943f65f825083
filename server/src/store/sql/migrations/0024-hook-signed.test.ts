import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { NOW } from '../../../../test-support/now';
import { pendingSteps } from '../migrate';

const AT = NOW.toISOString();

describe('programs that were told by the last event they were looked at for', () => {
  it('are told of what was signed after it, of nothing before and of nothing late', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'longbar-hooks-'));
    const storage = join(folder, 'longbar.sqlite');
    const sequelize = new Sequelize({ dialect: 'sqlite', storage, logging: false });
    const { run } = await pendingSteps(sequelize);
    await run('0023-weeks');
    const say = (sql: string, ...bind: unknown[]) => sequelize.query(sql, { bind });
    await say('PRAGMA foreign_keys = OFF');
    const keep = (n: number, job: string, body: string, late = 0) =>
      say(
        'INSERT INTO events (id, job, n, body, receivedAt, late) VALUES ($1, $2, $3, $4, $5, $6)',
        ...[`e${n}`, job, n, body, AT, late],
      );
    const signed = JSON.stringify({ type: 'job.signed', name: 'Ina' });
    await keep(1, 'told', signed);
    const [last] = await sequelize.query<{ serial: number }>(
      'SELECT max(serial) AS serial FROM events',
      { type: QueryTypes.SELECT },
    );
    await say(
      "INSERT INTO hooks (id, address, secret, looked) VALUES ('h', 'https://x.example', 's', $1)",
      last?.serial,
    );
    await keep(2, 'untold', signed);
    await keep(3, 'open', JSON.stringify({ type: 'bar.out' }));
    await keep(4, 'too late', signed, 1);
    await keep(5, 'spoiled', '{"type":"job.si');
    await run('0024-hook-signed');
    const rows = (sql: string) => sequelize.query(sql, { type: QueryTypes.SELECT });
    expect(await rows('SELECT hook, job FROM hook_signed')).toEqual([{ hook: 'h', job: 'untold' }]);
    expect(await rows('SELECT * FROM hooks')).not.toHaveProperty('0.looked');
    await sequelize.close();
    rmSync(folder, { recursive: true });
  });
});
