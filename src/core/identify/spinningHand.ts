import { eased } from '../axes/actor';
import type { Random } from '../numeric/random';
import type { HungMass } from './hungMass';
import { spinningRim, type TrueBase } from './spinningRim';

const RAD = Math.PI / 180;
const WIND_UP_S = 0.6;
const PUSH_S = 0.22;
const WAIT_S = 0.5;
const READY_S = 0.35;
const HOLD_S = 0.6;
const FLICK_FROM_DEG = 150;
const FLICK_RADPS = [7, 12] as const;
const RELEASE_DEG = [75, 110] as const;

/** What a hand does with a rim that is measured: spins it, or lets a mass on it swing. Angles in degrees, left positive. */
export function spinningHand(base: TrueBase, random: Random) {
  let angle = 0;
  let elapsed = 0;
  let side = 1;
  let free: ReturnType<typeof spinningRim> | null = null;
  let part: {
    from: number;
    to: number;
    seconds: number;
    then: 'ready' | 'push' | 'hold' | 'let-go' | 'run';
  } | null = null;
  let rate = 0;

  const between = ([low, high]: readonly [number, number]) => low + (high - low) * random.uniform();
  const move = (to: number, seconds: number, then: NonNullable<typeof part>['then']) => {
    part = { from: angle, to, seconds, then };
    elapsed = 0;
  };
  const letGo = (rateNow: number, hung: HungMass | null) => {
    free = spinningRim(base, angle * RAD, rateNow, hung, random);
    elapsed = 0;
  };
  return {
    at: (degrees: number) => {
      angle = degrees;
      free = null;
      part = null;
    },
    /** @param hung the mass that is let swing; `null` for spins */
    step(hung: HungMass | null, dt: number): number {
      elapsed += dt;
      if (free) {
        free.step(dt);
        angle = free.rim.angle / RAD;
        if (Math.abs(free.rim.rate) > 0.02) elapsed = 0;
        if (elapsed < WAIT_S) return angle;
        free = null;
        part = null;
        side = -side;
      }
      if (!part) {
        if (!hung) move(-side * (FLICK_FROM_DEG + 15 * random.normal()), WIND_UP_S, 'ready');
        else move(side * between(RELEASE_DEG), WIND_UP_S, 'hold');
        return angle;
      }
      if (part.then === 'run') {
        // An even push: the speed grows with time until the hand lets go.
        angle = part.from + (side * rate * elapsed * elapsed) / (2 * PUSH_S) / RAD;
        if (elapsed >= PUSH_S) letGo(side * rate, null);
        return angle;
      }
      angle = part.from + (part.to - part.from) * eased(Math.min(1, elapsed / part.seconds));
      if (elapsed < part.seconds) return angle;
      if (part.then === 'ready') move(angle, READY_S, 'push');
      else if (part.then === 'push') {
        rate = between(FLICK_RADPS);
        move(angle, PUSH_S, 'run');
      } else if (part.then === 'hold') move(angle, HOLD_S, 'let-go');
      else letGo(0, hung);
      return angle;
    },
  };
}
