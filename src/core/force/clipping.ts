import { sortedQuantile } from '../numeric/order';
import { fail, succeed, type Outcome } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { bestGains } from './bestGain';
import { clipEvents, forceSignal, type ClipKind } from './clipEvents';

interface ClipPlace {
  tS: number;
  durationS: number;
  /** Where the log says it, else `null`. */
  distanceM: number | null;
  lap: number | null;
  kind: ClipKind;
}

/** What a gain does to the biggest forces of a ride. Shares are 0…1 of the time, levels in units of full scale. */
export interface Clipping {
  clipShare: number;
  sustainedShare: number;
  events: ClipPlace[];
  p95: number;
  p99: number;
  p999: number;
  /** 20·log10(1/P99.9); `null` without any force. */
  headroomDb: number | null;
  /** Factors on the signal as logged; `null` without any force. */
  gainKeepEveryPeak: number | null;
  gainTradeBiggestHits: number | null;
  warnings: string[];
}

export interface ClippingOptions {
  /** Multiplies the signal; above 0. */
  gain: number;
  /** The title's step of its gain, above 0. */
  step: number;
}

/** A signal whose middle 98 % differ by less than this is not driven with. */
const CONSTANT = 1e-6;
/** No force at all: a share of full scale that no base could give. */
const SILENT = 1e-12;
/** Beyond this many times full scale the channel is in another unit. */
const OTHER_UNIT = 20;

/**
 * Clipping of a ride's force channel `ffb` (title signal before the clip, 1 is full scale). A sample counts for one
 * sample interval; an event lasts from its first clipped sample to the end of its last.
 */
export function analyseClipping(log: RideLog, { gain, step }: ClippingOptions): Outcome<Clipping> {
  const { t_s: t, ffb, surface, distance_m: distance, lap } = log.columns;
  if (!ffb)
    return fail({
      code: 'no-force',
      message: 'The log has no force channel: clipping, headroom and gain cannot be told.',
      place: { column: 'ffb' },
      remedy: 'Log the title’s force signal before the clip as "ffb", 1 being full scale.',
    });
  if (t.length < 2)
    return fail({
      code: 'too-short',
      message: `The log has ${t.length} row${t.length === 1 ? '' : 's'}.`,
      place: {},
      remedy: 'At least 2 are needed, a lap is better.',
    });
  const signal = forceSignal(t, ffb, surface ?? null);
  const sorted = signal.level.slice().sort();
  const found = clipEvents(signal, gain);
  const total = t.length;
  const sum = (events: typeof found) => events.reduce((all, event) => all + event.clipped, 0);
  const p999 = gain * sortedQuantile(sorted, 0.999);
  const best = bestGains(signal, sorted, step);
  return succeed({
    clipShare: sum(found) / total,
    sustainedShare: sum(found.filter(({ kind }) => kind === 'sustained')) / total,
    events: found.map(({ from, tS, durationS, kind }) => ({
      tS,
      durationS,
      distanceM: distance ? distance[from]! : null,
      lap: lap ? lap[from]! : null,
      kind,
    })),
    p95: gain * sortedQuantile(sorted, 0.95),
    p99: gain * sortedQuantile(sorted, 0.99),
    p999,
    headroomDb: p999 > SILENT ? 20 * Math.log10(1 / p999) : null,
    gainKeepEveryPeak: best.keepEveryPeak,
    gainTradeBiggestHits: best.tradeBiggestHits,
    warnings: [...signal.warnings, ...doubts(ffb, sorted)],
  });
}

function doubts(ffb: Float64Array, sorted: Float64Array): string[] {
  const signed = ffb.slice().sort();
  const spread = sortedQuantile(signed, 0.99) - sortedQuantile(signed, 0.01);
  if (sorted.at(-1) === 0) return ['The force is zero throughout: nothing can be said of a gain.'];
  if (spread < CONSTANT) return ['The force never changes: this is no ride, or not the force.'];
  if (sortedQuantile(sorted, 0.99) > OTHER_UNIT)
    return [
      `The force reaches ${sorted.at(-1)!.toPrecision(3)} times full scale: it is probably in another unit, as N·m or percent.`,
    ];
  return [];
}
