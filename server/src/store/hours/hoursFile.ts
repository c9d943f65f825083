import type { HoursFile, HoursFound, TableRow } from '@longbar/core';
import { guessColumns, readHours } from '@longbar/core';
import type { Parser, ParseResult } from 'papaparse';
import Papa from 'papaparse';
import { inSlices } from '../../inSlices';
import { RequestError } from '../../requestError';
import { machineChanged } from '../stale';
import type { Database, OfShop } from '../sql/database';
import type { Dialect } from '../sql/dialect';
import { knownHours } from './knownHours';
import { settle } from '../derived/readTables';

/** So many lines are shown, to tell the columns by. */
const SAMPLE = 3;
/** More mistakes than this are not told at once. */
const MOST_ISSUES = 50;

/**
 * What a table of hours (RFC 4180, or with another separator) would add, and with `take` adds it:
 * all of it or nothing, but for the lines with mistakes where `leaveOut` says so. Throws
 * RequestError 400 with the line of each mistake.
 */
export async function takeHours(
  db: Database,
  { text, columns: given, machine, leaveOut, take }: HoursFile,
  today: string,
): Promise<HoursFound> {
  const { header, rows } = await tableOf(text);
  const columns = given ?? guessColumns(header, rows);
  await settle(db, today);
  const yard = await knownHours(db);
  const { readings, known, issues } = await inSlices(
    readHours(rows, columns, yard, machine, today),
  );
  if (take && issues.length > 0 && !leaveOut) {
    const told = issues.map(({ line, path, message }) => ({
      path: `line ${line}: ${path}`,
      message,
    }));
    throw new RequestError(400, 'Nothing was imported: the table has mistakes.', told);
  }
  if (take) {
    await db.write(async (transaction) => {
      const cells = readings.map(({ machine: of, date, hours }) => [of, date, hours]);
      await db.run(takeAll(db.dialect), [JSON.stringify(cells)], transaction);
      for (const machine of new Set(readings.map((reading) => reading.machine))) {
        await machineChanged(db, machine, transaction);
      }
    });
  }
  const adds = yard.flatMap(({ id, name }) => {
    const own = readings.filter((reading) => reading.machine === id);
    const last = own.at(-1);
    if (!last) return [];
    return [{ machine: id, name, count: own.length, last: { date: last.date, hours: last.hours } }];
  });
  const sample = rows.slice(0, SAMPLE).map(({ cells }) => [...cells]);
  const told = issues.slice(0, MOST_ISSUES);
  return { header, sample, columns, adds, known, issues: told, taken: take };
}

/** All readings in one statement, however many there are. */
const takeAll = ({ cell, elements }: Dialect): OfShop =>
  `INSERT INTO hours_readings (shop, machine, date, hours)
   SELECT $shop, ${cell(0)}, ${cell(1)}, ${cell(2, 'number')} FROM ${elements('$1')}`;

async function tableOf(text: string): Promise<{ header: string[]; rows: TableRow[] }> {
  const rows: TableRow[] = [];
  let line = 1;
  await eachPart(text.replace(/^\uFEFF/, ''), (part) => {
    for (const cells of part) {
      if (cells.some((cell) => cell.trim() !== '')) rows.push({ line, cells });
      line += cells.join('').split('\n').length;
    }
  });
  const header = rows.shift();
  if (!header || rows.length === 0) {
    const message = 'The table has a line of headings, and a line for each reading.';
    throw new RequestError(400, message, [{ path: 'line 1', message }]);
  }
  return { header: [...header.cells], rows };
}

/** So many characters are taken apart at a time. */
const PART = 200_000;

/** Takes a table apart, a part at a time; what else is asked of the server is answered between. */
function eachPart(text: string, take: (rows: string[][]) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    Papa.parse<string[]>(text, {
      chunkSize: PART,
      chunk: ({ data }: ParseResult<string[]>, parser: Parser) => {
        take(data);
        parser.pause();
        setImmediate(() => parser.resume());
      },
      complete: () => resolve(),
      error: reject,
    });
  });
}
