import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isLookOld, noteLook } from './lastLook';

const HOUR = 3_600_000;

it('a look is due where there was none, the last is old, or from a clock that was ahead', () => {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-look-'));
  const now = Date.now();
  expect(isLookOld(folder, now)).toBe(true);
  noteLook(folder);
  expect(isLookOld(folder, now)).toBe(false);
  expect(isLookOld(folder, now + 29 * HOUR)).toBe(false);
  expect(isLookOld(folder, now + 31 * HOUR)).toBe(true);
  expect(isLookOld(folder, now - 31 * HOUR)).toBe(true);
  rmSync(folder, { recursive: true });
});
