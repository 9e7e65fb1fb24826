/** Under fewer pairs than these no flip can be rare enough: of 2⁵ the rarest is one in sixteen. */
export const LEAST_PAIRS = 6;
/** All flips of so many pairs are gone through; of more the first so many stand for all. */
const MOST_FLIPPED = 16;

/**
 * Each row's chance against the strongest of all rows: studentised max-|t| under flips of the signs of whole columns, all 2^K
 * of them (Westfall and Young 1993, the single step). Exact whatever the spread, as long as what was drawn first in a
 * pair was drawn by a coin.
 * @param differences one row a measure, one column a pair (B − A); columns all alike in length, at most 16
 * @returns one p a row; the least of them is the p of all rows together
 * @example one row 1, 2, 3, 4, 5, 6 → 2/64
 */
export function strongestUnderFlips(differences: readonly (readonly number[])[]): number[] {
  const pairs = differences[0]?.length ?? 0;
  if (pairs > MOST_FLIPPED) throw new RangeError(`at most ${MOST_FLIPPED} pairs`);
  const rows = differences.map((row) => Float64Array.from(row));
  const squares = rows.map((row) => row.reduce((a, d) => a + d * d, 0));
  const observed = rows.map((row, m) =>
    strengthOf(
      row.reduce((a, d) => a + d, 0),
      squares[m]!,
      pairs,
    ),
  );
  const beaten = new Array<number>(rows.length).fill(0);
  const sums = rows.map((row) => row.reduce((a, d) => a + d, 0));
  const signs = new Int8Array(pairs).fill(1);
  // Gray's order turns one pair at a time. The last pair is never turned: a flip of all says the same.
  const flips = 2 ** Math.max(0, pairs - 1);
  for (let flip = 1; flip <= flips; flip++) {
    let strongest = 0;
    for (let m = 0; m < rows.length; m++)
      strongest = Math.max(strongest, strengthOf(sums[m]!, squares[m]!, pairs));
    for (let m = 0; m < rows.length; m++)
      if (strongest >= observed[m]! * (1 - SAME) || observed[m] === 0) beaten[m]!++;
    const turned = lowestBit(flip);
    if (flip === flips) break;
    for (let m = 0; m < rows.length; m++) sums[m]! -= 2 * signs[turned]! * rows[m]![turned]!;
    signs[turned] = -signs[turned]! as 1 | -1;
  }
  return beaten.map((count) => count / flips);
}

/** Sums that were added up in another order are the same. */
const SAME = 1e-9;

/** |t| by way of something that rises with it and has no end: mean²·K over the sum of squares, 0 to 1. */
const strengthOf = (sum: number, squares: number, pairs: number) =>
  squares === 0 ? 0 : (sum * sum) / (pairs * squares);

const lowestBit = (flip: number) => 31 - Math.clz32(flip & -flip);
