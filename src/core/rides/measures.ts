import { mean, standardDeviation } from '../numeric/moments';
import { counterSteers } from './counterSteers';
import { besideLine } from './lapLine';
import { reversals } from './reversals';
import { SURFACES, type RideColumn, type RideLog } from './rideLog';
import type { RideSignals } from './rideSignals';
import { throttleSmoothness } from './throttleSmoothness';

/** One lap of a ride as a measure sees it: samples `from` (included) to `to` (excluded). */
interface DrivenLap {
  log: RideLog;
  from: number;
  to: number;
  /** `null` where the lap was not driven from line to line. */
  timeS: number | null;
  /** Greatest brake of the whole ride. */
  greatestBrake: number;
  signals: RideSignals;
}

/** A driving measure: what it says of a lap, and how it is called, written and shown. */
interface Measure {
  label: string;
  /** What its mean over the counted laps says, after the figure. */
  meaning: string;
  unit: 's' | 'travel' | 'share' | '°' | 'm' | '1/s' | 'per minute' | 'per lap';
  /** Decimals; travel and shares in percent. */
  digits: number;
  /** Its place where all are shown; the order of the table is that of files. */
  rank: number;
  needs: readonly RideColumn[];
  /** Laps off the road count for it too: it is what they are about. */
  isOfTheRoad?: true;
  /** `null` where the log lacks what is needed. */
  of(lap: DrivenLap): number | null;
}

const FULL_THROTTLE = 0.99;
const DRAGGING = 0.01;
const SHOWS_FULL = 0.995;
/** Hysteresis that splits presses, and the part of the ride's greatest brake that makes a press a full one. */
const PRESS_STARTS = 0.1;
const PRESS_ENDS = 0.05;
const FULL_PRESS = 0.9;
/** What a hand and a foot turn round by at least, in degrees and of the travel. */
const STEERING_GAP_DEG = 2;
const THROTTLE_GAP = 0.05;
const OFF_TRACK = SURFACES.indexOf('offtrack');

/** All measures. A new one is an entry here. */
const TABLE = {
  lapTimeS: {
    label: 'Lap time',
    meaning: 'mean of the counted laps',
    unit: 's',
    digits: 2,
    rank: 0,
    needs: [],
    of: ({ timeS }) => timeS,
  },
  brakePeak: {
    label: 'Brake peak',
    meaning: 'greatest brake of a lap, mean',
    unit: 'travel',
    digits: 0,
    rank: 3,
    needs: ['brake'],
    of: ({ log, from, to }) =>
      log.columns.brake?.subarray(from, to).reduce((a, b) => Math.max(a, b), 0) ?? null,
  },
  brakeSpread: {
    label: 'Spread of full presses',
    meaning: 'spread (σ) of the full presses',
    unit: 'travel',
    digits: 1,
    rank: 4,
    needs: ['brake'],
    of: (lap) => {
      const full = fullPresses(lap);
      return full.length > 1 ? standardDeviation(full) : null;
    },
  },
  brakeDrag: {
    label: 'Brake drag',
    meaning: 'of full throttle with the brake over 1 %',
    unit: 'share',
    digits: 0,
    rank: 1,
    needs: ['brake', 'throttle'],
    of: dragShare,
  },
  brakeReach: {
    label: 'Brake reach',
    meaning: 'of full presses show 100 %',
    unit: 'share',
    digits: 0,
    rank: 2,
    needs: ['brake'],
    of: (lap) => {
      const full = fullPresses(lap);
      return full.length > 0 ? mean(full.map((peak) => (peak >= SHOWS_FULL ? 1 : 0))) : null;
    },
  },
  steeringReversals: {
    label: 'Steering reversals',
    meaning: 'of the steering by 2° or more (slower than 0.6 Hz)',
    unit: 'per minute',
    digits: 1,
    rank: 5,
    needs: ['steer_deg'],
    of: ({ signals, from, to, log }) => {
      const slow = signals.slowSteering();
      return slow && perMinute(reversals(slow.subarray(from, to), STEERING_GAP_DEG), log, from, to);
    },
  },
  steeringTwitch: {
    label: 'Twitch',
    meaning: 'of steering faster than 2 Hz (RMS)',
    unit: '°',
    digits: 2,
    rank: 6,
    needs: ['steer_deg'],
    of: ({ signals, from, to }) => {
      const fast = signals.fastSteering()?.subarray(from, to);
      return fast ? Math.sqrt(mean(fast.map((v) => v * v))) : null;
    },
  },
  throttleReversals: {
    label: 'Throttle reversals',
    meaning: 'of the throttle by 5 % or more',
    unit: 'per minute',
    digits: 1,
    rank: 9,
    needs: ['throttle'],
    of: ({ log, from, to }) => {
      const throttle = log.columns.throttle?.subarray(from, to);
      return throttle ? perMinute(reversals(throttle, THROTTLE_GAP), log, from, to) : null;
    },
  },
  throttleRate: {
    label: 'Throttle rate',
    meaning: 'rate of the throttle (RMS): less is smoother',
    unit: '1/s',
    digits: 2,
    rank: 10,
    needs: ['throttle'],
    of: ({ log, from, to }) =>
      throttleSmoothness({
        columns: {
          t_s: log.columns.t_s.subarray(from, to),
          ...(log.columns.throttle ? { throttle: log.columns.throttle.subarray(from, to) } : {}),
        },
        notes: {},
      }),
  },
  counterSteers: {
    label: 'Counter-steers',
    meaning: 'the hand caught a sliding rear (4° of slip)',
    unit: 'per lap',
    digits: 1,
    rank: 7,
    needs: ['steer_deg', 'yaw_radps', 'slip_rear_rad'],
    of: ({ log, from, to }) => counterSteers(log, { from, to })?.count ?? null,
  },
  catchTimeS: {
    label: 'Catch time',
    meaning: 'from the hand across to a rear that holds, mean',
    unit: 's',
    digits: 2,
    rank: 8,
    needs: ['steer_deg', 'yaw_radps', 'slip_rear_rad'],
    of: ({ log, from, to }) => counterSteers(log, { from, to })?.catchS ?? null,
  },
  pathDeviation: {
    label: 'Off the own line',
    meaning: 'beside the own median line (RMS)',
    unit: 'm',
    digits: 2,
    rank: 11,
    needs: ['x_m', 'y_m', 'distance_m'],
    of: ({ log, from, to, signals }) => {
      const line = signals.line();
      return line && besideLine(log, { from, to }, line);
    },
  },
  offTrackS: {
    label: 'Off the road',
    meaning: 'off the road, mean a lap',
    unit: 's',
    digits: 1,
    rank: 12,
    needs: ['surface'],
    isOfTheRoad: true,
    of: ({ log, from, to }) => {
      const { surface, t_s: t } = log.columns;
      if (!surface) return null;
      let seconds = 0;
      for (let i = from; i < to - 1; i++) if (surface[i] === OFF_TRACK) seconds += t[i + 1]! - t[i]!;
      return seconds;
    },
  },
} as const satisfies Record<string, Measure>;

