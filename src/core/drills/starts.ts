import { standardDeviation } from '../numeric/moments';
import { succeed } from '../problem';
import { ORDINARY_SLIP } from '../launch/launchRun';
import { noAttempt, type Drill } from './drill';
import { footOf, footReversals, perMinute, rateBetween, runs } from './signals';

const STANDING_MPS = 0.1;
const [SHORT_M, LONG_M] = [20, 60];
/** The first paddle is gone from here on. */
const LET_GO = 0.9;
/** How long before it moves a car's start may have begun. */
const BEFORE_S = 1;

export const launch: Drill = {
  needs: ['speed_mps'],
  names: ['spinM', 'bog', 't20S', 't60S', 'clutchKj'],
  course: { at: 'lane', speedMps: 0, seconds: 12 },
  leading: 't60S',
  better: { t60S: 'less', t20S: 'less', spinM: 'less' },
  measure({ columns }) {
    const { t_s: t, speed_mps: speed, wheel_rear_mps: wheel, engine_rpm: rpm, clutch } = columns;
    for (let i = 1; i < t.length; i++) {
      if (!(speed![i - 1]! <= STANDING_MPS && speed![i]! > STANDING_MPS)) continue;
      // From when the clutch was let go, where that is logged; else from when the car moved.
      let start = i;
      if (clutch)
        while (start > 0 && clutch[start - 1]! < LET_GO && t[i]! - t[start - 1]! < BEFORE_S) start--;
      let [metres, spin, t20] = [0, 0, null as number | null];
      let least = Infinity;
      for (let k = start + 1; k < t.length; k++) {
        const dt = t[k]! - t[k - 1]!;
        metres += ((speed![k]! + speed![k - 1]!) / 2) * dt;
        if (wheel) spin += Math.max(0, wheel[k]! - ORDINARY_SLIP * speed![k]!) * dt;
        if (rpm) least = Math.min(least, rpm[k]!);
        if (t20 === null && metres >= SHORT_M) t20 = t[k]! - t[start]!;
        if (metres < LONG_M) continue;
        const held = rpm ? rpm[start]! : 0;
        return succeed({
          measures: {
            spinM: wheel ? spin : null,
            bog: rpm && held > 0 ? Math.max(0, 1 - least / held) : null,
            t20S: t20,
            t60S: t[k]! - t[start]!,
            // A log says nothing of what goes through the clutch.
            clutchKj: null,
          },
          warnings:
            wheel && rpm ? [] : ['Without "wheel_rear_mps" and "engine_rpm" spin and bog are not known.'],
        });
      }
      break;
    }
    return noAttempt(
      'launch',
      'The log holds no start from standstill over 60 m.',
      'Let the car stand, then start and drive on for 60 m.',
    );
  },
};

const SLOW_MPS = 3;
const LEAST_ROLL_S = 5;
const STALLED_RPM = 1;

export const slowRoll: Drill = {
  needs: ['speed_mps', 'throttle'],
  names: ['speedSdMps', 'stalls', 'reversalsPerMin'],
  course: { at: 'lane', speedMps: 0, seconds: 20 },
  leading: 'speedSdMps',
  better: { speedSdMps: 'less', stalls: 'less' },
  measure({ columns }) {
    const { t_s: t, speed_mps: speed, throttle, engine_rpm: rpm } = columns;
    const longest = runs(t, (i) => speed![i]! < SLOW_MPS && speed![i]! > STANDING_MPS, 1).reduce<{
      from: number;
      to: number;
    } | null>((best, one) => (!best || one.to - one.from > best.to - best.from ? one : best), null);
    const seconds = longest ? t[longest.to - 1]! - t[longest.from]! : 0;
    if (!longest || seconds < LEAST_ROLL_S)
      return noAttempt(
        'slow-roll',
        'The car never rolls slowly for five seconds.',
        'Roll at under 3 m/s as evenly as you can, for half a minute.',
      );
    const { from, to } = longest;
    let stalls = 0;
    for (let i = from + 1; rpm && i < to; i++)
      if (rpm[i]! < STALLED_RPM && rpm[i - 1]! >= STALLED_RPM) stalls++;
    const foot = footOf(throttle!.slice(from, to), rateBetween(t, from, to));
    return succeed({
      measures: {
        speedSdMps: standardDeviation(speed!.subarray(from, to)),
        stalls: rpm ? stalls : null,
        reversalsPerMin: perMinute(footReversals(foot), seconds),
      },
      warnings: rpm ? [] : ['Without "engine_rpm" nobody knows whether the engine stalled.'],
    });
  },
};
