import type { JobEvent } from '@longbar/core';
import { rmSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import { signedAnew } from '../../../../test-support/signedAnew';
import { NOW } from '../../../../test-support/now';
import { standingOf } from '../../journal/arrival';
import { openDatabase } from '../database';
import { checkSeal } from '../../journal/jobs';
import { pendingSteps } from '../migrate';
import { sealOf } from '../../journal/seal';

const AT = NOW.toISOString();
const LATER = '2026-11-24T09:00:00.000Z';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'longbar-late-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe('jobs that were signed before anything was late', () => {
  it('get their seal back where another phone’s work came after the signature', async () => {
    const { head, events } = signedAnew('Barge', 5000, NOW);
    const last = events.at(-1)!;
    const other = (n: number, type: string): JobEvent =>
      ({
        ...last,
        id: last.id.replace(/^.{8}/, `0000${1000 + n}`),
        n,
        type,
        text: 'x',
      }) as JobEvent;
    const storage = join(folder, 'longbar.sqlite');
    const sequelize = new Sequelize({ dialect: 'sqlite', storage, logging: false });
    const { run } = await pendingSteps(sequelize);
    await run('0011-set-aside');
    const say = (sql: string, ...bind: unknown[]) => sequelize.query(sql, { bind });
    await say(
      `INSERT INTO machines (id, name, sheet, sheetRevision, meter, baseline)
       VALUES ($1, 'Barge', 's', 1, '[]', '{}')`,
      head.machine,
    );
    await say(
      `INSERT INTO jobs (id, machine, sheet, sheetRevision, method, at, by, seal)
       VALUES ($1, $2, 's', 1, 'each', $3, 'Ina', $4)`,
      ...[head.id, head.machine, AT, sealOf(events)],
    );
    const keep = (event: JobEvent, at: string, body = JSON.stringify(event)) =>
      say(
        'INSERT INTO events (id, job, n, body, receivedAt) VALUES ($1, $2, $3, $4, $5)',
        ...[event.id, head.id, event.n, body, at],
      );
    for (const event of events) await keep(event, AT);
    const slipped = other(7, 'machine.noted');
    await keep(slipped, LATER);
    await keep(other(last.n + 1, 'record.amended'), LATER);
    await keep(other(9, 'bar.out'), LATER, '{"spoiled');
    await sequelize.close();

    const db = await openDatabase(folder);
    const standing = (await standingOf(db, head.id)).map(({ id }) => id);
    expect(standing).not.toContain(slipped.id);
    expect(standing).toHaveLength(events.length + 1);
    expect(await checkSeal(db, head.id)).toMatchObject({ seal: sealOf(events), holds: true });
    await db.close();
  });
});
