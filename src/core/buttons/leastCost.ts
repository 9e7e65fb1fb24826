/**
 * The assignment of rows to columns with the least sum of costs, each column taken at most once (Hungarian method with
 * potentials; Kuhn 1955, Munkres 1957). O(rows²·columns).
 * @param costs rows × columns, rows ≤ columns; Infinity where a row may not take a column
 * @returns the column of each row; `null` where no assignment is allowed
 */
export function leastCost(costs: readonly (readonly number[])[]): number[] | null {
  const n = costs.length;
  const m = costs[0]?.length ?? 0;
  if (n > m) throw new RangeError('there are more rows than columns');
  const rowPotential = new Float64Array(n + 1);
  const columnPotential = new Float64Array(m + 1);
  // Row of each column, from 1; column 0 holds the row that is being placed.
  const rowOf = new Int32Array(m + 1);
  const before = new Int32Array(m + 1);
  for (let row = 1; row <= n; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(m + 1).fill(Infinity);
    const isDone = new Uint8Array(m + 1);
    do {
      isDone[column] = 1;
      const at = rowOf[column]!;
      let [delta, next] = [Infinity, -1];
      for (let c = 1; c <= m; c++) {
        if (isDone[c]) continue;
        const reduced = costs[at - 1]![c - 1]! - rowPotential[at]! - columnPotential[c]!;
        if (reduced < least[c]!) {
          least[c] = reduced;
          before[c] = column;
        }
        if (least[c]! < delta) [delta, next] = [least[c]!, c];
      }
      if (next < 0 || delta === Infinity) return null;
      for (let c = 0; c <= m; c++)
        if (isDone[c]) {
          rowPotential[rowOf[c]!]! += delta;
          columnPotential[c]! -= delta;
        } else least[c]! -= delta;
      column = next;
    } while (rowOf[column] !== 0);
    for (; column !== 0; column = before[column]!) rowOf[column] = rowOf[before[column]!]!;
  }
  const columns = new Array<number>(n).fill(-1);
  for (let c = 1; c <= m; c++) if (rowOf[c]! > 0) columns[rowOf[c]! - 1] = c - 1;
  return columns;
}
