import { AnyRow } from '../../../test-support/anyRow';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { removeDemo } from '../../demo/loadDemo';
import { settleDrift } from './drift';
import { settleJobs } from './jobReads';
import { listSetAside } from '../setAside';

it('of machines that go while it is worked out is neither kept nor missed', async () => {
  const { db, end } = await demoDatabase();
  try {
    await settleJobs(db);
    const { machines } = db.tables;
    const find = machines.findByPk.bind(machines);
    // The demo is removed by another while the first of its machines is looked up.
    jest.spyOn(machines, 'findByPk').mockImplementationOnce(async (...asked) => {
      await removeDemo(db, 'Ina');
      return find(...asked);
    });
    expect(await settleDrift(db)).toBeGreaterThan(0);
    expect(await db.whole.rows(AnyRow, 'SELECT * FROM machine_drift')).toEqual([]);
    expect(await listSetAside(db)).toEqual([]);
  } finally {
    await end();
  }
});
