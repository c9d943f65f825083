import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { JobEvent } from '@longbar/core';
import { NEW_SHOP } from '@longbar/core';
import { Sequelize } from 'sequelize';
import type { OwnDatabase } from '../../../../test-support/onPostgres';
import { newDatabase } from '../../../../test-support/onPostgres';
import { AnyRow } from '../../../../test-support/anyRow';
import type { Cable } from '../../../../test-support/cable';
import { cableTo } from '../../../../test-support/cable';
import { demoInFile, emptyInFile } from '../../../../test-support/demoDatabase';
import { NOW } from '../../../../test-support/now';
import { MACHINES } from '../../../demo/yard';
import { archiveLines } from '../../exchange/archive';
import { takeArchive } from '../../exchange/takeArchive';
import { appendEvents } from '../../journal/appends';
import { beginJob, readEvents } from '../../journal/jobs';
import { rebuild } from '../../derived/readTables';
import { listMachines } from '../../derived/machines';
import { readShop, writeShop } from '../../yard/shop';
import type { Database } from '../database';
import { openDatabase } from '../database';
import { SINCE } from '../migrate';
import type { Migration } from '../migration';
import { databaseTrouble } from '../trouble';
import { upgradePostgres } from './upgrade';

const AT = NOW.toISOString();
let own: OwnDatabase;
/** Two processes on one database. */
let both: [Database, Database];
beforeEach(async () => {
  own = await newDatabase('demo');
  both = [await openDatabase('', { url: own.url }), await openDatabase('', { url: own.url })];
});
afterEach(async () => {
  for (const db of both) await db.close();
  await own.drop();
});

async function newJob(): Promise<string> {
  const id = randomUUID();
  const head = { id, machine: MACHINES[0]!.id, method: 'each', by: 'Ina', at: AT } as const;
  await beginJob(both[0], { ...head, sheetRevision: 1 });
  return id;
}

const noted = (job: string, n: number): JobEvent => ({
  ...{ id: randomUUID(), job, n, at: AT, by: 'Ina' },
  type: 'bar.out',
});

/**
 * Eight phones append to a job, four by each process. Answers what was acknowledged, and what was said
 * to those who were not.
 */
async function eightPhones(
  job: string,
  each: number,
): Promise<{ kept: Set<string>; refused: string[] }> {
  const kept = new Set<string>();
  const refused: string[] = [];
  await Promise.all(
    Array.from({ length: 8 }, async (_, phone) => {
      for (let n = 1; n <= each; n++) {
        const event = noted(job, n);
        try {
          await appendEvents(both[phone % 2]!, job, [event], AT);
          kept.add(event.id);
        } catch (error) {
          // It is sent again later: what was not acknowledged is not lost.
          if (databaseTrouble(error) !== 'away') throw error;
          refused.push(String(error));
        }
      }
    }),
  );
  return { kept, refused };
}

async function allOf(db: Database, job: string): Promise<string[]> {
  const ids: string[] = [];
  for (let after = 0; ;) {
    const page = await readEvents(db, job, after);
    ids.push(...page.events.map(({ id }) => id));
    if (!page.more) return ids;
    after = page.serial;
  }
}

/** All that was acknowledged is held, once. */
async function allHeld(job: string, kept: ReadonlySet<string>): Promise<void> {
  const held = await allOf(both[0], job);
  expect(new Set(held).size).toBe(held.length);
  expect(held).toEqual(expect.arrayContaining([...kept]));
}

describe('two processes on one database', () => {
  it('skip none to who follows a job by the serial, whoever keeps it', async () => {
    const job = await newJob();
    const seen: string[] = [];
    let over = false;
    const follow = async () => {
      for (let after = 0, last = false; ;) {
        last = over;
        const page = await readEvents(both[1], job, after);
        seen.push(...page.events.map(({ id }) => id));
        after = page.serial;
        if (last && !page.more) return;
      }
    };
    const following = follow();
    const { kept, refused } = await eightPhones(job, 25);
    over = true;
    await following;
    expect(refused).toEqual([]);
    expect(kept.size).toBe(200);
    expect([...seen].sort()).toEqual([...kept].sort());
  });

  it('lose nothing that each of them changed of the same', async () => {
    const sooner = async (db: Database) => {
      for (let i = 0; i < 20; i++) {
        await db.write(async (transaction) => {
          const shop = await readShop(db, transaction);
          const next = { ...shop, weekHours: (shop.weekHours ?? 0) + 1 };
          await writeShop(db, next, transaction);
        });
      }
    };
    await both[0].write((transaction) => writeShop(both[0], NEW_SHOP, transaction));
    await Promise.all(both.map(sooner));
    expect((await readShop(both[0])).weekHours).toBe((NEW_SHOP.weekHours ?? 0) + 40);
  });

  it('read what the other left, by whatever connection, once they have the shop', async () => {
    const seen: number[] = [];
    const bare = { ...NEW_SHOP, weekHours: 0 };
    await both[0].write((transaction) => writeShop(both[0], bare, transaction));
    const addOne = (db: Database) =>
      db.write(async (transaction) => {
        // By another connection than the one it writes by, as what is worked out reads.
        const { weekHours = 0 } = await readShop(db);
        seen.push(weekHours);
        await writeShop(db, { ...NEW_SHOP, weekHours: weekHours + 1 }, transaction);
      });
    await Promise.all(Array.from({ length: 20 }, (_, i) => addOne(both[i % 2]!)));
    expect(seen.sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i));
  });

  it('start at once on a database that has no tables yet', async () => {
    const bare = await newDatabase('bare');
    const started = await Promise.all([1, 2, 3].map(() => openDatabase('', { url: bare.url })));
    for (const db of started) expect(await listMachines(db, '2026-11-23')).toEqual([]);
    for (const db of started) await db.close();
    await bare.drop();
  });
});

