import type { ClippingSchool } from '../force/bestGain';
import type { CarGain } from '../force/carGains';
import type { ForceParts } from '../force/forceParts';
import type { FeelFacts } from './cause';

/** The parts of a combination's force as causes read them: what no cause asks for is not worked out. */
export function feelFactsOf(
  parts: ForceParts,
  carsOf: () => readonly CarGain[],
  clipping: ClippingSchool,
): FeelFacts {
  const { facts, chain } = parts;
  return {
    facts,
    chain,
    clipping,
    get judged() {
      return parts.judged();
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
