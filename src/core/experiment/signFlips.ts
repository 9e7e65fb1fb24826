import { signFlipSums, flipsOf, SAME, strengthOf } from './signFlipSums';

/** Under fewer pairs than these no flip can be rare enough: of 2⁵ the rarest is one in sixteen. */
export const LEAST_PAIRS = 6;
/** All flips of so many pairs are gone through. */
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
  const squares = differences.map((row) => row.reduce((a, d) => a + d * d, 0));
  const columns = Array.from({ length: pairs }, (_, k) => Float64Array.from(differences, (row) => row[k]!));
  const observed = differences.map((row, m) =>
    strengthOf(
      row.reduce((a, d) => a + d, 0),
      squares[m]!,
      pairs,
    ),
  );
  const beaten = differences.map(() => 0);
  signFlipSums(columns, (sums) => {
    const strongest = sums.reduce((most, sum, m) => Math.max(most, strengthOf(sum, squares[m]!, pairs)), 0);
    observed.forEach((own, m) => {
      if (own === 0 || strongest >= own * (1 - SAME)) beaten[m]!++;
    });
  });
  return beaten.map((count) => count / flipsOf(pairs));
}
