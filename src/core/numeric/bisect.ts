/**
 * The least whole number above `below` at which something holds, in about log₂ of the way between.
 * @param below where it does not hold, or is not asked
 * @param above where it holds, or is not asked
 * @param holds once it holds it goes on holding
 * @example bisect(-1, 4, (i) => [1, 3, 5, 7][i]! >= 4) is 2
 */
export function bisect(below: number, above: number, holds: (at: number) => boolean): number {
  while (above - below > 1) {
    const middle = (below + above) >> 1;
    if (holds(middle)) above = middle;
    else below = middle;
  }
  return above;
}
