export function mean(values: ArrayLike<number>): number {
  if (values.length === 0) throw new RangeError('mean of nothing');
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]!;
  return sum / values.length;
}

/** Sample standard deviation (n − 1); 0 for a single value. Two passes, for accuracy far from zero. */
export function standardDeviation(values: ArrayLike<number>): number {
  if (values.length < 2) return 0;
  const centre = mean(values);
  let squares = 0;
  for (let i = 0; i < values.length; i++) squares += (values[i]! - centre) ** 2;
  return Math.sqrt(squares / (values.length - 1));
}
