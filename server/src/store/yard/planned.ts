import * as v from 'valibot';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';

/** A machine that was put into a week, by its Monday. */
type PlannedRow = v.InferOutput<typeof PlannedRowSchema>;
const PlannedRowSchema = v.object({
  machine: v.string(),
  week: v.string(),
  who: v.nullable(v.string()),
});

/** Which machines are in the plan. */
export function plannedRows(db: Database): Promise<PlannedRow[]> {
  return db.rows(PlannedRowSchema, 'SELECT machine, week, who FROM planned WHERE shop = $shop');
}

/** Puts a machine into a week; who does it stays where nobody says. */
export function putIntoWeek(
  db: Database,
  { machine, week, who }: { machine: string; week: string; who?: string | null | undefined },
  transaction: Transaction,
): Promise<void> {
  const sameWho = who === undefined ? 'planned.who' : '$3';
  return db.run(
    `INSERT INTO planned (shop, machine, week, who) VALUES ($shop, $1, $2, $3)
     ON CONFLICT (shop, machine) DO UPDATE SET week = $2, who = ${sameWho}`,
    [machine, week, who ?? null],
    transaction,
  );
}

/** Takes a machine out of the plan: its check was signed, or it is out of the yard. */
export function unplan(db: Database, machine: string, transaction: Transaction): Promise<void> {
  const sql = 'DELETE FROM planned WHERE shop = $shop AND machine = $1';
  return db.run(sql, [machine], transaction);
}
