/** Samples to each side that a value is made of. */
const REACH = 12;
/** Places between two samples for which the kernel is worked out. */
const PLACES = 256;

/**
 * A slow signal as it would have been at a faster rate: band-limited interpolation with a windowed sinc (Smith & Gossett
 * 1984), which adds no image of itself above its own Nyquist frequency. The ends are held.
 * @param count values wanted, from the first sample on
 */
export function upsample(
  values: ArrayLike<number>,
  fromHz: number,
  toHz: number,
  count: number,
): Float64Array {
  const out = new Float64Array(count);
  const last = values.length - 1;
  if (last < 0) return out;
  const taps = 2 * REACH;
  const table = kernels();
  for (let i = 0; i < count; i++) {
    const at = (i * fromHz) / toHz;
    const base = Math.floor(at + 1e-9);
    const row = Math.min(PLACES - 1, Math.round((at - base) * PLACES)) * taps;
    let sum = 0;
    for (let k = 0; k < taps; k++) {
      const j = base - REACH + 1 + k;
      sum += table[row + k]! * values[j < 0 ? 0 : j > last ? last : j]!;
    }
    out[i] = sum;
  }
  return out;
}

let known: Float64Array | null = null;

/** One row of weights for every place; each sums to 1, so that a constant stays one. */
function kernels(): Float64Array {
  if (known) return known;
  const taps = 2 * REACH;
  const table = new Float64Array(PLACES * taps);
  for (let place = 0; place < PLACES; place++) {
    let sum = 0;
    for (let k = 0; k < taps; k++) {
      const x = k - REACH + 1 - place / PLACES;
      const sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
      const hann = Math.abs(x) >= REACH ? 0 : 0.5 + 0.5 * Math.cos((Math.PI * x) / REACH);
      table[place * taps + k] = sinc * hann;
      sum += sinc * hann;
    }
    for (let k = 0; k < taps; k++) table[place * taps + k]! /= sum;
  }
  return (known = table);
}
