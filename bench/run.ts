import { cpus } from 'node:os';
import type { Line } from './barring';
import { barringLines } from './barring';

/** `npm run bench`: every figure in one run, as a table. Ends with 1 where one is not held. */
const lines: Line[] = await barringLines();
const machine = `${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${cpus().length} cores, Node ${process.version}`;
console.log(`\nMeasured on ${machine}\n`);
console.log('| what | figure | wanted | |');
console.log('|---|---|---|---|');
for (const { what, figure, wanted, held } of lines) {
  console.log(`| ${what} | ${figure} | ${wanted} | ${held ? 'held' : 'NOT HELD'} |`);
}
process.exit(lines.every(({ held }) => held) ? 0 : 1);
