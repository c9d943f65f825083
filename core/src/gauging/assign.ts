/**
 * The cheapest assignment of every row to a column of its own: the Hungarian method with row
 * and column potentials, O(rows² × columns). `cost(row, column)` must be finite and there must
 * be at least as many columns as rows. Returns the column of each row.
 */
export function assignCheapest(
  rows: number,
  columns: number,
  cost: (row: number, column: number) => number,
): number[] {
  // Column 0 is a stand-in from which each row's search starts; real ones count from 1.
  const rowPrice = new Float64Array(rows + 1);
  const columnPrice = new Float64Array(columns + 1);
  const holder = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    holder[0] = row;
    const cameFrom = cheapestWay(columns, cost, { rowPrice, columnPrice, holder });
    hand(cameFrom, holder);
  }
  const assigned = new Array<number>(rows).fill(-1);
  for (let column = 1; column <= columns; column++) {
    const row = holder[column] ?? 0;
    if (row > 0) assigned[row - 1] = column - 1;
  }
  return assigned;
}

type Search = { rowPrice: Float64Array; columnPrice: Float64Array; holder: Int32Array };
type Way = { cameFrom: Int32Array; end: number };

/** The cheapest way from the row held by column 0 to a free column; prices follow along. */
function cheapestWay(
  columns: number,
  cost: (row: number, column: number) => number,
  { rowPrice, columnPrice, holder }: Search,
): Way {
  const least = new Float64Array(columns + 1).fill(Infinity);
  const cameFrom = new Int32Array(columns + 1);
  const seen = new Uint8Array(columns + 1);
  let column = 0;
  do {
    seen[column] = 1;
    const row = at(holder, column);
    let step = Infinity;
    let next = 0;
    for (let other = 1; other <= columns; other++) {
      if (seen[other]) continue;
      const reduced = cost(row - 1, other - 1) - at(rowPrice, row) - at(columnPrice, other);
      if (reduced < at(least, other)) {
        least[other] = reduced;
        cameFrom[other] = column;
      }
      if (at(least, other) < step) {
        step = at(least, other);
        next = other;
      }
    }
    for (let other = 0; other <= columns; other++) {
      if (seen[other]) {
        rowPrice[at(holder, other)] = at(rowPrice, at(holder, other)) + step;
        columnPrice[other] = at(columnPrice, other) - step;
      } else least[other] = at(least, other) - step;
    }
    column = next;
  } while (at(holder, column) !== 0);
  return { cameFrom, end: column };
}

/** Hands every column on the way to the row before it, so that the new row has one too. */
function hand({ cameFrom, end }: Way, holder: Int32Array): void {
  for (let column = end; column !== 0; column = at(cameFrom, column)) {
    holder[column] = at(holder, at(cameFrom, column));
  }
}

function at(list: Int32Array | Float64Array, index: number): number {
  return list[index] ?? 0;
}
