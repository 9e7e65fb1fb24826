import { chanceOfReaching, studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import { median } from '../numeric/order';
import type { PhaseRun } from './recording';

/** Fewer full sweeps say nothing about how well the end repeats. */
export const LEAST_SWEEPS = 3;
const END_BAND = 0.01;
const END_SIGMAS = 2;
const END_CONFIDENCE = 0.95;
/** The calibrated end moves inward from the mean of the repeats by no more than this share of span. */
const MOST_INWARD = 0.03;
/** A stroke that covers less than this share of the widest one was broken off. */
const FULL_STROKE = 0.5;
const STROKE_UP = 0.9;
const STROKE_DOWN = 0.1;

export interface Stroke {
  from: number;
  to: number;
  /** Released and pressed end of this stroke, counts: medians within 1 % of its span of its extremes. */
  low: number;
  high: number;
  full: boolean;
}

/**
 * The strokes of an axis, released to pressed and back, one or more in each `sweep` run.
 * @param values counts that rise with pressing, spikes taken out
 */
export function findStrokes(values: Float64Array, sweeps: PhaseRun[]): Stroke[] {
  const strokes = sweeps
    .flatMap((run) => splitStrokes(values, run))
    .map(({ from, to }) => {
      const part = values.subarray(from, to);
      const low = part.reduce((a, b) => Math.min(a, b), Infinity);
      const high = part.reduce((a, b) => Math.max(a, b), -Infinity);
      const band = END_BAND * (high - low);
      return {
        from,
        to,
        low: median(part.filter((v) => v <= low + band)),
        high: median(part.filter((v) => v >= high - band)),
        full: false,
      };
    });
  const widest = Math.max(0, ...strokes.map((s) => s.high - s.low));
  for (const stroke of strokes) stroke.full = stroke.high - stroke.low >= FULL_STROKE * widest && widest > 0;
  return strokes;
}

/** Cuts a run that goes up and down several times in the middle of each stay below 10 %. */
function splitStrokes(values: Float64Array, run: PhaseRun): { from: number; to: number }[] {
  let low = Infinity;
  let high = -Infinity;
  for (let i = run.from; i < run.to; i++) {
    low = Math.min(low, values[i]!);
    high = Math.max(high, values[i]!);
  }
  const up = low + STROKE_UP * (high - low);
  const down = low + STROKE_DOWN * (high - low);
  const cuts = [run.from];
  let wasUp = false;
  let lowSince: number | null = null;
  for (let i = run.from; i < run.to; i++) {
    if (wasUp && values[i]! < down) lowSince ??= i;
    if (lowSince !== null && values[i]! >= down && values[i]! > up) {
      cuts.push((lowSince + lastBelow(values, down, i)) >> 1);
      lowSince = null;
    }
    if (values[i]! > up) wasUp = true;
  }
  return cuts.map((from, k) => ({ from, to: cuts[k + 1] ?? run.to }));
}

function lastBelow(values: Float64Array, level: number, before: number): number {
  let i = before;
  while (i > 0 && values[i]! >= level) i--;
  return i;
}

export interface CalibratedEnds {
  low: number;
  high: number;
  /** Chance that a new full press reaches `high`, and that a new release reaches `low`. */
  highReached: number;
  lowReached: number;
}

/**
 * Calibrated ends from at least 3 full strokes:
 * high = min(least repeat − 2σ, mean − t₀.₉₅,ₙ₋₁·s·√(1 + 1/n)), moved inward by at most 3 % of span from
 * the mean of the repeats; the low end is its mirror.
 * @param sigma noise in counts
 */
export function calibrateEnds(strokes: Stroke[], sigma: number): CalibratedEnds {
  const highs = strokes.map((s) => s.high);
  const lows = strokes.map((s) => -s.low);
  const span = mean(highs) + mean(lows);
  const high = inwardEnd(highs, sigma, span);
  const low = inwardEnd(lows, sigma, span);
  return { low: -low.end, high: high.end, highReached: high.chance, lowReached: low.chance };
}

function inwardEnd(repeats: number[], sigma: number, span: number): { end: number; chance: number } {
  const n = repeats.length;
  const centre = mean(repeats);
  const sd = standardDeviation(repeats);
  const predicted = centre - studentQuantile(END_CONFIDENCE, n - 1) * sd * Math.sqrt(1 + 1 / n);
  const wanted = Math.min(Math.min(...repeats) - END_SIGMAS * sigma, predicted);
  const end = Math.max(wanted, centre - MOST_INWARD * span);
  return { end, chance: chanceOfReaching(end, centre, sd, n) };
}
