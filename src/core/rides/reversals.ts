/**
 * How often a signal turns round by at least a gap: each turn from the last far point on counts once (the reversals of a
 * steering wheel as ISO 17287 and SAE J2944 count them).
 * @param gap in the signal's unit, above 0
 * @example 0 3 0 3 with a gap of 2 turns twice
 */
export function reversals(values: ArrayLike<number>, gap: number): number {
  let [low, high] = [values[0] ?? 0, values[0] ?? 0];
  let direction = 0;
  let turns = 0;
  for (let i = 1; i < values.length; i++) {
    const v = values[i]!;
    if (direction === 0) {
      [low, high] = [Math.min(low, v), Math.max(high, v)];
      if (v - low >= gap) direction = 1;
      else if (high - v >= gap) direction = -1;
    } else if (direction > 0) {
      high = Math.max(high, v);
      if (high - v >= gap) [direction, low, turns] = [-1, v, turns + 1];
    } else {
      low = Math.min(low, v);
      if (v - low >= gap) [direction, high, turns] = [1, v, turns + 1];
    }
    if (direction > 0 && v >= high) high = v;
    if (direction < 0 && v <= low) low = v;
  }
  return turns;
}
