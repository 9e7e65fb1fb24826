import { bisect } from '../numeric/bisect';
import { handsOff, isStill, isStillWithin, type ForceChain, type HandsOff } from './handsOff';

/** A rim that is calm this soon is calm. */
const CALM_S = 1;
const MOST_DAMPER_NMS = 2;
/** Dampers that are tried, geometric, before the least one is narrowed. */
const LEAST_TRIED_NMS = 0.005;
const TRIED = 14;
const NARROWED = 7;

export interface LeastDamper {
  /** N·m·s/rad of the base's own damper; `null` where none settles it. */
  damperNms: number | null;
  /** Why there is none. */
  why: string | null;
}

const withDamper = (chain: ForceChain, damperNms: number): ForceChain => ({
  ...chain,
  base: { ...chain.base, damperNms },
});

/**
 * The least damper that settles in time, within a second as a rule. More is not always better (a delayed damper shakes by itself), so the
 * range is walked upwards, then narrowed between the last that fails and the first that holds.
 */
export function leastDamper(chain: ForceChain, speedMps: number, withinS = CALM_S): LeastDamper {
  const bare = handsOff(chain, speedMps);
  // What friction alone holds, no damper brings home.
  if (bare.verdict === 'sticks' && chain.base.damperNms === 0) return { damperNms: null, why: whyNone(bare) };
  const isCalm = (damper: number) => isStillWithin(withDamper(chain, damper), speedMps, withinS);
  if (isCalm(0)) return { damperNms: 0, why: null };
  let fails = 0;
  for (let i = 0; i < TRIED; i++) {
    const damper = LEAST_TRIED_NMS * (MOST_DAMPER_NMS / LEAST_TRIED_NMS) ** (i / (TRIED - 1));
    if (!isCalm(damper)) {
      fails = damper;
      continue;
    }
    let holds = damper;
    for (let k = 0; k < NARROWED; k++) {
      const middle = (fails + holds) / 2;
      if (isCalm(middle)) holds = middle;
      else fails = middle;
    }
    return { damperNms: holds, why: null };
  }
  return { damperNms: null, why: whyNone(handsOff(chain, speedMps)) };
}

function whyNone({ verdict }: HandsOff): string {
  return verdict === 'sticks' || verdict === 'settles'
    ? 'Dry friction holds the rim off centre or lets it back too slowly: a damper only makes it slower.'
    : `No damper up to ${MOST_DAMPER_NMS} N·m·s/rad settles it within a second: less strength or minimum force is needed.`;
}

const MOST_MIN_FORCE = 0.5;

/**
 * The greatest minimum force with which the rim stays still by itself: halved down to `step` of the title's own grid.
 * @returns `null` where it moves even without any
 */
export function greatestMinForce(chain: ForceChain, speedMps: number, step: number): number | null {
  const holds = (minForce: number) => isStill({ ...chain, title: { ...chain.title, minForce } }, speedMps);
  if (!holds(0)) return null;
  const most = Math.ceil(MOST_MIN_FORCE / step);
  if (holds(most * step)) return most * step;
  const rocks = bisect(0, most, (steps) => !holds(steps * step));
  return Number(((rocks - 1) * step).toPrecision(12));
}
