/**
 * Second-order sections, normalised to a0 = 1: y = b0·x + b1·x₁ + b2·x₂ − a1·y₁ − a2·y₂.
 * Designs by bilinear transform with the corner prewarped (Oppenheim & Schafer, Discrete-Time Signal Processing, 7.1).
 */
export interface Biquad {
  b0: number;
  b1: number;
  b2: number;
  a1: number;
  a2: number;
}

/** A filter of second order without ripple has this quality (Butterworth). */
const BUTTERWORTH_Q = Math.SQRT1_2;

function checkCorner(cornerHz: number, rateHz: number) {
  if (!(cornerHz > 0 && cornerHz < rateHz / 2))
    throw new RangeError(`a corner of ${cornerHz} Hz needs more than ${2 * cornerHz} samples a second`);
}

/** Low-pass: −3 dB at the corner where the quality is Butterworth's. */
export function lowPass(cornerHz: number, rateHz: number, q = BUTTERWORTH_Q): Biquad {
  checkCorner(cornerHz, rateHz);
  const k = Math.tan((Math.PI * cornerHz) / rateHz);
  const norm = 1 / (1 + k / q + k * k);
  const b0 = k * k * norm;
  return { b0, b1: 2 * b0, b2: b0, a1: 2 * (k * k - 1) * norm, a2: (1 - k / q + k * k) * norm };
}

/** Peaking equaliser: `gain` (a factor) at the middle frequency, 1 far from it; a cut mirrors its boost. */
export function peaking(middleHz: number, rateHz: number, q: number, gain: number): Biquad {
  checkCorner(middleHz, rateHz);
  if (!(gain > 0)) throw new RangeError('the gain of a band is a factor above 0');
  const k = Math.tan((Math.PI * middleHz) / rateHz);
  const [up, down] = gain >= 1 ? [gain, 1] : [1, 1 / gain];
  const norm = 1 / (1 + (down * k) / q + k * k);
  const a1 = 2 * (k * k - 1) * norm;
  return {
    b0: (1 + (up * k) / q + k * k) * norm,
    b1: a1,
    b2: (1 - (up * k) / q + k * k) * norm,
    a1,
    a2: (1 - (down * k) / q + k * k) * norm,
  };
}

/** |H| at a frequency. */
export function magnitude({ b0, b1, b2, a1, a2 }: Biquad, hz: number, rateHz: number): number {
  const w = (2 * Math.PI * hz) / rateHz;
  const at = (c0: number, c1: number, c2: number) =>
    Math.hypot(c0 + c1 * Math.cos(w) + c2 * Math.cos(2 * w), c1 * Math.sin(w) + c2 * Math.sin(2 * w));
  return at(b0, b1, b2) / at(1, a1, a2);
}

/** A running section; `settle` puts it at rest on a level, as if that had been the input forever. */
export interface Section {
  next(x: number): number;
  settle(level: number): void;
}

export function section({ b0, b1, b2, a1, a2 }: Biquad): Section {
  // Transposed direct form II: two states, well behaved where the corner lies low. In an array: variables of a closure would
  // be put on the heap anew with every sample.
  const s = new Float64Array(2);
  const dc = (b0 + b1 + b2) / (1 + a1 + a2);
  return {
    next(x) {
      const y = b0 * x + s[0]!;
      s[0] = b1 * x - a1 * y + s[1]!;
      s[1] = b2 * x - a2 * y;
      return y;
    },
    settle(level) {
      const y = dc * level;
      s[1] = b2 * level - a2 * y;
      s[0] = b1 * level - a1 * y + s[1];
    },
  };
}

/**
 * Forward and backward through a section: no phase, twice the attenuation in dB. Each pass starts at rest on its first
 * value, and the ends are extended by reflection so that the start does not ring (Gustafsson 1996 in spirit).
 * @param settleSamples length of the reflected ends
 */
export function zeroPhase(values: ArrayLike<number>, biquad: Biquad, settleSamples: number): Float64Array {
  const n = values.length;
  if (n === 0) return new Float64Array();
  const pad = Math.min(n - 1, Math.max(0, Math.round(settleSamples)));
  const work = new Float64Array(n + 2 * pad);
  for (let i = 0; i < n; i++) work[pad + i] = values[i]!;
  for (let i = 1; i <= pad; i++) {
    work[pad - i] = values[i]!;
    work[pad + n - 1 + i] = values[n - 1 - i]!;
  }
  const forward = section(biquad);
  forward.settle(work[0]!);
  for (let i = 0; i < work.length; i++) work[i] = forward.next(work[i]!);
  const backward = section(biquad);
  backward.settle(work[work.length - 1]!);
  for (let i = work.length - 1; i >= 0; i--) work[i] = backward.next(work[i]!);
  return work.slice(pad, pad + n);
}
