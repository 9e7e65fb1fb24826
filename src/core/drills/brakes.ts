import { mean, standardDeviation } from '../numeric/moments';
import { succeed } from '../problem';
import { lateralOf } from '../rides/logSignals';
import type { RideLog } from '../rides/rideLog';
import { noAttempt, type Drill } from './drill';
import { runs } from './signals';

const DEG = 180 / Math.PI;
/** A press begins over the first and ends under the second; one that stays lighter than the third is a foot that rests. */
const BEGINS = 0.1;
const ENDS = 0.05;
const LEAST_PEAK = 0.2;

interface Press {
  from: number;
  to: number;
  peakAt: number;
  peak: number;
}

/** Presses of the brake, one by one. */
export function pressesOf({ columns: { t_s: t, brake } }: RideLog): Press[] {
  return runs(t, (i) => brake![i]! > ENDS).flatMap(({ from, to }) => {
    let [peak, peakAt] = [0, from];
    for (let i = from; i < to; i++) if (brake![i]! > peak) [peak, peakAt] = [brake![i]!, i];
    return peak > Math.max(BEGINS, LEAST_PEAK) ? [{ from, to, peak, peakAt }] : [];
  });
}

export const brakePeak: Drill = {
  needs: ['brake'],
  names: ['presses', 'peakMean', 'peakSd'],
  course: { at: 'lane', speedMps: 15, seconds: 26 },
  leading: 'peakSd',
  better: { peakSd: 'less' },
  foot: { axis: 'brake', measure: 'peakSd', worksAt: (_, { peakMean }) => peakMean ?? null },
  measure(log) {
    const peaks = pressesOf(log).map(({ peak }) => peak);
    if (peaks.length === 0)
      return noAttempt('brake-peak', 'The brake is never pressed.', 'Press it to the same peak, six times.');
    return succeed({
      measures: {
        presses: peaks.length,
        peakMean: mean(peaks),
        peakSd: peaks.length > 1 ? standardDeviation(peaks) : null,
      },
      warnings: peaks.length < 3 ? ['With fewer than three presses their spread says little.'] : [],
    });
  },
};

/** Standing still, and the speed from which a stop is one. */
const STANDING_MPS = 0.3;
const LEAST_STOP_MPS = 8;
/** A front wheel that turns so much slower than the road is locked; slower than this it is not asked. */
const LOCKED = -0.25;
const ASKED_MPS = 3;

export const threshold: Drill = {
  needs: ['brake', 'speed_mps'],
  names: ['stopM', 'lockShare'],
  course: { at: 'lane', speedMps: 25, seconds: 9 },
  leading: 'stopM',
  better: { stopM: 'less', lockShare: 'less' },
  measure(log) {
    const { t_s: t, brake, speed_mps: speed, wheel_front_mps: wheel } = log.columns;
    const stops: number[] = [];
    let [locked, asked] = [0, 0];
    for (let i = 1; i < t.length; i++) {
      if (!(brake![i]! > BEGINS && brake![i - 1]! <= BEGINS && speed![i]! > LEAST_STOP_MPS)) continue;
      let metres = 0;
      let [lockedHere, askedHere] = [0, 0];
      let k = i;
      for (; k < t.length && speed![k]! > STANDING_MPS; k++) {
        if (brake![k]! <= ENDS) break;
        const dt = t[k]! - t[k - 1]!;
        metres += speed![k]! * dt;
        if (speed![k]! > ASKED_MPS) {
          askedHere += dt;
          if (wheel && (wheel[k]! - speed![k]!) / speed![k]! < LOCKED) lockedHere += dt;
        }
      }
      if (k < t.length && speed![k]! <= STANDING_MPS) {
        stops.push(metres);
        locked += lockedHere;
        asked += askedHere;
      }
      i = k;
    }
    if (stops.length === 0)
      return noAttempt(
        'threshold',
        'The log holds no stop from speed to standstill on the brake.',
        'Brake in one press from at least 30 km/h until the car stands.',
      );
    return succeed({
      measures: { stopM: mean(stops), lockShare: wheel && asked > 0 ? locked / asked : null },
      warnings: wheel ? [] : ['Without "wheel_front_mps" nobody knows whether the fronts locked.'],
    });
  },
};

const TURNS_MPS2 = 2;

export const trail: Drill = {
  needs: ['brake', 'speed_mps', 'slip_rear_rad'],
  names: ['overlapS', 'brakeReleaseRate', 'largestSlipDeg'],
  course: { at: 'hairpin', speedMps: 20, seconds: 10 },
  leading: 'largestSlipDeg',
  better: { largestSlipDeg: 'less' },
  measure(log) {
    const { t_s: t, brake, slip_rear_rad: slip } = log.columns;
    const lateral = lateralOf(log.columns);
    if (!lateral)
      return noAttempt(
        'trail',
        'The log holds neither "ay_mps2" nor "yaw_radps": nobody knows when the car turns.',
        'Log one of the two.',
      );
    const overlaps = (i: number) => brake![i]! > ENDS && Math.abs(lateral[i]!) > TURNS_MPS2;
    let [overlapS, largest] = [0, 0];
    for (let i = 1; i < t.length; i++) {
      if (!overlaps(i)) continue;
      overlapS += t[i]! - t[i - 1]!;
      largest = Math.max(largest, Math.abs(slip![i]!));
    }
    const rates = pressesOf(log).flatMap(({ peak, peakAt, to }) => {
      let turns = false;
      for (let i = peakAt; i < to; i++) if (overlaps(i)) turns = true;
      const seconds = t[Math.min(t.length - 1, to)]! - t[peakAt]!;
      return turns && seconds > 0 ? [(peak - ENDS) / seconds] : [];
    });
    if (overlapS === 0 || rates.length === 0)
      return noAttempt(
        'trail',
        'The car never turns while it brakes.',
        'Brake into a corner, and let the brake go while the car turns in.',
      );
    return succeed({
      measures: { overlapS, brakeReleaseRate: mean(rates), largestSlipDeg: DEG * largest },
      warnings: [],
    });
  },
};
