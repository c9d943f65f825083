import { cpus } from 'node:os';
import { barringLines } from './barring';
import { driftLines } from './drift';
import { firstVisitLines } from './firstVisit';
import { hostTook } from './hostTook';
import { interfaceLines } from './interface';
import { jobLines } from './jobs';
import type { Line } from './line';
import { listenLines } from './listen';
import { openJobLines } from './openJob';
import { practiceLines } from './practice';
import { shimLines } from './shims';
import { appendLines } from './append';
import { appendSeveralLines } from './appendSeveral';
import { shopsLines } from './shops';
import { yardLines } from './yard';
import { yardPaintLines } from './yardPaint';

/**
 * `npm run bench`: every figure in one run, as a table; `npm run bench interface` one part of
 * it. Ends with 1 where one is not held.
 */
const parts = {
  barring: barringLines,
  jobs: jobLines,
  shims: shimLines,
  drift: driftLines,
  listen: listenLines,
  practice: practiceLines,
  append: appendLines,
  'append-several': appendSeveralLines,
  yard: yardLines,
  shops: shopsLines,
  'yard-paint': yardPaintLines,
  'first-visit': firstVisitLines,
  interface: interfaceLines,
  'open-job': openJobLines,
};
const only = process.argv[2];
const lines: Line[] = [];
for (const [part, measure] of Object.entries(parts)) {
  if (only !== undefined && only !== part) continue;
  const took = hostTook();
  lines.push(...(await measure()));
  console.log(`While ${part} was measured, ${took()}.`);
}
const machine = `${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${cpus().length} cores, Node ${process.version}`;
console.log(`\nMeasured on ${machine}\n`);
console.log('| what | figure | wanted | |');
console.log('|---|---|---|---|');
for (const { what, figure, wanted, held } of lines) {
  console.log(`| ${what} | ${figure} | ${wanted} | ${held ? 'held' : 'NOT HELD'} |`);
}
process.exit(lines.every(({ held }) => held) ? 0 : 1);
