import { existsSync, readFileSync } from 'node:fs';

const STAT = '/proc/stat';
/** Of the first line of it, the name before them counted: what the host gave to others. */
const STOLEN = 8;

function ticks(): { all: number; stolen: number } | undefined {
  if (!existsSync(STAT)) return undefined;
  const [line = ''] = readFileSync(STAT, 'utf8').split('\n');
  const fields = line.split(/\s+/).map(Number);
  // Whoever runs as a guest is counted as a user already.
  const all = fields.slice(1, STOLEN + 1).reduce((sum, each) => sum + each, 0);
  return { all, stolen: fields[STOLEN] ?? 0 };
}

/**
 * Begins to count; the answer says what part of the processors the host has given to others since.
 * No figure of such a time can be held against one of another.
 */
export function hostTook(): () => string {
  const before = ticks();
  return () => {
    const now = ticks();
    if (!before || !now || now.all === before.all) return 'what the host took is not known';
    const share = (now.stolen - before.stolen) / (now.all - before.all);
    return `the host took ${(100 * share).toFixed(0)} % of the processors`;
  };
}
