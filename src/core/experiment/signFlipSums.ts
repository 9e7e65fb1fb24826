/**
 * Sums of every row under each flip of the signs of whole columns, one flip after the other. The last column is never turned:
 * a flip of all says the same. Gray's order turns one column at a time, so that a flip costs as much as there are rows.
 * @param columns as many flips as 2^(columns − 1); each holds one value a row, all alike in length
 * @param visit hears the sums of each flip; they are changed afterwards
 */
export function signFlipSums(
  columns: readonly Float64Array[],
  visit: (sums: Float64Array, flip: number) => void,
): void {
  const rows = columns[0]?.length ?? 0;
  const sums = Float64Array.from({ length: rows }, (_, m) =>
    columns.reduce((a, column) => a + column[m]!, 0),
  );
  const signs = new Int8Array(columns.length).fill(1);
  const flips = flipsOf(columns.length);
  for (let flip = 0; flip < flips; flip++) {
    if (flip > 0) {
      const turned = 31 - Math.clz32(flip & -flip);
      const column = columns[turned]!;
      const twice = 2 * signs[turned]!;
      for (let m = 0; m < rows; m++) sums[m]! -= twice * column[m]!;
      signs[turned] = -signs[turned]! as 1 | -1;
    }
    visit(sums, flip);
  }
}

export const flipsOf = (columns: number) => 2 ** Math.max(0, columns - 1);

/** Something that rises with |t| and has no end: mean²·K over the sum of squares, 0 to 1. */
export const strengthOf = (sum: number, squares: number, columns: number) =>
  squares === 0 ? 0 : (sum * sum) / (columns * squares);

/** Sums that were added up in another order are the same. */
export const SAME = 1e-9;
