/**
 * Savitzky–Golay smoothing of order 2 over a centred window (Savitzky & Golay 1964, Table I in closed form).
 * Where the window does not fit (near the ends) the input stands unsmoothed.
 * @param window odd, at least 5 samples, evenly spaced
 */
export function smoothQuadratic(values: ArrayLike<number>, window: number): Float64Array {
  const m = (window - 1) / 2;
  if (!Number.isInteger(m) || m < 2) throw new RangeError('the window must be odd and at least 5');
  const norm = (2 * m - 1) * (2 * m + 1) * (2 * m + 3);
  const weights = Float64Array.from({ length: window }, (_, k) => {
    const i = k - m;
    return (3 * (3 * m * m + 3 * m - 1) - 15 * i * i) / norm;
  });
  const out = Float64Array.from(values);
  for (let i = m; i < values.length - m; i++) {
    let sum = 0;
    for (let k = 0; k < window; k++) sum += weights[k]! * values[i - m + k]!;
    out[i] = sum;
  }
  return out;
}
