import { lowPass, zeroPhase } from '../numeric/biquad';
import { median } from '../numeric/order';
import { SURFACES } from '../rides/rideLog';

/** Gaps shorter than this lie within one event. */
const JOIN_S = 0.02;
const SUSTAINED_S = 0.15;
const SUSTAINED_HZ = 8;
const SUSTAINED_LEVEL = 0.95;
const SUSTAINED_SHARE = 0.6;
const IMPACT_S = 0.08;
/** Where a log is uneven by more than this share of its interval, the slow part is found on an even copy. */
const UNEVEN = 0.1;
/** Differences of times carry rounding. */
const EPS_S = 1e-9;
const SETTLE_S = 0.25;

export type ClipKind = 'sustained' | 'impact' | 'short';

export interface ClipEvent {
  /** Rows of the log: first clipped, and one past the last clipped. */
  from: number;
  to: number;
  tS: number;
  durationS: number;
  kind: ClipKind;
  /** Clipped samples within it; joined gaps hold none. */
  clipped: number;
}

/** A force signal, ready to be asked for many gains. */
export interface ForceSignal {
  t: Float64Array;
  /** |Σ| before gain and clip. */
  level: Float64Array;
  /** |Σ|, 8 Hz zero-phase low-passed; the level itself where the log is too slow for that. */
  slow: Float64Array;
  /** Numbers of {@link SURFACES}, where the log has them. */
  surface: Float64Array | null;
  /** Median interval, s. */
  intervalS: number;
  warnings: string[];
}

/** Takes a force channel apart once. Lengths must agree; at least 2 rows. */
export function forceSignal(t: Float64Array, ffb: Float64Array, surface: Float64Array | null): ForceSignal {
  const warnings: string[] = [];
  const level = ffb.map(Math.abs);
  const intervalS = median(Float64Array.from({ length: t.length - 1 }, (_, i) => t[i + 1]! - t[i]!));
  const rateHz = 1 / intervalS;
  let slow: Float64Array = level;
  if (rateHz > 2 * SUSTAINED_HZ * 1.01) slow = slowPart(t, level, intervalS, warnings);
  else
    warnings.push(
      `At ${rateHz.toFixed(1)} rows a second the slow part of the force cannot be told apart: kinds of clipping are rough.`,
    );
  if (!surface) warnings.push('The log does not say what surface is driven on: nothing counts as a kerb.');
  return { t, level, slow, surface, intervalS, warnings };
}

function slowPart(t: Float64Array, level: Float64Array, intervalS: number, warnings: string[]): Float64Array {
  const filter = lowPass(SUSTAINED_HZ, 1 / intervalS);
  const settle = SETTLE_S / intervalS;
  let isEven = true;
  for (let i = 1; i < t.length && isEven; i++)
    isEven = Math.abs(t[i]! - t[i - 1]! - intervalS) <= UNEVEN * intervalS;
  if (isEven) return zeroPhase(level, filter, settle);
  warnings.push('Rows come at uneven times: the slow part of the force was found on an even copy.');
  const start = t[0]!;
  const count = Math.floor((t.at(-1)! - start) / intervalS) + 1;
  if (count > MOST_UNEVEN_GROWTH * t.length) return level;
  const even = zeroPhase(interpolate(t, level, start, intervalS, count), filter, settle);
  return Float64Array.from(t, (at) => even[Math.min(count - 1, Math.round((at - start) / intervalS))]!);
}

/** A log with holes a hundred times its length is not filled up. */
const MOST_UNEVEN_GROWTH = 100;

function interpolate(t: Float64Array, values: Float64Array, start: number, dt: number, count: number) {
  let i = 0;
  return Float64Array.from({ length: count }, (_, k) => {
    const at = start + k * dt;
    while (i < t.length - 2 && t[i + 1]! <= at) i++;
    const span = t[i + 1]! - t[i]!;
    const share = span > 0 ? Math.min(1, Math.max(0, (at - t[i]!) / span)) : 0;
    return values[i]! + share * (values[i + 1]! - values[i]!);
  });
}

/**
 * Where gain·|Σ| reaches 1: clipped runs, joined over gaps under 20 ms, in order.
 * @param rows rows that may be clipped at this gain, rising; all of them where it is left out
 */
export function clipEvents(signal: ForceSignal, gain: number, rows?: Int32Array): ClipEvent[] {
  const { t, level, intervalS } = signal;
  const events: ClipEvent[] = [];
  const count = rows ? rows.length : level.length;
  let from = -1;
  let last = -1;
  let clipped = 0;
  const close = () => {
    if (from < 0) return;
    const durationS = t[last]! - t[from]! + intervalS;
    const kind = kindOf(signal, gain, from, last + 1, durationS);
    events.push({ from, to: last + 1, tS: t[from]!, durationS, kind, clipped });
  };
  for (let k = 0; k < count; k++) {
    const i = rows ? rows[k]! : k;
    if (gain * level[i]! < 1) continue;
    if (from >= 0 && t[i]! - t[last]! - intervalS >= JOIN_S - EPS_S) {
      close();
      from = -1;
    }
    if (from < 0) {
      from = i;
      clipped = 0;
    }
    last = i;
    clipped++;
  }
  close();
  return events;
}

const isHit = (surface: number) => SURFACES[surface] === 'kerb' || SURFACES[surface] === 'bump';

function kindOf(
  { slow, surface }: ForceSignal,
  gain: number,
  from: number,
  to: number,
  durationS: number,
): ClipKind {
  let held = 0;
  let hit = 0;
  for (let i = from; i < to; i++) {
    if (gain * slow[i]! >= SUSTAINED_LEVEL) held++;
    if (surface && isHit(surface[i]!)) hit++;
  }
  const rows = to - from;
  if (durationS > SUSTAINED_S + EPS_S && held >= SUSTAINED_SHARE * rows) return 'sustained';
  return durationS <= IMPACT_S + EPS_S || hit > rows / 2 ? 'impact' : 'short';
}