export type MeasureName = keyof typeof TABLE;
export type MeasureSpec = Measure & { name: MeasureName };
/** What a lap, or a ride, says by every measure; `null` where it can't tell. */
export type Measured = Record<MeasureName, number | null>;

/** Every measure in the order of files. */
export const MEASURES: readonly MeasureSpec[] = Object.entries<Measure>(TABLE).map(([name, measure]) => ({
  name: name as MeasureName,
  ...measure,
}));

/** Every measure in the order in which they are shown. */
export const MEASURES_SHOWN: readonly MeasureSpec[] = MEASURES.toSorted((a, b) => a.rank - b.rank);

/** Peaks of a lap's full presses, 0…1. */
function fullPresses({ log, from, to, greatestBrake }: DrivenLap): number[] {
  const brake = log.columns.brake?.subarray(from, to);
  return brake ? pressPeaks(brake).filter((peak) => peak >= FULL_PRESS * greatestBrake) : [];
}

/** Peaks of the presses, split with hysteresis at 10 % and 5 %. */
export function pressPeaks(brake: Float64Array): number[] {
  const peaks: number[] = [];
  let peak: number | null = null;
  for (const value of brake) {
    if (peak === null && value > PRESS_STARTS) peak = value;
    else if (peak !== null && value < PRESS_ENDS) {
      peaks.push(peak);
      peak = null;
    } else if (peak !== null) peak = Math.max(peak, value);
  }
  if (peak !== null) peaks.push(peak);
  return peaks;
}

/** `null` where no time passed. */
function perMinute(count: number, { columns: { t_s: t } }: RideLog, from: number, to: number) {
  const seconds = t[to - 1]! - t[from]!;
  return seconds > 0 ? (60 * count) / seconds : null;
}

function dragShare({ log, from, to }: DrivenLap): number | null {
  const { brake, throttle } = log.columns;
  if (!brake || !throttle) return null;
  let full = 0;
  let dragging = 0;
  for (let i = from; i < to; i++) {
    if (throttle[i]! < FULL_THROTTLE) continue;
    full++;
    if (brake[i]! > DRAGGING) dragging++;
  }
  return full > 0 ? dragging / full : null;
}
