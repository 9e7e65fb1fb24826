import { mean } from '../numeric/moments';
import { succeed } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { noAttempt, type Drill } from './drill';
import { handReversals, rateBetween } from './signals';

const DEG = 180 / Math.PI;
/** A slide has begun from this slip on, and is caught within the second one for as long as a third. */
const SLIDES_DEG = 6;
const CAUGHT_DEG = 3;
const CAUGHT_S = 0.4;
/** Turned round. */
const SPUN_DEG = 90;
/** The hand has answered once it turns into the slide this fast. */
const ANSWERS_DEGPS = 60;
/** In which the rim is judged. */
const GRAB_S = 0.35;
/** A hand that stands within this of the stop is at it; of a car that nobody knows the greatest angle of the log passes for it. */
const STOP_DEG = 2;

interface Slide {
  from: number;
  to: number;
  spun: boolean;
  caughtAt: number | null;
}

/** Slides of a log, from where the rear goes to where it is caught, has turned round or the log ends. */
export function slidesOf({ columns: { t_s: t, slip_rear_rad: slip, speed_mps: speed } }: RideLog): Slide[] {
  const found: Slide[] = [];
  for (let i = 0; i < t.length; i++) {
    if (Math.abs(slip![i]!) * DEG < SLIDES_DEG || speed![i]! < 3) continue;
    const slide: Slide = { from: i, to: t.length, spun: false, caughtAt: null };
    let within: number | null = null;
    let k = i;
    for (; k < t.length; k++) {
      const deg = Math.abs(slip![k]!) * DEG;
      if (deg > SPUN_DEG) slide.spun = true;
      if (deg < CAUGHT_DEG) within ??= k;
      else within = null;
      if (within !== null && t[k]! - t[within]! >= CAUGHT_S) {
        slide.caughtAt = within;
        break;
      }
    }
    // What comes after it turned round is no catch of this slide.
    if (slide.spun) slide.caughtAt = null;
    slide.to = Math.min(t.length, k + 1);
    found.push(slide);
    i = slide.to;
  }
  return found;
}

const NEEDS = ['steer_deg', 'slip_rear_rad', 'speed_mps'] as const;

export const catchSlide: Drill = {
  needs: NEEDS,
  names: ['spins', 'lagMs', 'rimErrorDeg', 'largestSlipDeg', 'reversals', 'settleS', 'stopHits'],
  course: { at: 'circle', speedMps: 11, seconds: 10 },
  leading: 'largestSlipDeg',
  better: { largestSlipDeg: 'less', settleS: 'less', lagMs: 'less', rimErrorDeg: 'less', spins: 'less' },
  measure(log, { steeringRatio, lockDeg }) {
    const { t_s: t, steer_deg: steer, slip_rear_rad: slip, slip_front_rad: front } = log.columns;
    const slides = slidesOf(log);
    if (slides.length === 0)
      return noAttempt('catch', 'The rear never slides.', 'Let the rear go, and catch it.');
    const lags: number[] = [];
    const errors: number[] = [];
    const settles: number[] = [];
    let [largest, back, hits] = [0, 0, 0];
    const stop =
      lockDeg === undefined ? steer!.reduce((most, deg) => Math.max(most, Math.abs(deg)), 0) : lockDeg / 2;
    for (const { from, to, caughtAt } of slides) {
      // A rear that goes to the right (its tyres push left) has the nose to the left of the way: the hand goes right.
      const way = -Math.sign(slip![from]!);
      let grab: number | null = null;
      for (let i = Math.max(1, from); i < to && grab === null; i++)
        if ((way * (steer![i]! - steer![i - 1]!)) / (t[i]! - t[i - 1]!) > ANSWERS_DEGPS) grab = i;
      if (grab !== null) lags.push(1000 * (t[grab]! - t[from]!));
      const after = grab ?? from;
      for (let i = after; i < to; i++) {
        largest = Math.max(largest, Math.abs(slip![i]!) * DEG);
        // Where the fronts point is where they go: what is left is the hand's error.
        if (front && steeringRatio !== undefined && t[i]! - t[after]! <= GRAB_S)
          errors.push(Math.abs(front[i]! * DEG) * steeringRatio);
      }
      let isAtStop = false;
      for (let i = from; i < to; i++) {
        const hit = stop > 90 && Math.abs(steer![i]!) > stop - STOP_DEG;
        if (hit && !isAtStop) hits++;
        isAtStop = hit;
      }
      if (to - after > 4) back += handReversals(steer!.slice(after, to), rateBetween(t, after, to));
      if (caughtAt !== null) settles.push(t[caughtAt]! - t[after]!);
    }
    const orNull = (values: readonly number[]) => (values.length > 0 ? mean(values) : null);
    return succeed({
      measures: {
        spins: slides.filter(({ spun }) => spun).length,
        lagMs: orNull(lags),
        rimErrorDeg: orNull(errors),
        largestSlipDeg: largest,
        reversals: back,
        settleS: orNull(settles),
        stopHits: hits,
      },
      warnings:
        front && steeringRatio !== undefined
          ? []
          : ['The rim’s error takes "slip_front_rad" and a car whose steering ratio is known.'],
    });
  },
};

const SWINGS_DEG = 15;

export const eight: Drill = {
  needs: ['slip_rear_rad', 'speed_mps'],
  names: ['transitionS', 'largestSlipDeg', 'spins'],
  course: { at: 'circle', speedMps: 12, seconds: 30 },
  // Time from side to side alone is no merit: a quick rim straightens the car first.
  leading: 'largestSlipDeg',
  better: { largestSlipDeg: 'less', spins: 'less' },
  measure({ columns: { t_s: t, slip_rear_rad: slip } }) {
    const transitions: number[] = [];
    let [largest, spins] = [0, 0];
    // When it last stood at or beyond the limit on each side.
    let [left, right] = [null as number | null, null as number | null];
    let isSpun = false;
    for (let i = 0; i < t.length; i++) {
      const deg = slip![i]! * DEG;
      largest = Math.max(largest, Math.abs(deg));
      if (Math.abs(deg) > SPUN_DEG && !isSpun) spins++;
      isSpun = Math.abs(deg) > SPUN_DEG || (isSpun && Math.abs(deg) > CAUGHT_DEG);
      if (deg >= SWINGS_DEG) {
        if (right !== null) transitions.push(t[i]! - right);
        [left, right] = [t[i]!, null];
      } else if (deg <= -SWINGS_DEG) {
        if (left !== null) transitions.push(t[i]! - left);
        [left, right] = [null, t[i]!];
      }
    }
    if (transitions.length === 0)
      return noAttempt(
        'eight',
        'The car never swings from one slide into the other.',
        'Slide round one circle, then over into the other: a figure of eight.',
      );
    return succeed({
      measures: { transitionS: mean(transitions), largestSlipDeg: largest, spins },
      warnings: [],
    });
  },
};
