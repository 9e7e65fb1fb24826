import { standardDeviation } from '../numeric/moments';
import { median } from '../numeric/order';
import { smoothQuadratic } from '../numeric/savitzkyGolay';
import type { Stroke } from './ends';

const WINDOW_S = 0.051;
const LEAST_WINDOW = 7;
const FEWEST_BINS = 10;
const MOST_BINS = 50;
const LEAST_PER_BIN = 8;
const ROUGH_RATIO = 4;
const ROUGH_QUANTA = 3;
/** A sweep that crosses the span faster than this, one way, is refused. */
export const FASTEST_CROSSING_S = 0.5;
/** Share of span at both ends that is stop, not track; a smoothing window that touches it is left out. */
const STOP_ZONE = 0.01;
const CROSS_FROM = 0.1;
const CROSS_TO = 0.9;

/** A stretch of worn track, in travel 0…1. */
export interface RoughSpot {
  from: number;
  to: number;
  /** Residual σ there as a multiple of the median bin's. */
  ratio: number;
}

export interface Roughness {
  spots: RoughSpot[];
  /** Strokes too fast to judge. */
  refused: number;
}

/** Fitted positions and residuals, side by side: a pair of objects per sample costs more than the fit. */
interface Residuals {
  positions: number[];
  residuals: number[];
}

/**
 * Worn track: residual of each sweep against a Savitzky–Golay fit (order 2, 51 ms, at least 7 samples), binned
 * by fitted position. A bin is rough where its residual σ exceeds 4 × the median bin's and 3 quanta.
 * @param travel raw travel with spikes and dropouts replaced; `replaced` keeps them out of the residual
 * @param quantum in travel
 */
export function findRoughSpots(
  t: Float64Array,
  travel: Float64Array,
  replaced: Uint8Array,
  strokes: Stroke[],
  rateHz: number,
  quantum: number | null,
): Roughness {
  const half = Math.max(LEAST_WINDOW >> 1, Math.round((WINDOW_S * rateHz - 1) / 2));
  const slow = strokes.filter((s) => crossingTime(t, travel, s) >= FASTEST_CROSSING_S);
  const found: Residuals = { positions: [], residuals: [] };
  for (const stroke of slow) addResiduals(found, travel, replaced, stroke, half);
  return { spots: roughBins(found, quantum ?? 0), refused: strokes.length - slow.length };
}

/** Shortest one-way crossing of the whole span, scaled up from the 10 % to 90 % part, in s. */
function crossingTime(t: Float64Array, travel: Float64Array, stroke: Stroke): number {
  let enteredAt = t[stroke.from]!;
  let side: 'low' | 'high' | null = null;
  let shortest = Infinity;
  for (let i = stroke.from; i < stroke.to; i++) {
    const x = travel[i]!;
    const now = x <= CROSS_FROM ? 'low' : x >= CROSS_TO ? 'high' : null;
    if (now === null) continue;
    if (side !== null && now !== side) shortest = Math.min(shortest, t[i]! - enteredAt);
    side = now;
    enteredAt = t[i]!;
  }
  return shortest / (CROSS_TO - CROSS_FROM);
}

function addResiduals(
  found: Residuals,
  travel: Float64Array,
  replaced: Uint8Array,
  stroke: Stroke,
  half: number,
): void {
  const part = travel.subarray(stroke.from, stroke.to);
  const fit = smoothQuadratic(part, 2 * half + 1);
  const low = fit.reduce((a, b) => Math.min(a, b), Infinity);
  const high = fit.reduce((a, b) => Math.max(a, b), -Infinity);
  const margin = STOP_ZONE * (high - low);
  const atStop = (i: number) => fit[i]! < low + margin || fit[i]! > high - margin;
  let lastStop = -1;
  let nextStop = 0;
  for (let i = half; i < part.length - half; i++) {
    for (; nextStop <= i + half && nextStop < part.length; nextStop++)
      if (atStop(nextStop)) lastStop = nextStop;
    if (lastStop >= i - half || replaced[stroke.from + i]) continue;
    found.positions.push(fit[i]!);
    found.residuals.push(part[i]! - fit[i]!);
  }
}

function roughBins({ positions, residuals }: Residuals, quantum: number): RoughSpot[] {
  const count = Math.min(MOST_BINS, Math.floor(residuals.length / (2 * LEAST_PER_BIN)));
  if (count < FEWEST_BINS) return [];
  const bins: number[][] = Array.from({ length: count }, () => []);
  positions.forEach((position, i) => {
    bins[Math.min(count - 1, Math.max(0, Math.floor(position * count)))]!.push(residuals[i]!);
  });
  const sigmas = bins.map((bin) => (bin.length >= LEAST_PER_BIN ? standardDeviation(bin) : null));
  const judged = sigmas.filter((s) => s !== null);
  if (judged.length < FEWEST_BINS) return [];
  const typical = median(judged);
  const spots: RoughSpot[] = [];
  sigmas.forEach((sigma, k) => {
    if (sigma === null || sigma <= ROUGH_RATIO * typical || sigma <= ROUGH_QUANTA * quantum) return;
    const ratio = typical > 0 ? sigma / typical : ROUGH_RATIO;
    const last = spots.at(-1);
    if (last && last.to === k / count) {
      last.to = (k + 1) / count;
      last.ratio = Math.max(last.ratio, ratio);
    } else spots.push({ from: k / count, to: (k + 1) / count, ratio });
  });
  return spots;
}

/** The smaller of the two plasters for a spot: a dead zone up to its end, or a range cut at its start. */
export function hidingCut(spot: RoughSpot): { deadzone: number } | { saturation: number } {
  return spot.to <= 1 - spot.from ? { deadzone: spot.to } : { saturation: spot.from };
}
