import { drillCircle } from '../drills/course';
import type { DrillName } from '../drills/measureDrill';
import { seededRandom } from '../numeric/random';
import type { CarSpec } from '../vehicle/carSpec';
import { makeDriver, type Driver } from '../vehicle/driver';
import { pedalChain, type PedalChain } from '../vehicle/pedalChain';
import { drillActor } from './drillActor';
import { PRESS_IN_HAND, RIDE_RATES, type RidePlan } from '../vehicle/simulateRide';
import { planSpeed } from '../vehicle/speedPlan';
import type { Track } from '../vehicle/track';
import type { TwoTrack } from '../vehicle/twoTrack';

/** The step of a ride in real time, s. */
export const STEP_S = 0.001;

/** Hands and feet of a simulated rig. */
export interface StandInSpec extends Pick<RidePlan, 'throttle' | 'brake' | 'foot' | 'seed'> {
  /** The drill that it takes the part of; else it drives along the road. */
  drill?: DrillName | undefined;
}

/** A driver that stands in for a rig without one; its pedals can be exchanged under its feet. */
export interface StandIn extends Pick<Driver, 'step'> {
  exchange(pedals: StandInSpec): void;
}

const SEED_STRIDE = 7;

export function standInOn(spec: StandInSpec, car: CarSpec, body: TwoTrack, track: Track): StandIn {
  const { foot, seed } = spec;
  const random = (k: number) => seededRandom(seed * SEED_STRIDE + k);
  const chains = ({ throttle, brake }: StandInSpec) => ({
    throttle: pedalChain(throttle, random(1), 1 / STEP_S),
    brake: pedalChain(brake, random(2), 1 / STEP_S),
  });
  let now = chains(spec);
  const through = (name: 'throttle' | 'brake'): PedalChain => ({
    read: (t, position) => now[name].read(t, position),
    positionFor: (output, most) => now[name].positionFor(output, most),
    outputAt: (position) => now[name].outputAt(position),
  });
  const reach = now.brake.outputAt(foot.pressTravel);
  const [pedals, habits] = [{ throttle: through('throttle'), brake: through('brake') }, random(3)];
  const actor =
    spec.drill &&
    drillActor(spec.drill, { ...pedals, car, body, circle: drillCircle(track), foot, random: random(4) });
  const driver = makeDriver({
    body,
    track,
    plan: planSpeed(track, car, (PRESS_IN_HAND * reach * car.fullBrakeN) / car.massKg),
    ...pedals,
    foot,
    random: habits,
    decidesS: 1 / RIDE_RATES.driver,
  });
  return {
    step(t, dt, state, place, controls) {
      const hand = driver.step(t, dt, state, place, controls);
      return actor ? actor(t, dt, state, controls, hand) : hand;
    },
    exchange(next) {
      now = chains(next);
    },
  };
}
