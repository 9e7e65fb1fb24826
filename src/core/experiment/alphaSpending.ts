/** A claim at the planned end, where nobody looked before it. */
export const AT_END = 0.05;
/** A claim of somebody who rides on after the planned end: what was to be spent was spent there. */
export const RIDDEN_ON = 0.005;

const MOST_PER_LOOK = 0.02;
const SPENT = 0.08;

/**
 * The level at every look, the last one too, of somebody who may look after each pair of a plan. At .02 throughout (the level of
 * a few looks) eight pairs claim from nothing in 7 of 100 evenings and twelve in 9; with .02 or .08 over the pairs, whichever
 * is less, 2 to 16 pairs stay at 4 or below (4,000 evenings each). Riding on twice at .005 after the planned end adds less than 1.
 */
export const levelPerLook = (pairs: number): number => Math.min(MOST_PER_LOOK, SPENT / pairs);
