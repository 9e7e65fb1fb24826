import { CATCHES_S, halfTurn } from './halfTurn';
import type { ForceChain } from './handsOff';

/** Half a turn of a let-go rim, by the damper of the base. */
export interface CatchTrade {
  points: { damperNms: number; halfTurnS: number | null }[];
  /** With the least damper that lets the hands off; `null` where none that the base has does. */
  atCalm: { damperNms: number; halfTurnS: number | null } | null;
  /** Whether that rim still catches a slide by itself: nearly always, sometimes, hardly ever. */
  room: 'both' | 'some' | 'none' | null;
}

const POINTS = 16;

/**
 * What a damper that calms the hands-off rim costs a rim that is to run through the hands in a slide.
 * @param calmNms least damper that settles it, N·m·s/rad @param mostNms the base's own most
 */
export function catchTrade(chain: ForceChain, calmNms: number | null, mostNms: number): CatchTrade {
  const at = (damperNms: number) => ({
    damperNms,
    halfTurnS: halfTurn({ ...chain, base: { ...chain.base, damperNms } }).nowS,
  });
  const isCalmed = calmNms !== null && calmNms <= mostNms;
  const reach = !isCalmed
    ? mostNms
    : Math.min(mostNms, Math.max(mostNms / 4, 2.5 * calmNms, 1.5 * chain.base.damperNms));
  const atCalm = isCalmed ? at(calmNms) : null;
  return {
    points: Array.from({ length: POINTS + 1 }, (_, i) => at((reach * i) / POINTS)),
    atCalm,
    room: atCalm && roomOf(atCalm.halfTurnS),
  };
}

/** @param halfTurnS `null` for a rim that does not get there */
function roomOf(halfTurnS: number | null): CatchTrade['room'] {
  const [nearly, hardly] = CATCHES_S;
  const s = halfTurnS ?? Infinity;
  if (s < nearly) return 'both';
  return s <= hardly ? 'some' : 'none';
}
