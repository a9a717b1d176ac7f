/**
 * The cheapest way to give every row a column of its own.
 * The Hungarian method with potentials, a row at a time along shortest augmenting paths, O(rows² × columns).
 * Source: H. W. Kuhn, 1955; R. Jonker and A. Volgenant, 1987.
 *
 * @param cost by row and column; Infinity where a row may not have a column. At least as many columns as rows.
 * @returns for each row its column
 * @throws RangeError where not every row can have one
 */
export function assign(cost: readonly (readonly number[])[]): number[] {
  const rows = cost.length;
  const columns = cost[0]?.length ?? 0;
  // Column 0 is where a row waits that is being placed; rows and columns count from 1 beside it.
  const rowAt = new Array<number>(columns + 1).fill(0);
  const rowWorth = new Array<number>(rows + 1).fill(0);
  const columnWorth = new Array<number>(columns + 1).fill(0);
  for (let row = 1; row <= rows; row++) {
    rowAt[0] = row;
    const least = new Array<number>(columns + 1).fill(Number.POSITIVE_INFINITY);
    const before = new Array<number>(columns + 1).fill(0);
    const seen = new Array<boolean>(columns + 1).fill(false);
    let at = 0;
    do {
      seen[at] = true;
      const i = rowAt[at]!;
      let step = Number.POSITIVE_INFINITY;
      let next = -1;
      for (let j = 1; j <= columns; j++) {
        if (seen[j]) continue;
        const reduced = cost[i - 1]![j - 1]! - rowWorth[i]! - columnWorth[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          before[j] = at;
        }
        if (least[j]! < step) {
          step = least[j]!;
          next = j;
        }
      }
      if (next === -1) throw new RangeError('not every row can have a column');
      for (let j = 0; j <= columns; j++)
        if (seen[j]) {
          rowWorth[rowAt[j]!]! += step;
          columnWorth[j]! -= step;
        } else least[j]! -= step;
      at = next;
    } while (rowAt[at] !== 0);
    // Along the path, each column takes the row of the one before it.
    while (at !== 0) {
      rowAt[at] = rowAt[before[at]!]!;
      at = before[at]!;
    }
  }
  const columnOf = new Array<number>(rows).fill(-1);
  for (let j = 1; j <= columns; j++) if (rowAt[j]! > 0) columnOf[rowAt[j]! - 1] = j - 1;
  return columnOf;
}
