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

/**
 * Welch's averaged periodograms with a Hann window and half overlap (Welch 1967); every segment loses its own mean.
 * @param x, y of equal length, at least one segment; @param segment a power of two
 */
export function crossSpectra(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  rateHz: number,
  segment: number,
): CrossSpectra {
  if (x.length !== y.length) throw new RangeError('two signals of unequal length have no cross spectrum');
  if (x.length < segment) throw new RangeError(`${x.length} samples are less than one segment of ${segment}`);
  const fft = new FFT(segment);
  const window = Float64Array.from(
    { length: segment },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / segment),
  );
  const energy = window.reduce((sum, w) => sum + w * w, 0);
  const lines = segment / 2 + 1;
  const [xx, yy, re, im] = Array.from({ length: 4 }, () => new Float64Array(lines)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const [outX, outY] = [fft.createComplexArray(), fft.createComplexArray()];
  const part = new Float64Array(segment);
  const transform = (values: ArrayLike<number>, from: number, out: number[]) => {
    let mean = 0;
    for (let i = 0; i < segment; i++) mean += values[from + i]! / segment;
    for (let i = 0; i < segment; i++) part[i] = window[i]! * (values[from + i]! - mean);
    fft.realTransform(out, part);
  };
  let count = 0;
  for (let from = 0; from + segment <= x.length; from += segment / 2, count++) {
    transform(x, from, outX);
    transform(y, from, outY);
    for (let k = 0; k < lines; k++) {
      const [a, b] = [outX[2 * k]!, outX[2 * k + 1]!];
      const [c, d] = [outY[2 * k]!, outY[2 * k + 1]!];
      xx[k]! += a * a + b * b;
      yy[k]! += c * c + d * d;
      re[k]! += a * c + b * d;
      im[k]! += a * d - b * c;
    }
  }
  const scale = 2 / (rateHz * energy * count);
  return {
    stepHz: rateHz / segment,
    xx: xx.map((value) => scale * value),
    yy: yy.map((value) => scale * value),
    crossSquared: re.map((value, k) => scale * scale * (value * value + im[k]! * im[k]!)),
  };
}
