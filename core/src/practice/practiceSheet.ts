import { rememberEach } from '../remember';
import type { EngineSheet, Spec } from '../engine/sheet';

const INTAKE: Spec = { low: 280, target: 330, high: 380 };
const EXHAUST: Spec = { low: 430, target: 480, high: 530 };

/**
 * A sheet fit to practise on: common limits where it gives none, and one mark where it gives no
 * figures at all, as of a bare firing order. The same object for the same sheet.
 *
 * @example practiceSheet(six) === six // true
 */
export const practiceSheet = rememberEach((sheet: EngineSheet): EngineSheet => {
  if (sheet.adjusters.some(({ spec }) => spec)) return sheet;
  const adjusters = sheet.adjusters.map((entry) => ({
    ...entry,
    spec: entry.kind === 'exhaust' ? EXHAUST : INTAKE,
  }));
  return { ...sheet, marks: sheet.marks ?? [{ name: 'I', at: 0 }], adjusters };
});
