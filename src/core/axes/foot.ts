import type { Random } from '../numeric/random';
import { slowNoise } from '../numeric/slowNoise';
import { eased, type Actor, type Motion } from './actor';

/** What a foot can be told to do on a pedal. */
const FOOT_INTENTS = ['off', 'rest', 'takeup', 'sweep', 'press'] as const satisfies readonly Motion[];
type FootIntent = (typeof FOOT_INTENTS)[number];

/** How one driver's foot behaves on one pedal, in travel 0…1. */
export interface FootHabits {
  /** Travel under the resting foot, and its slow wander (σ). */
  restTravel: number;
  restWander: number;
  /** Hardest comfortable press: mean and spread (σ). */
  pressTravel: number;
  pressSpread: number;
  /** Travel at which this pedal's resistance is felt. */
  takeupTravel?: number;
}

interface Move {
  durationS: number;
  to: () => number;
}

const WANDER_TIME_S = 0.9;
const TREMOR = 0.0015;
const TREMOR_TIME_S = 0.04;
const NEARLY_UP = 0.02;
const COMES_UP_S = 0.5;
const USUAL_TAKEUP = 0.045;
/** No foot presses a pedal through its stop. */
const STOP = 1;
const TAKEUP_SPREAD = 0.003;

/**
 * A seeded foot (or a hand on a lever): smooth moves between holds, with wander while resting and tremor while
 * pressing. `step(dt)` gives the travel; `intend` changes what the foot does next.
 */
export function simulatedFoot(habits: FootHabits, random: Random): Actor {
  const wander = slowNoise(random, habits.restWander, WANDER_TIME_S);
  const tremor = slowNoise(random, TREMOR, TREMOR_TIME_S);
  const hold = (durationS: number, to: number): Move => ({ durationS, to: () => to });
  const around = (middle: number, spread: number) => () => middle + spread * random.normal();
  const programmes: Record<FootIntent, Move[]> = {
    off: [hold(0.35, 0)],
    rest: [hold(0.45, habits.restTravel)],
    takeup: [
      { durationS: 0.6, to: around(habits.takeupTravel ?? USUAL_TAKEUP, TAKEUP_SPREAD) },
      hold(1.9, NaN),
      hold(0.4, 0),
      hold(0.6, 0),
    ],
    sweep: [hold(1.15, 1), hold(0.3, 1), hold(1.1, 0), hold(0.75, 0)],
    press: [
      { durationS: 0.3, to: around(habits.pressTravel, habits.pressSpread) },
      hold(0.7, NaN),
      hold(0.35, 0),
      hold(0.75, 0),
    ],
  };
  let intent: FootIntent = 'off';
  let queue: Move[] = [];
  let position = 0;
  let from = 0;
  let target = 0;
  let move: Move | null = null;
  let elapsed = 0;
  const begin = (next: Move) => {
    move = next;
    from = position;
    const to = next.to();
    target = Number.isNaN(to) ? target : to;
    elapsed = 0;
  };
  return {
    intend(motion) {
      const next = FOOT_INTENTS.find((known) => known === motion) ?? 'off';
      if (next === intent) return;
      intent = next;
      queue = [];
      // A foot that is still down comes up first: a half-done movement is not the start of the next one.
      if (next === 'off' || next === 'rest') begin(programmes[next][0]!);
      else if (position > habits.restTravel + NEARLY_UP) begin(hold(COMES_UP_S, 0));
      else if (next === 'takeup') begin(hold(COMES_UP_S, 0));
    },
    step(dt: number): number {
      elapsed += dt;
      if (!move || elapsed >= move.durationS) {
        const repeats = intent !== 'off' && intent !== 'rest';
        if (queue.length === 0 && repeats) queue = [...programmes[intent]];
        const next = queue.shift();
        if (next) begin(next);
      }
      const u = move ? Math.min(1, elapsed / move.durationS) : 1;
      const share = eased(u);
      const base = from + (target - from) * share;
      position = base;
      const slow = wander(dt);
      const fast = tremor(dt);
      if (intent === 'rest') return Math.max(0, base + slow * share);
      if (intent === 'press' && base > habits.pressTravel / 2) return Math.min(STOP, base + fast);
      return Math.min(STOP, Math.max(0, base));
    },
  };
}
