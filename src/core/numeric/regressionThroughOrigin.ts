/** A pair of what drives and what follows. */
export type Pair = readonly [x: number, y: number];

/** Slope of the line through zero, least squares; NaN where nothing drives. */
export function regressionThroughOrigin(pairs: readonly Pair[]): number {
  let [xy, xx] = [0, 0];
  for (const [x, y] of pairs) {
    xy += x * y;
    xx += x * x;
  }
  return xy / xx;
}

/** The same of so many consecutive parts, which tell how much it wanders. The rest of a division is left out. */
export function slopesOfParts(pairs: readonly Pair[], parts: number): number[] {
  const length = Math.floor(pairs.length / parts);
  return Array.from({ length: parts }, (_, k) =>
    regressionThroughOrigin(pairs.slice(k * length, (k + 1) * length)),
  );
}
