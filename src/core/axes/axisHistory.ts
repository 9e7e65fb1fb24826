import { normalQuantile } from '../numeric/distributions';
import { mannKendallZ, slopeInterval, theilSenSlope } from '../numeric/trend';
import { median } from '../numeric/order';
import type { AxisAnalysis } from './analyseAxis';
import type { RoughSpot } from './roughness';

/** One capture of an axis in its history. Shares are of the first capture's span, so that a shrinking end shows. */
interface HistoryPoint {
  atMs: number;
  /** Noise σ as a share of span. */
  noise: number;
  /** Released and pressed end (right and left lock) against the first capture's, 0 and 1 there. */
  low: number;
  high: number;
  roughSpots: RoughSpot[];
}

/** A trend over months: Theil–Sen slope per day with its 95 % interval, shown only where Mann–Kendall sees one. */
export interface AxisTrend {
  perDay: number;
  interval: [number, number];
  /** A point that the line goes through. */
  through: { atMs: number; value: number };
}

/** A trend's value at a time. */
export function trendAt({ perDay, through }: AxisTrend, atMs: number): number {
  return through.value + (perDay * (atMs - through.atMs)) / DAY_MS;
}

export interface AxisHistory {
  points: HistoryPoint[];
  noise: AxisTrend | null;
  high: AxisTrend | null;
  low: AxisTrend | null;
  /** When 3σ of the noise passes the dead zone in use, with the dates of the 95 % slopes; `null` where it never will. */
  outgrows: { atMs: number; earliestMs: number; latestMs: number | null } | null;
}

const DAY_MS = 24 * 3600 * 1000;
/** With fewer captures a trend is not spoken of. */
export const LEAST_FOR_TREND = 5;
/** Two-sided 5 % of the standard normal. */
const SHOWN_Z = 1.96;
const Z95 = normalQuantile(0.975);
/** Noise reaches this many σ now and then; the dead zone has to hide it. */
export const NOISE_REACH_SIGMAS = 3;
/** A forecast further off than this says nothing. */
const FURTHEST_DAYS = 5 * 365;

/**
 * Follows noise, ends and rough spots of one axis over its captures.
 * @param captures in time order; those that are not amounts (a shifter's) have no history
 * @param deadzone inner dead zone in use, in travel
 */
export function axisHistory(
  captures: readonly { atMs: number; analysis: AxisAnalysis }[],
  deadzone: number,
): AxisHistory {
  const points = historyPoints(captures);
  const noise = trendOf(points, (p) => p.noise);
  return {
    points,
    noise,
    high: trendOf(points, (p) => p.high),
    low: trendOf(points, (p) => p.low),
    outgrows: noise && points.length > 0 ? crossing(points, noise, deadzone / NOISE_REACH_SIGMAS) : null,
  };
}

function historyPoints(captures: readonly { atMs: number; analysis: AxisAnalysis }[]): HistoryPoint[] {
  const first = captures[0]?.analysis;
  if (!first || first.axis === 'gear') return [];
  const [from, to] = ends(first);
  const share = (raw: number) => (raw - from) / (to - from);
  return captures.flatMap(({ atMs, analysis }) => {
    if (analysis.axis === 'gear') return [];
    const [low, high] = ends(analysis);
    const noise = analysis.noise / Math.abs(high - low);
    return [{ atMs, noise, low: share(low), high: share(high), roughSpots: analysis.roughSpots }];
  });
}

/** Released and pressed end, whichever way the axis reads. */
function ends(analysis: Exclude<AxisAnalysis, { axis: 'gear' }>): [number, number] {
  return analysis.inverted ? [analysis.max, analysis.min] : [analysis.min, analysis.max];
}

function trendOf(points: HistoryPoint[], read: (point: HistoryPoint) => number): AxisTrend | null {
  if (points.length < LEAST_FOR_TREND) return null;
  const days = points.map((p) => p.atMs / DAY_MS);
  const values = points.map(read);
  if (days.at(-1) === days[0] || Math.abs(mannKendallZ(values)) < SHOWN_Z) return null;
  const perDay = theilSenSlope(days, values);
  const middleDay = median(days);
  const middle = median(values.map((v, i) => v - perDay * (days[i]! - middleDay)));
  return {
    perDay,
    interval: slopeInterval(days, values, Z95),
    through: { atMs: middleDay * DAY_MS, value: middle },
  };
}

/** When the line (and the lines of its extreme slopes, through the newest point of the fit) reach a level. */
function crossing(points: HistoryPoint[], trend: AxisTrend, level: number): AxisHistory['outgrows'] {
  const newest = points.at(-1)!.atMs;
  const now = trendAt(trend, newest);
  const reach = (perDay: number) => {
    if (now >= level) return newest;
    const days = (level - now) / perDay;
    return perDay > 0 && days <= FURTHEST_DAYS ? newest + days * DAY_MS : null;
  };
  const atMs = reach(trend.perDay);
  if (atMs === null) return null;
  return { atMs, earliestMs: reach(trend.interval[1]) ?? atMs, latestMs: reach(trend.interval[0]) };
}