describe('a connection that is cut', () => {
  it('loses nothing that was acknowledged, doubles nothing, and is made anew', async () => {
    const job = await newJob();
    const phones = eightPhones(job, 40);
    let cuts = 0;
    const cutting = setInterval(() => {
      cuts += 1;
      void both[0].whole
        .rows(
          AnyRow,
          `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
           WHERE datname = current_database() AND pid <> pg_backend_pid()`,
        )
        .catch(() => undefined);
    }, 30);
    const { kept } = await phones;
    clearInterval(cutting);
    expect(cuts).toBeGreaterThan(3);
    await allHeld(job, kept);
    const after = noted(job, 1000);
    expect(await appendEvents(both[1], job, [after], AT)).toEqual([after.id]);
    expect(await both[1].whole.rows(AnyRow, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
  });
});

describe('a cable that is pulled', () => {
  let cable: Cable;
  const given = async (patience: number) => {
    await both[1].close();
    cable = await cableTo(own.url);
    both[1] = await openDatabase('', { url: cable.url, patience });
  };
  afterEach(() => cable.close());

  it('is a late answer where it is back before the connections are given up', async () => {
    // A busy machine may be silent for some seconds itself.
    await given(20_000);
    const job = await newJob();
    const phones = eightPhones(job, 60);
    await wait(100);
    cable.pull();
    await wait(500);
    cable.plug('those that were');
    const { kept, refused } = await phones;
    expect(refused).toEqual([]);
    expect(kept.size).toBe(8 * 60);
    await allHeld(job, kept);
  });

  it('is refused and sent again where they are not, and keeps no lock from the others', async () => {
    await given(5000);
    const job = await newJob();
    const held = both[1].write(async (transaction) => {
      await readShop(both[1], transaction);
      cable.pull();
      await readShop(both[1], transaction);
    });
    held.catch(() => undefined);
    await wait(200);
    const since = Date.now();
    // It waits for the shop that is held beyond the cable, until both ends have given that up.
    const event = noted(job, 1);
    const other = appendEvents(both[0], job, [event], AT);
    await expect(held).rejects.toThrow();
    expect(await other).toEqual([event.id]);
    expect(Date.now() - since).toBeLessThan(20_000);
    cable.plug('new ones');
    const { kept, refused } = await eightPhones(job, 20);
    expect(refused).toEqual([]);
    expect(kept.size).toBe(8 * 20);
    expect(await listMachines(both[1], '2026-11-23')).toHaveLength(MACHINES.length);
    await allHeld(job, kept);
  });
});

/** What a later version might add to what is written and read all the time; it is in the way at first. */
let tries = 0;
const later: Migration = {
  name: '9999-later',
  async up({ sequelize }) {
    const met = "DO $$ BEGIN RAISE EXCEPTION 'It met another.' USING ERRCODE = '40P01'; END $$";
    if (tries++ === 0) await sequelize.query(met);
    for (const table of ['events', 'jobs', 'shops', 'machines', 'hours_readings', 'job_reads']) {
      await sequelize.query(`ALTER TABLE ${table} ADD COLUMN later TEXT`);
    }
    await sequelize.query('CREATE TABLE later (shop INTEGER PRIMARY KEY)');
  },
};

describe('an upgrade while others serve', () => {
  it('refuses nobody for longer than it takes, and the version before goes on, and starts', async () => {
    const job = await newJob();
    const yard = await listMachines(both[0], '2026-11-23');
    const phones = eightPhones(job, 60);
    await wait(100);
    const sequelize = new Sequelize(own.url, { logging: false, pool: { max: 1 } });
    await upgradePostgres(sequelize, [...SINCE, later]);
    await sequelize.close();
    expect(tries).toBeGreaterThan(1);
    const { kept } = await phones;
    await allHeld(job, kept);
    expect(kept.size).toBeGreaterThan(8 * 30);
    const again = await openDatabase('', { url: own.url });
    for (const db of [...both, again]) {
      const event = noted(job, 1000);
      expect(await appendEvents(db, job, [event], AT)).toEqual([event.id]);
      const now = await listMachines(db, '2026-11-23');
      expect(now.map(({ id, name }) => [id, name])).toEqual(yard.map(({ id, name }) => [id, name]));
    }
    await again.close();
  });
});

async function* inLines(text: string): AsyncGenerator<string> {
  yield* text.trimEnd().split('\n');
}

describe('a shop that moves from a file to PostgreSQL and back', () => {
  it('is the same archive to the byte, and what is derived from it is the same', async () => {
    const linesOf = async (db: Database) => {
      let text = '';
      for await (const line of archiveLines(db)) text += line;
      return text;
    };
    const there = await newDatabase('empty');
    const db = await openDatabase('', { url: there.url });
    const file = await demoInFile();
    const text = await linesOf(file.db);
    const again = await emptyInFile();
    for (const of of [db, again.db]) {
      await takeArchive(of, () => inLines(text), false);
      expect((await linesOf(of)) === text).toBe(true);
    }
    const derivedIn = async (of: Database) => {
      await rebuild(of, '2026-11-23');
      const tables = ['job_reads', 'job_words', 'sheet_reads', 'machine_reads', 'machine_drift'];
      const all = tables.map((table) => `SELECT * FROM ${table} ORDER BY 1, 2, 3, 4`);
      return Promise.all(all.map((sql) => of.whole.rows(AnyRow, sql)));
    };
    expect(await derivedIn(db)).toEqual(await derivedIn(again.db));
    await again.end();
    await file.end();
    await db.close();
    await there.drop();
  });
});
