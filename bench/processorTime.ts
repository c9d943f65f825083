import { readdirSync, readFileSync } from 'node:fs';

/** A tick of the processor as the system counts it, ms. */
const TICK = 10;
/** Of a process as the system tells it, after its name: whose child it is, and its own ticks. */
const [PARENT, USER, SYSTEM] = [1, 11, 12];

/** What the processors have spent on the children of this one’s children so far, ms: on a database’s. */
export function spentByGrandchildren(): number {
  const all = readdirSync('/proc').flatMap((name) => {
    const pid = Number(name);
    const told = Number.isInteger(pid) ? toldOf(pid) : undefined;
    return told ? [{ pid, ...told }] : [];
  });
  const children = new Set(all.filter(({ of }) => of === process.pid).map(({ pid }) => pid));
  const spent = all.filter(({ of }) => children.has(of)).map(({ ticks }) => ticks);
  return TICK * spent.reduce((sum, ticks) => sum + ticks, 0);
}

function toldOf(pid: number): { of: number; ticks: number } | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = stat
      .slice(stat.lastIndexOf(')') + 2)
      .split(' ')
      .map(Number);
    return { of: fields[PARENT] ?? 0, ticks: (fields[USER] ?? 0) + (fields[SYSTEM] ?? 0) };
  } catch {
    // It ended meanwhile.
    return undefined;
  }
}
