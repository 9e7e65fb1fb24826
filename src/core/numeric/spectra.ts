import FFT from 'fft.js';

/** One-sided densities of two signals, by frequency. */
export interface CrossSpectra {
  /** Width of a line, Hz. */
  stepHz: number;
  /** Power densities of x and y, and |P_xy|². */
  xx: Float64Array;
  yy: Float64Array;
  crossSquared: Float64Array;
}

/** The half-overlapping parts of a signal, transformed: worked out once for all that it is compared with. */
export interface Segments {
  /** Samples in each, a power of two. */
  segment: number;
  /** Real and imaginary part of line k at 2k and 2k + 1, for 0 to segment/2. */
  parts: Float64Array[];
  /** Sum of the window's squares. */
  energy: number;
}

/**
 * A signal cut for Welch's method (Welch 1967): a Hann window, half overlap, and every segment loses its own mean.
 * @param values at least one segment; @param segment a power of two
 */
export function segmentsOf(values: ArrayLike<number>, segment: number): Segments {
  if (values.length < segment)
    throw new RangeError(`${values.length} samples are less than one segment of ${segment}`);
  const fft = new FFT(segment);
  const window = Float64Array.from(
    { length: segment },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / segment),
  );
  const out = fft.createComplexArray();
  const part = new Float64Array(segment);
  const parts: Float64Array[] = [];
  for (let from = 0; from + segment <= values.length; from += segment / 2) {
    let mean = 0;
    for (let i = 0; i < segment; i++) mean += values[from + i]! / segment;
    for (let i = 0; i < segment; i++) part[i] = window[i]! * (values[from + i]! - mean);
    fft.realTransform(out, part);
    const kept = new Float64Array(segment + 2);
    for (let k = 0; k < kept.length; k++) kept[k] = out[k]!;
    parts.push(kept);
  }
  return { segment, parts, energy: window.reduce((sum, w) => sum + w * w, 0) };
}

/** Welch's averaged periodograms of two signals of equal length, sampled alike. */
export function crossSpectra(x: Segments, y: Segments, rateHz: number): CrossSpectra {
  const { segment, energy, parts } = x;
  if (parts.length !== y.parts.length || segment !== y.segment)
    throw new RangeError('two signals of unequal length have no cross spectrum');
  const lines = segment / 2 + 1;
  const empty = () => new Float64Array(lines);
  const [xx, yy, re, im] = [empty(), empty(), empty(), empty()];
  for (const [i, outX] of parts.entries()) {
    const outY = y.parts[i]!;
    for (let k = 0; k < lines; k++) {
      const [a, b] = [outX[2 * k]!, outX[2 * k + 1]!];
      const [c, d] = [outY[2 * k]!, outY[2 * k + 1]!];
      xx[k]! += a * a + b * b;
      yy[k]! += c * c + d * d;
      re[k]! += a * c + b * d;
      im[k]! += a * d - b * c;
    }
  }
  const scale = 2 / (rateHz * energy * parts.length);
  return {
    stepHz: rateHz / segment,
    xx: xx.map((value) => scale * value),
    yy: yy.map((value) => scale * value),
    crossSquared: re.map((value, k) => scale * scale * (value * value + im[k]! * im[k]!)),
  };
}
