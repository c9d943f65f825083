import { DataTypes, QueryTypes } from 'sequelize';
import type { Migration } from '../migration';

type Change = { date: string; offset: number };
type Row = { serial: number; date: string; hours: number };

/**
 * A reading says whether it is the first of another meter; what is added to that meter follows
 * from the reading before. Offsets kept with the machine that were worked out so give way to the
 * reading they came from; what somebody stated stays.
 */
export const fittedMeters: Migration = {
  name: '0008-fitted-meters',
  async up(queries) {
    const { sequelize } = queries;
    await queries.addColumn('hours_readings', 'replaced', {
      type: DataTypes.BOOLEAN,
      allowNull: true,
    });
    const machines = await sequelize.query<{ id: string; meter: string }>(
      "SELECT id, CAST(meter AS TEXT) AS meter FROM machines WHERE meter <> '[]'",
      { type: QueryTypes.SELECT },
    );
    for (const { id, meter } of machines) {
      const rows = await sequelize.query<Row>(
        `SELECT serial, date, hours FROM hours_readings
         WHERE machine = $1 AND job IS NULL AND takenBack IS NULL ORDER BY date, serial`,
        { type: QueryTypes.SELECT, bind: [id] },
      );
      const changes: Change[] = JSON.parse(meter);
      const stated = changes.filter((change) => !workedOutOf(change, changes, rows));
      for (const change of changes.filter((each) => !stated.includes(each))) {
        const first = workedOutOf(change, changes, rows);
        await sequelize.query('UPDATE hours_readings SET replaced = 1 WHERE serial = $1', {
          bind: [first?.serial],
        });
      }
      await sequelize.query('UPDATE machines SET meter = $1 WHERE id = $2', {
        bind: [JSON.stringify(stated), id],
      });
    }
    await sequelize.query("UPDATE machine_reads SET day = ''");
    await sequelize.query("UPDATE machine_drift SET job = ''");
  },
};

/** The reading a change was worked out of: the last of its day, where what is added follows. */
function workedOutOf(
  { date, offset }: Change,
  changes: readonly Change[],
  rows: readonly Row[],
): Row | undefined {
  const until = rows.filter((row) => row.date.slice(0, 10) <= date.slice(0, 10));
  const [before, first] = until.slice(-2);
  if (!before || !first || first.date.slice(0, 10) !== date.slice(0, 10)) return undefined;
  const earlier = changes.filter((change) => change.date.slice(0, 10) <= before.date.slice(0, 10));
  // So it was worked out: of several meters the first one counted.
  const added = earlier.sort((a, b) => a.date.localeCompare(b.date))[0]?.offset ?? 0;
  return Math.abs(before.hours + added - first.hours - offset) < 0.05 ? first : undefined;
}
