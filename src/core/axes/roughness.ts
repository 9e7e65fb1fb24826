import { mean, standardDeviation } from '../numeric/moments';
import { median, robustSigma } from '../numeric/order';
import { theilSenSlope } from '../numeric/trend';
import { localQuadratic } from '../numeric/localQuadratic';
import type { Stroke } from './ends';

/** A wider window than the last of these follows the foot no more: polled that slowly, wear is not judged. */
const WINDOW = { width: 0.051, least: 7, widest: 0.15 };
/** Less than this share of the moving samples judged is no judgement. */
const LEAST_JUDGED = 0.5;
const FEWEST_BINS = 10;
const MOST_BINS = 50;
const LEAST_PER_BIN = 8;
const ROUGH_RATIO = 3.5;
const ROUGH_QUANTA = 3;
/** A crossing shows a place again where its residuals there exceed this many times the usual. */
const AGAIN_RATIO = 2;
const FEWEST_TIMES = 2;
/** Slower than this share of the usual speed is waiting. */
const WAITING = 0.2;
/** Samples are ranked by speed into so many classes to see what speed adds. */
const SPEED_CLASSES = 8;
/** σ of what rounding to steps of 1 adds. */
const ROUNDING = 1 / Math.sqrt(12);
const TINY = 1e-18;
/** A sweep that crosses the span faster than this, one way, is refused. */
const FASTEST_CROSSING_S = 0.5;
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
  /** False where the readings come too slowly or too few for a word on wear. */
  isJudged: boolean;
}

/** What each sample in motion says of the track under it, side by side: an object per sample costs more than the fit. */
interface Passed {
  positions: number[];
  residuals: number[];
  /** Travel per second there. */
  speeds: number[];
  /** Which way across, of which stroke. */
  crossings: number[];
}

/**
 * Worn track: residual of each sweep against a local parabola (51 ms, at least 7 samples, at the times that the samples
 * have), binned by fitted position. What readings that come late add grows with the speed and is measured with the
 * noise; beyond both a bin is rough where its residual σ exceeds 3.5 × the median bin's and 3 quanta, in half of the
 * crossings at least: a worn place is rough each time.
 * @param travel raw travel with spikes and dropouts replaced; `replaced` keeps them out of the residual
 * @param quantum in travel
 */
