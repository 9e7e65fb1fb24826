import { once } from './once';
import { balanceOf, gripCue, type BalanceReport } from './balance';
import { calmReport } from './calmReport';
import { chainOf, damperAtFull, type ChainFacts } from './chainOf';
import { meantSignal, smoothnessOf, type MeantSignal, type Smoothness } from './detail';
import type { CalmReport } from './forceAdvice';
import type { ForceInputs } from './forceInputs';
import { lastLapOf } from './forceInputs';
import { forceField } from './forceParameters';
import type { ForceChain } from './handsOff';
import { judgeForce, type JudgedForce } from './judgeForce';
import { onCentre, type OnCentre } from './onCentre';
import { smoothPoints, type SmoothPoint } from './smoothing';
import { titleSignal } from './titleSignal';

/** Fine enough for every title's own step. */
const MIN_FORCE_STEP = 0.0025;
/** Of the base, Hz. */
const BASE_HZ = 1000;

/** A ride that was driven once, for every question about settings. */
export interface DrivenRide {
  inputs: ForceInputs;
  seed: number;
}

/** Everything that a ride and a chain say of some settings; each part is worked out when it is first asked for. */
export interface ForceParts {
  facts: ChainFacts;
  chain: ForceChain;
  judged(): JudgedForce;
  balance(): BalanceReport;
  calm(): CalmReport;
  /** The last lap as the title means it. */
  meant(): MeantSignal;
  smooth(): Smoothness;
  points(): SmoothPoint[];
  centre(): OnCentre;
}

/** @param pointsOf what the base's smoothing can do, where it is known of settings that differ in nothing else */
export function forceParts(
  { inputs, seed }: DrivenRide,
  facts: ChainFacts,
  pointsOf: (work: () => SmoothPoint[]) => SmoothPoint[] = (work) => work(),
): ForceParts {
  const chain = chainOf(facts);
  const judged = once(() => judgeForce(inputs, chain, seed));
  const meant = once(() => {
    const lap = lastLapOf(inputs);
    return meantSignal(lap, titleSignal(lap, chain.car, chain.title, seed), BASE_HZ);
  });
  return {
    facts,
    chain,
    judged,
    meant,
    balance: once(() => ({
      balance: balanceOf(inputs, judged().title),
      cue: gripCue(chain.car, chain.title.understeerCue),
    })),
    calm: once(() => {
      const own = forceField(facts.menus, facts.values, 'base', 'damper');
      return calmReport(chain, MIN_FORCE_STEP, own ? damperAtFull(chain.hardware) : Infinity);
    }),
    smooth: once(() => smoothnessOf(meant(), chain)),
    points: once(() => pointsOf(() => smoothPoints(meant(), facts))),
    centre: once(() => onCentre(chain)),
  };
}
