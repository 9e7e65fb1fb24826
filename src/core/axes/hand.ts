import type { Random } from '../numeric/random';
import { hungMass, isSpin } from '../identify/hungMass';
import { spinningHand } from '../identify/spinningHand';
import type { TrueBase } from '../identify/spinningRim';
import { slowNoise } from '../numeric/slowNoise';
import { eased, type Actor, type Motion } from './actor';

/** How a wheel behaves under a hand, in degrees, left positive. */
export interface WheelHabits {
  /** Lock to lock. */
  rotationDeg: number;
  /** Where the released wheel comes to rest: offset, and the gap between a release from the left and from the right. */
  centreDeg: number;
  hysteresisDeg: number;
  /** How well the hand finds a marked angle (σ). */
  handErrorDeg: number;
  /** The base behind it as it truly is, for a wheel that is spun by hand. */
  base?: TrueBase;
}

const FASTEST_DEG_PER_S = 420;
const SHORTEST_TURN_S = 0.7;
const AT_LOCK_S = 0.35;
const PAUSE_S = 0.9;
const LET_GO_S = 0.9;
const TREMOR_DEG = 0.05;
const TREMOR_S = 0.3;

/** A seeded hand on a wheel: turns lock to lock (left first), holds marked angles, lets go. Positions in degrees. */
export function simulatedHand(wheel: WheelHabits, random: Random): Actor {
  const lock = wheel.rotationDeg / 2;
  const tremor = slowNoise(random, TREMOR_DEG, TREMOR_S);
  const spinner = wheel.base && spinningHand(wheel.base, random);
  let motion: Motion = 'off';
  let angle = wheel.centreDeg;
  let from = angle;
  let to = angle;
  let elapsed = 0;
  let durationS = 0;
  let queue: { to: number; durationS: number }[] = [];
  const withinLocks = (degrees: number) => Math.min(lock, Math.max(-lock, degrees));
  const go = (target: number, least: number) => {
    from = angle;
    to = target;
    elapsed = 0;
    // The fastest moment of a smooth move is 1.9 times its mean.
    durationS = Math.max(least, (1.9 * Math.abs(target - angle)) / FASTEST_DEG_PER_S);
  };
  const sweep = () => [
    { to: lock, durationS: SHORTEST_TURN_S },
    { to: lock, durationS: AT_LOCK_S },
    { to: -lock, durationS: SHORTEST_TURN_S },
    { to: -lock, durationS: AT_LOCK_S },
    { to: 0, durationS: SHORTEST_TURN_S },
    { to: 0, durationS: PAUSE_S },
  ];
  return {
    intend(next) {
      if (next === motion) return;
      motion = next;
      queue = [];
      if (next.startsWith('hold:'))
        go(
          withinLocks(Number(next.slice(5)) + wheel.centreDeg + wheel.handErrorDeg * random.normal()),
          SHORTEST_TURN_S,
        );
      else if (next === 'off') {
        const side = Math.abs(angle - wheel.centreDeg) < 1 ? 0 : Math.sign(angle - wheel.centreDeg);
        go(wheel.centreDeg + (side * wheel.hysteresisDeg) / 2, LET_GO_S);
      } else if (next === 'sweep') go(wheel.centreDeg, LET_GO_S);
      else if (isSpin(next)) spinner?.at(angle);
    },
    step(dt) {
      elapsed += dt;
      if (spinner && isSpin(motion)) {
        angle = spinner.step(hungMass(motion), dt);
        return withinLocks(angle);
      }
      if (motion === 'sweep' && elapsed >= durationS) {
        if (queue.length === 0) queue = sweep();
        const next = queue.shift()!;
        go(next.to, next.durationS);
      }
      const u = durationS > 0 ? Math.min(1, elapsed / durationS) : 1;
      angle = from + (to - from) * eased(u);
      const shake = tremor(dt);
      const isHeld = motion.startsWith('hold:') || (motion === 'sweep' && Math.abs(angle) < 0.98 * lock);
      return withinLocks(angle + (isHeld ? shake : 0));
    },
  };
}
