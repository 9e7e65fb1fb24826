import { mean, standardDeviation } from '../numeric/moments';
import { succeed } from '../problem';
import type { RideLog } from '../rides/rideLog';
import { noAttempt, type Drill } from './drill';
import { handReversals, rateBetween } from './signals';
import { slidesOf } from './slides';

const DEG = 180 / Math.PI;

/** What set a slide off is looked for in so long before it, s. */
const BEFORE_S = 1.2;
const PULLED = 0.3;
const OPENED = 0.6;
/** A foot that lets go of so much of the throttle lifts. */
const LIFTED = 0.3;

/** What breaks a rear loose. */
export type Initiation = 'handbrake' | 'clutch' | 'weight' | 'power';

/** What set a slide off: the handbrake, a clutch that was kicked on the throttle, a lift or the brake, or the throttle alone. */
export function initiationOf({ columns }: RideLog, from: number): Initiation | null {
  const { t_s: t, throttle, brake, clutch, handbrake } = columns;
  let first = from;
  while (first > 0 && t[from]! - t[first - 1]! <= BEFORE_S) first--;
  const most = (column: Float64Array | undefined, where: (i: number) => boolean = () => true) => {
    let found = 0;
    for (let i = first; column && i <= from; i++) if (where(i)) found = Math.max(found, column[i]!);
    return found;
  };
  const opened = most(throttle);
  if (most(handbrake) > PULLED) return 'handbrake';
  if (throttle && most(clutch, (i) => throttle[i]! > OPENED) > PULLED) return 'clutch';
  if (most(brake) > PULLED || opened - (throttle?.[from] ?? 0) > LIFTED) return 'weight';
  return opened > OPENED ? 'power' : null;
}

/** What stays smaller only twitched. */
const LEAST_DEG = 10;

/** Slides that are set off again and again: whether they come out alike. */
export const initiate: Drill = {
  needs: ['slip_rear_rad', 'speed_mps', 'throttle'],
  names: ['slides', 'byPower', 'byWeight', 'byClutch', 'byHandbrake', 'angleMeanDeg', 'angleSdDeg', 'spins'],
  course: { at: 'circle', speedMps: 11, seconds: 26 },
  leading: 'angleSdDeg',
  better: { angleSdDeg: 'less', spins: 'less' },
  measure(log) {
    const slip = log.columns.slip_rear_rad!;
    const slides = slidesOf(log)
      .map((slide) => ({
        ...slide,
        angleDeg: DEG * slip.slice(slide.from, slide.to).reduce((most, v) => Math.max(most, Math.abs(v)), 0),
      }))
      .filter(({ angleDeg }) => angleDeg >= LEAST_DEG);
    if (slides.length === 0)
      return noAttempt('initiate', 'The rear never slides.', 'Break it loose, let it come back, again.');
    const by = slides.map(({ from }) => initiationOf(log, from));
    const count = (what: Initiation) => by.filter((one) => one === what).length;
    const angles = slides.filter(({ spun }) => !spun).map(({ angleDeg }) => angleDeg);
    return succeed({
      measures: {
        slides: slides.length,
        byPower: count('power'),
        byWeight: count('weight'),
        byClutch: log.columns.clutch ? count('clutch') : null,
        byHandbrake: log.columns.handbrake ? count('handbrake') : null,
        angleMeanDeg: angles.length > 0 ? mean(angles) : null,
        angleSdDeg: angles.length > 1 ? standardDeviation(angles) : null,
        spins: slides.length - angles.length,
      },
      warnings: [],
    });
  },
};

/** A slide is held between these: under the first it is grip, over the second it is on its way round. */
const HELD_DEG = [10, 40] as const;
/** A slide that lasts less passes through. */
const LEAST_HELD_S = 1;

/** One angle, for as long as it goes: the longest slide of an attempt. */
export const holdAngle: Drill = {
  needs: ['slip_rear_rad', 'speed_mps'],
  names: ['heldS', 'slipMeanDeg', 'slipSdDeg', 'reversalsPerMin', 'spins'],
  course: { at: 'circle', speedMps: 13, seconds: 24 },
  leading: 'heldS',
  better: { heldS: 'more', slipSdDeg: 'less', reversalsPerMin: 'less', spins: 'less' },
  measure(log) {
    const { t_s: t, slip_rear_rad: slip, steer_deg: steer } = log.columns;
    let [from, to, began] = [0, 0, -1];
    for (let i = 0; i <= t.length; i++) {
      const deg = i < t.length ? Math.abs(slip![i]!) * DEG : 0;
      const isHeld = deg >= HELD_DEG[0] && deg <= HELD_DEG[1];
      const goesOn = isHeld && began >= 0 && Math.sign(slip![i]!) === Math.sign(slip![began]!);
      if (goesOn) continue;
      if (began >= 0 && t[i - 1]! - t[began]! > t[to]! - t[from]!) [from, to] = [began, i - 1];
      began = isHeld ? i : -1;
    }
    const heldS = t[to]! - t[from]!;
    if (!(heldS >= LEAST_HELD_S))
      return noAttempt(
        'hold-angle',
        'No slide is held for a second.',
        `Slide round the circle between ${HELD_DEG[0]}° and ${HELD_DEG[1]}°, as long as it goes.`,
      );
    const held = Array.from(slip!.slice(from, to + 1), (v) => Math.abs(v) * DEG);
    const turns = steer ? handReversals(steer.slice(from, to + 1), rateBetween(t, from, to + 1)) : null;
    return succeed({
      measures: {
        heldS,
        slipMeanDeg: mean(held),
        slipSdDeg: standardDeviation(held),
        reversalsPerMin: turns === null ? null : (60 * turns) / heldS,
        spins: slidesOf(log).filter(({ spun }) => spun).length,
      },
      warnings: [],
    });
  },
};
