import { seededRandom } from '../numeric/random';
import type { Actor } from './actor';
import { simulatedFoot, type FootHabits } from './foot';
import { simulatedHand, type WheelHabits } from './hand';
import { simulatedLever, type LeverFaults } from './lever';
import { pedalSensor, type PedalHardware } from './pedalSensor';

/** A wheel's sensor: counts at the left and the right lock. */
export interface WheelHardware extends Omit<PedalHardware, 'released' | 'pressed'> {
  left: number;
  right: number;
}

/** One axis of a simulated rig: what it is made of, and who works it. */
export type SimulatedAxis =
  | { kind: 'pedal'; hardware: PedalHardware; habits: FootHabits }
  | { kind: 'wheel'; hardware: WheelHardware; habits: WheelHabits }
  | { kind: 'lever'; faults?: LeverFaults };

/** Gates are told apart by number; a lever reports no more of them than this. */
const MOST_GATES = 16;

export function rangeOf(axis: SimulatedAxis): { rangeMin: number; rangeMax: number } {
  if (axis.kind === 'lever') return { rangeMin: -1, rangeMax: MOST_GATES };
  return { rangeMin: axis.hardware.rangeMin, rangeMax: axis.hardware.rangeMax };
}

/** Hand or foot and sensor together; `sample` gives the raw count at the next step of a steady rate. */
export function playAxis(axis: SimulatedAxis, seed: number, rateHz: number) {
  const { actor, sense } = parts(axis, seed, rateHz);
  const dt = 1 / rateHz;
  return { intend: actor.intend, sample: (t: number) => sense(t, actor.step(dt)) };
}

function parts(
  axis: SimulatedAxis,
  seed: number,
  rateHz: number,
): { actor: Actor; sense: (t: number, position: number) => number } {
  const [hands, noise] = [seededRandom(seed * 2 + 1), seededRandom(seed * 2 + 2)];
  if (axis.kind === 'lever') return { actor: simulatedLever(axis.faults), sense: (_, gate) => gate };
  if (axis.kind === 'pedal')
    return {
      actor: simulatedFoot(axis.habits, hands),
      sense: pedalSensor(axis.hardware, noise, rateHz),
    };
  const { left, right, ...sensor } = axis.hardware;
  const { rotationDeg } = axis.habits;
  // As travel from the right lock to the left one.
  const travel = pedalSensor({ ...sensor, released: right, pressed: left }, noise, rateHz);
  return {
    actor: simulatedHand(axis.habits, hands),
    sense: (t, degrees) => travel(t, 0.5 + degrees / rotationDeg),
  };
}
