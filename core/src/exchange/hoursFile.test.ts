import type { KnownHours, TableRow } from '..';
import { guessColumns, readHours } from '..';

const TODAY = '2026-11-23';
const PUMP: KnownHours = {
  id: '00000000-0000-4000-8000-000000000001',
  name: 'Brine pump 2',
  meter: [],
  readings: [
    { date: '2026-10-01', hours: 6500 },
    { date: '2026-11-01', hours: 6560 },
  ],
};
const LAUNCH: KnownHours = {
  ...PUMP,
  id: PUMP.id.replace(/1$/, '2'),
  name: 'Launch',
  readings: [],
};
const rowsOf = (...lines: string[]): TableRow[] =>
  lines.map((line, i) => ({ line: i + 2, cells: line.split(';') }));
const COLUMNS = { machine: 0, date: 1, hours: 2, dayFirst: true };
const readAll = (...of: Parameters<typeof readHours>) => {
  const reading = readHours(...of);
  for (;;) {
    const { done, value } = reading.next();
    if (done) return value;
  }
};
const read = (...lines: string[]) =>
  readAll(rowsOf(...lines), COLUMNS, [PUMP, LAUNCH], null, TODAY);

describe('a table of hours', () => {
  it('stands still over no cell, however long', () => {
    const blanks = `7${' '.repeat(200_000)}x`;
    const { readings, issues } = read(`Launch;2026-11-19;${blanks}`, `Launch;${blanks};7`);
    expect(readings).toEqual([]);
    expect(issues.map(({ line, path }) => `${line} ${path}`)).toEqual(['2 hours', '3 date']);
  });

  it('is read by machine and day, the last of a day alone, what is known left out', () => {
    const { readings, known, issues } = read(
      'brine  pump 2;2026-11-20;6600',
      'Brine pump 2;2026-11-20T18:00:00Z;6604.5',
      'Brine pump 2;2026-11-01;6560',
      'Launch;19/11/2026;12:30',
    );
    expect(issues).toEqual([]);
    expect(known).toBe(2);
    expect(readings).toEqual([
      { machine: LAUNCH.id, date: '2026-11-19', hours: 12.5 },
      { machine: PUMP.id, date: '2026-11-20', hours: 6604.5 },
    ]);
  });

  it.each([
    ['6612', 6612],
    ['6,612', 6612],
    ['6,612.5', 6612.5],
    ['6.612,5', 6612.5],
    ['6612,5', 6612.5],
    ['6 612', 6612],
    ['6612 h', 6612],
  ])('takes %s for a figure', (cell, hours) => {
    expect(read(`Brine pump 2;2026-11-20;${cell}`).readings[0]?.hours).toBe(hours);
  });

  it('names the line of each mistake, and of what a typed reading would be asked about', () => {
    const { readings, issues } = read(
      'Digger;2026-11-20;1',
      'Launch;2026-02-30;1',
      'Launch;2026-12-24;1',
      'Launch;2026-11-20;many',
      'Brine pump 2;2026-11-20;6100',
      'Brine pump 2;2026-11-21;',
      ';2026-11-21;1',
    );
    expect(readings).toEqual([]);
    expect(issues.map(({ line, path }) => `${line} ${path}`)).toEqual([
      '2 machine',
      '3 date',
      '4 date',
      '5 hours',
      '6 hours',
      '7 hours',
      '8 machine',
    ]);
    expect(issues[4]?.message).toContain('The meter showed');
  });

  it('questions a line by those before it in the same table', () => {
    const { readings, issues } = read('Launch;2026-11-21;20', 'Launch;2026-11-10;90');
    expect(readings).toHaveLength(1);
    expect(issues).toMatchObject([{ line: 2, path: 'hours' }]);
  });

  it('may be of one machine that it does not name', () => {
    const columns = { ...COLUMNS, machine: null };
    const rows = rowsOf(';2026-11-20;6600');
    expect(readAll(rows, columns, [PUMP], PUMP.id, TODAY).readings).toHaveLength(1);
    expect(readAll(rows, columns, [PUMP], null, TODAY).issues[0]?.path).toBe('machine');
  });

  it('has its columns guessed by their names and by what stands in them', () => {
    const header = ['Serial', 'Asset', 'Last seen', 'Engine hours', 'Fuel'];
    const rows = rowsOf('123;Launch;11/19/2026 08:00;12.5;40');
    expect(guessColumns(header, rows)).toEqual({ machine: 1, date: 2, hours: 3, dayFirst: false });
    expect(guessColumns(['a', 'b'], rowsOf('3;2026-11-19'))).toEqual({
      machine: null,
      date: 1,
      hours: 0,
      dayFirst: true,
    });
  });
});
