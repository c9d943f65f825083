import { statementOf } from './statement';

describe('a statement for PostgreSQL', () => {
  const of = (sql: string) => {
    const { text, asks } = statementOf(sql, 's1');
    return [text, asks];
  };

  it('has names in mixed case in quotes, and leaves texts as they are', () => {
    expect(
      of(`SELECT seenAt AS at, "check" FROM phones WHERE why = 'isOld' || 'it''s seenAt'`),
    ).toEqual([
      `SELECT "seenAt" AS at, "check" FROM phones WHERE why = 'isOld' || 'it''s seenAt'`,
      [],
    ]);
    expect(of('INSERT INTO t (shop, pairedAt) VALUES (1, CURRENT_DATE)')[0]).toBe(
      'INSERT INTO t (shop, "pairedAt") VALUES (1, CURRENT_DATE)',
    );
  });

  it('numbers what is bound as it comes up, each once, and says what the shop is', () => {
    expect(of('UPDATE t SET a = $3, b = $1 WHERE shop = $shop AND c = $3')).toEqual([
      'UPDATE t SET a = $1, b = $2 WHERE shop = CAST($3 AS INTEGER) AND c = $1',
      ['3', '1', 'shop'],
    ]);
  });
});
