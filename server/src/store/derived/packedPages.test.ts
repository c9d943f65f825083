import { gunzipSync } from 'node:zlib';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { MACHINES } from '../../demo/yard';
import { unpack } from '../packedAnswers';
import { setAside } from '../setAside';
import type { Database } from '../sql/database';
import { changeMachine } from '../yard/machineChanges';
import { machineChecks, machineDetail, machineLines } from './machines';
import { packAhead, packedPage } from './packedPages';

const TODAY = '2026-11-23';
let made: TestDatabase;
let db: Database;
beforeAll(async () => {
  made = await demoDatabase();
  db = made.db;
});
afterAll(() => made.end());
beforeEach(() => unpack(db));

const [machine, other] = [MACHINES[0]!, MACHINES[1]!];
const textOf = async (answer: Promise<Buffer>) => String(gunzipSync(await answer));
/** How often the database is asked for anything while this is done. */
const asked = async (work: () => Promise<unknown>) => {
  const rows = jest.spyOn(db, 'rows');
  await work();
  const times = rows.mock.calls.length;
  rows.mockRestore();
  return times;
};

describe('the pages of a yard', () => {
  it('say, packed, what is told of the yard, of a machine and of its checks', async () => {
    expect(await textOf(packedPage(db, 'yard', TODAY))).toBe(await machineLines(db, TODAY));
    const retired = await machineLines(db, TODAY, true);
    expect(await textOf(packedPage(db, 'yard retired', TODAY))).toBe(retired);
    const detail = await machineDetail(db, machine.id, TODAY);
    expect(await textOf(packedPage(db, `machine ${machine.id}`, TODAY))).toBe(detail);
    const checks = await machineChecks(db, machine.id, TODAY);
    expect(await textOf(packedPage(db, `checks ${machine.id}`, TODAY))).toBe(checks);
  });

  it('are packed ahead for whoever asks first, and only what is not packed yet', async () => {
    await packAhead(db, TODAY);
    const pages = MACHINES.flatMap(({ id }) => [`machine ${id}`, `checks ${id}`] as const);
    const all = () => Promise.all(pages.map((page) => packedPage(db, page, TODAY)));
    expect(await asked(all)).toBe(0);
    expect(await asked(() => packAhead(db, TODAY))).toBe(1);
    await changeMachine(db, machine.id, { name: 'Renamed' }, '2026-11-23T10:00:00Z', TODAY);
    await packAhead(db, TODAY);
    expect(await asked(all)).toBe(0);
    expect(await textOf(packedPage(db, `machine ${machine.id}`, TODAY))).toContain('"Renamed"');
  });

  it('are packed although one of them cannot be worked out, and no further than one is told', async () => {
    await db.derive(async (transaction) => {
      const { id, name } = other;
      await setAside(db, { kind: 'machine', id, name }, 'It is damaged.', transaction);
      const broken = "UPDATE machine_reads SET line = '{}' WHERE shop = $shop AND machine = $1";
      await db.run(broken, [id], transaction);
    });
    await expect(packedPage(db, `machine ${other.id}`, TODAY)).rejects.toThrow('It is damaged.');
    await packAhead(db, TODAY);
    const checks = () => packedPage(db, `checks ${MACHINES.at(-1)!.id}`, TODAY);
    expect(await asked(checks)).toBe(0);
    unpack(db);
    let left = 3;
    await packAhead(db, TODAY, () => left-- > 0);
    expect(await asked(() => packedPage(db, 'yard', TODAY))).toBe(0);
    expect(await asked(checks)).toBeGreaterThan(0);
  });
});
