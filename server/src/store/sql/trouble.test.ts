import { databaseTrouble } from './trouble';

const thrown = (code: string) => Object.assign(new Error('It failed.'), { code });

describe('what is wrong with what keeps the data', () => {
  it('is told by the code of either database, also where it is wrapped', () => {
    const wrapped = Object.assign(new Error('It failed.'), { parent: thrown('57P01') });
    expect(
      [thrown('SQLITE_FULL'), thrown('53100'), thrown('SQLITE_CORRUPT'), wrapped].map(
        databaseTrouble,
      ),
    ).toEqual(['full', 'full', 'damaged', 'away']);
  });

  it('is told by words where its driver has no code', () => {
    expect(databaseTrouble(new Error('Connection terminated unexpectedly'))).toBe('away');
    for (const code of ['ECONNREFUSED', '25006', '40P01']) {
      expect(databaseTrouble(thrown(code))).toBe('away');
    }
  });

  it('is nothing where something else failed', () => {
    for (const other of [thrown('23503'), new Error('No further.'), undefined, 'text']) {
      expect(databaseTrouble(other)).toBeUndefined();
    }
  });
});
