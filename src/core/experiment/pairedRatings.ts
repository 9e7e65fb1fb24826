import { strongestUnderFlips, LEAST_PAIRS } from './signFlips';

/** What a ride is rated on, 1 to 7. A new one is an entry here. */
export const DIMENSIONS = {
  weight: 'Weight',
  centre: 'Centre',
  detail: 'Detail',
  smoothness: 'Smoothness',
  grip: 'Grip cue',
  kerbs: 'Kerbs',
  stability: 'Stability',
  comfort: 'Comfort',
} as const;
export type Dimension = keyof typeof DIMENSIONS;
export type Ratings = Partial<Record<Dimension, number>>;

export const LOWEST_RATING = 1;
export const HIGHEST_RATING = 7;

/** What the pairs of a test say of one dimension. */
export interface RatedDimension {
  dimension: Dimension;
  /** B − A of each pair in which both rides were rated. */
  differences: number[];
  mean: number;
  /** `null` under six pairs: then there are only dots. Of the named one alone, of the others against the strongest of them. */
  p: number | null;
}

/**
 * Ratings of pairs, B − A: the dimension that was named before the change by exact flips of its signs, the others against the
 * strongest of them (max-T).
 */
export function pairedRatings(
  pairs: readonly { a: Ratings; b: Ratings }[],
  named: Dimension | null,
): RatedDimension[] {
  const all = (Object.keys(DIMENSIONS) as Dimension[]).map((dimension) => ({
    dimension,
    differences: pairs.flatMap(({ a, b }) => {
      const [one, other] = [a[dimension], b[dimension]];
      return one === undefined || other === undefined ? [] : [other - one];
    }),
  }));
  const rated = all.filter(({ differences }) => differences.length > 0);
  const isEnough = ({ differences }: (typeof rated)[number]) =>
    differences.length >= LEAST_PAIRS && differences.length === pairs.length;
  const others = rated.filter((one) => one.dimension !== named && isEnough(one));
  const pOthers = strongestUnderFlips(others.map(({ differences }) => differences));
  return rated.map((one) => ({
    ...one,
    mean: one.differences.reduce((a, v) => a + v, 0) / one.differences.length,
    p: !isEnough(one)
      ? null
      : one.dimension === named
        ? strongestUnderFlips([one.differences])[0]!
        : pOthers[others.indexOf(one)]!,
  }));
}