export function findRoughSpots(
  t: Float64Array,
  travel: Float64Array,
  replaced: Uint8Array,
  strokes: Stroke[],
  quantum: number | null,
): Roughness {
  const slow = strokes.filter((s) => crossingTime(t, travel, s) >= FASTEST_CROSSING_S);
  const passed: Passed = { positions: [], residuals: [], speeds: [], crossings: [] };
  let moving = 0;
  slow.forEach((stroke, k) => (moving += addPassed(passed, t, travel, replaced, stroke, k)));
  const spots = roughBins(inMotion(passed), quantum ?? 0);
  return {
    spots: spots ?? [],
    refused: strokes.length - slow.length,
    isJudged: spots !== null && passed.residuals.length >= LEAST_JUDGED * moving,
  };
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

/** Adds what a stroke says. @returns samples that were off the stops, judged or not */
function addPassed(
  passed: Passed,
  t: Float64Array,
  travel: Float64Array,
  replaced: Uint8Array,
  stroke: Stroke,
  number: number,
): number {
  const part = travel.subarray(stroke.from, stroke.to);
  const fit = localQuadratic(t.subarray(stroke.from, stroke.to), part, WINDOW);
  const low = part.reduce((a, b) => Math.min(a, b), Infinity);
  const high = part.reduce((a, b) => Math.max(a, b), -Infinity);
  const margin = STOP_ZONE * (high - low);
  // How many samples at a stop there are before each one: whether a window touches a stop takes two looks.
  const stops = new Int32Array(part.length + 1);
  part.forEach((x, i) => (stops[i + 1] = stops[i]! + (x < low + margin || x > high - margin ? 1 : 0)));
  let moving = 0;
  for (let i = 0; i < part.length; i++) {
    if (stops[i + 1] !== stops[i]) continue;
    moving++;
    if (Number.isNaN(fit.value[i]) || replaced[stroke.from + i]) continue;
    if (stops[fit.to[i]! + 1] !== stops[fit.from[i]!]) continue;
    passed.positions.push(fit.value[i]!);
    passed.residuals.push(part[i]! - fit.value[i]!);
    passed.speeds.push(Math.abs(fit.slope[i]!));
    passed.crossings.push(2 * number + (fit.slope[i]! > 0 ? 1 : 0));
  }
  return moving;
}

/** Without what was as good as standing there: a hand that waits says nothing of the track, only of itself. */
function inMotion({ positions, residuals, speeds, crossings }: Passed): Passed {
  const least = speeds.length > 0 ? WAITING * median(speeds) : 0;
  const moves = (_: number, i: number) => speeds[i]! >= least;
  return {
    positions: positions.filter(moves),
    residuals: residuals.filter(moves),
    speeds: speeds.filter(moves),
    crossings: crossings.filter(moves),
  };
}

/** @returns null where too little is there to judge */
function roughBins(passed: Passed, quantum: number): RoughSpot[] | null {
  const { positions, residuals, crossings } = passed;
  const count = Math.min(MOST_BINS, Math.floor(residuals.length / (2 * LEAST_PER_BIN)));
  if (count < FEWEST_BINS) return null;
  const clean = atOneScale(passed, quantum);
  const bins: number[][] = Array.from({ length: count }, () => []);
  positions.forEach((position, i) => {
    bins[Math.min(count - 1, Math.max(0, Math.floor(position * count)))]!.push(i);
  });
  const sigmas = bins.map((bin) =>
    bin.length >= LEAST_PER_BIN ? standardDeviation(bin.map((i) => clean[i]!)) : null,
  );
  const judged = sigmas.filter((s) => s !== null);
  if (judged.length < FEWEST_BINS) return null;
  const typical = median(judged);
  const spots: RoughSpot[] = [];
  sigmas.forEach((sigma, k) => {
    if (sigma === null || sigma <= ROUGH_RATIO * typical) return;
    if (standardDeviation(bins[k]!.map((i) => residuals[i]!)) <= ROUGH_QUANTA * quantum) return;
    if (!isRoughEachTime(bins[k]!, clean, crossings, AGAIN_RATIO * typical)) return;
    const ratio = typical > 0 ? sigma / typical : ROUGH_RATIO;
    const last = spots.at(-1);
    if (last && last.to === k / count) {
      last.to = (k + 1) / count;
      last.ratio = Math.max(last.ratio, ratio);
    } else spots.push({ from: k / count, to: (k + 1) / count, ratio });
  });
  return spots;
}
/**
 * Residuals in units of what a clean track gives at their speed. A reading that is `late` seconds old or early lies
 * `late · speed` off: σ² = σ₀² + σₜ²·v², from robust scales in classes of speed, so that no worn place enters it.
 */
function atOneScale({ residuals, speeds }: Passed, quantum: number): number[] {
  const order = speeds.map((_, i) => i).sort((a, b) => speeds[a]! - speeds[b]!);
  const squares: number[] = [];
  const scales: number[] = [];
  for (let k = 0; k < SPEED_CLASSES; k++) {
    const from = Math.floor((k * order.length) / SPEED_CLASSES);
    const part = order.slice(from, Math.floor(((k + 1) * order.length) / SPEED_CLASSES));
    squares.push(mean(part.map((i) => speeds[i]! ** 2)));
    scales.push(robustSigma(part.map((i) => residuals[i]!)) ** 2);
  }
  const isUneven = new Set(squares).size > 1;
  const late = isUneven ? Math.max(0, theilSenSlope(squares, scales)) : 0;
  const still = Math.max(
    (ROUNDING * quantum) ** 2,
    median(scales.map((s, k) => s - late * squares[k]!)),
    TINY,
  );
  return residuals.map((r, i) => r / Math.sqrt(still + late * speeds[i]! ** 2));
}

/** Whether half of the crossings of a place, and two at least, show it. */
function isRoughEachTime(bin: number[], clean: number[], crossings: number[], above: number): boolean {
  const of = new Map<number, { n: number; squares: number }>();
  for (const i of bin) {
    const one = of.get(crossings[i]!) ?? { n: 0, squares: 0 };
    of.set(crossings[i]!, { n: one.n + 1, squares: one.squares + clean[i]! ** 2 });
  }
  const times = [...of.values()].filter(({ n, squares }) => Math.sqrt(squares / n) > above).length;
  return times >= FEWEST_TIMES && times >= of.size / 2;
}
