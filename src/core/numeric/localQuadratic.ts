export interface LocalFit {
  /** The parabola's value and slope (per unit of `t`) at each sample; NaN where none was fitted. */
  value: Float64Array;
  slope: Float64Array;
  /** First and last sample of each window. */
  from: Int32Array;
  to: Int32Array;
}

/**
 * A least-squares parabola through the samples around each one, at the times that they really have. Evenly spaced it is
 * Savitzky–Golay smoothing of order 2 (Savitzky & Golay 1964). Where the window does not fit, nothing is fitted.
 * @param t rising, of the same length as `values` @param width of the window, in units of `t`
 * @param least samples in a window, at least 4: it is widened on both sides until it holds them
 * @param widest a window that grew beyond this is not fitted
 */
export function localQuadratic(
  t: Float64Array,
  values: Float64Array,
  { width, least, widest }: { width: number; least: number; widest: number },
): LocalFit {
  if (!(least >= 4)) throw new RangeError('a parabola with something left over needs 4 samples');
  const n = t.length;
  const fit: LocalFit = {
    value: new Float64Array(n).fill(NaN),
    slope: new Float64Array(n).fill(NaN),
    from: new Int32Array(n),
    to: new Int32Array(n),
  };
  const side = least >> 1;
  let from = 0;
  let to = 0;
  for (let i = 0; i < n; i++) {
    while (t[from]! < t[i]! - width / 2) from++;
    while (to + 1 < n && t[to + 1]! <= t[i]! + width / 2) to++;
    const low = (fit.from[i] = Math.min(from, i - side));
    const high = (fit.to[i] = Math.max(to, i + side));
    if (low < 0 || high >= n || t[high]! - t[low]! > widest) continue;
    const at = parabolaAt(t, values, low, high, i);
    if (!at) continue;
    fit.value[i] = at.value;
    fit.slope[i] = at.slope;
  }
  return fit;
}

/** Value and slope at sample `i` of the parabola through `low` to `high`; null where its times are too few. */
function parabolaAt(t: Float64Array, values: Float64Array, low: number, high: number, i: number) {
  // Times count from the sample, in units of the window: the sums stay of one size.
  const scale = t[high]! - t[low]!;
  if (!(scale > 0)) return null;
  let [s0, s1, s2, s3, s4, y0, y1, y2] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let k = low; k <= high; k++) {
    const x = (t[k]! - t[i]!) / scale;
    const y = values[k]! - values[i]!;
    const xx = x * x;
    s0 += 1;
    s1 += x;
    s2 += xx;
    s3 += xx * x;
    s4 += xx * xx;
    y0 += y;
    y1 += x * y;
    y2 += xx * y;
  }
  // Cramer's rule for the three normal equations.
  const a = s2 * s4 - s3 * s3;
  const b = s1 * s4 - s2 * s3;
  const c = s1 * s3 - s2 * s2;
  const det = s0 * a - s1 * b + s2 * c;
  if (!(det > 1e-12)) return null;
  const value = (y0 * a - y1 * b + y2 * c) / det;
  const slope = (s0 * (y1 * s4 - y2 * s3) - y0 * b + s2 * (s1 * y2 - s2 * y1)) / det;
  return { value: values[i]! + value, slope: slope / scale };
}
