import type { ClippingSchool } from '../force/bestGain';
import type { CarGain } from '../force/carGains';
import type { ForceParts } from '../force/forceParts';
import { judgeLog } from '../force/judgeForce';
import { once } from '../force/once';
import { gainThen, type ForceLog } from '../force/loggedCar';
import type { FeelFacts } from './cause';

/**
 * The parts of a combination's force as causes read them: what no cause asks for is not worked out.
 * @param log a log of this car, which says how the signal fills its scale; the torque at the rim stays as simulated
 */
export function feelFactsOf(
  parts: ForceParts,
  carsOf: () => readonly CarGain[],
  clipping: ClippingSchool,
  log?: ForceLog,
): FeelFacts {
  const { facts, chain } = parts;
  const logged = once(() => (log ? judgeLog(log.log, gainThen(facts, log), chain.title.gain) : null));
  return {
    facts,
    chain,
    clipping,
    get judged() {
      const [simulated, seen] = [parts.judged(), logged()];
      return seen ? { ...seen, judgement: { ...simulated.judgement, ...seen.judgement } } : simulated;
    },
    get isLogged() {
      return logged() !== null;
    },
    get balance() {
      return parts.balance().balance;
    },
    get cue() {
      return parts.balance().cue;
    },
    get calm() {
      return parts.calm();
    },
    get smooth() {
      return parts.smooth();
    },
    get points() {
      return parts.points();
    },
    get centre() {
      return parts.centre();
    },
    get cars() {
      return carsOf();
    },
  };
}
