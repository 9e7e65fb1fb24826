import { gridValue, toCanonical } from '../response/menuSchema';
import type { ChainFacts } from './chainOf';
import type { Proposal } from '../settings/proposal';
import { forceField, type ForceField } from './forceParameters';
import type { ForceChain } from './handsOff';
import type { ForceJudgement } from './judgeForce';

/** The base's strength for a wanted weight. */
export type StrengthFor =
  | { field: ForceField; to: number; /** What the step that the base has gives, N·m. */ cornerNm: number }
  | { refused: string };

/**
 * Strength with which corners weigh what is wanted, on the base's own grid, never more: torque is in proportion to it.
 * @param wantedNm above 0, @param nowNm median torque in corners with the strength in force
 */
export function strengthFor(
  facts: ChainFacts,
  chain: ForceChain,
  wantedNm: number,
  nowNm: number,
): StrengthFor {
  const field = forceField(facts.menus, facts.values, 'base', 'strength');
  if (!field) return { refused: 'This base lets no strength be set.' };
  if (!(wantedNm > 0)) return { refused: 'A weight is above 0 N·m.' };
  const { strength, torqueLimitNm } = chain.base;
  if (!(nowNm > 0) || strength <= 0)
    return { refused: 'Nothing is given in corners now: raise the title’s gain first.' };
  if (wantedNm > torqueLimitNm)
    return {
      refused: `The torque limit holds the rim at ${torqueLimitNm.toFixed(1)} N·m: corners can’t weigh ${wantedNm.toFixed(1)}.`,
    };
  const canonical = (strength * wantedNm) / nowNm;
  const most = toCanonical(field.field, field.field.max);
  if (canonical > most) {
    const reach = (nowNm * most) / strength;
    return {
      refused: `At full strength corners weigh ${reach.toFixed(1)} N·m with this gain; more is not in this base.`,
    };
  }
  const to = gridValue(field.field, canonical, 'atMost');
  return { field, to, cornerNm: (nowNm * toCanonical(field.field, to)) / strength };
}

/** As heavy as the car's own column, or half of it: as with a power steering. */
export type WeightSchool = 'car' | 'light';

const SHARES: Record<WeightSchool, number> = { car: 1, light: 0.5 };
const SCHOOL_WORDS: Record<WeightSchool, string> = {
  car: 'as much as the car’s own column asks',
  light: 'half of what the car’s own column asks',
};
/** Closer than this is as wanted. */
const NEAR = 0.15;

/** The strength that gives a school's weight in corners; `null` where it is near, or where this base has no more. */
export function weightAdvice(
  facts: ChainFacts,
  chain: ForceChain,
  { cornerNm, carCornerNm }: Pick<ForceJudgement, 'cornerNm' | 'carCornerNm'>,
  school: WeightSchool,
): Proposal | null {
  const wanted = SHARES[school] * carCornerNm;
  if (wanted <= 0 || Math.abs(cornerNm / wanted - 1) < NEAR) return null;
  const found = strengthFor(facts, chain, wanted, cornerNm);
  if ('refused' in found || found.to === found.field.value || found.to === found.field.field.min) return null;
  const { key, field, value } = found.field;
  return {
    key,
    label: field.label,
    from: value,
    to: found.to,
    evidence: `Corners weigh ${cornerNm.toFixed(1)} N·m; you want ${SCHOOL_WORDS[school]}, ${wanted.toFixed(1)}. ${found.to} gives ${found.cornerNm.toFixed(1)}.`,
  };
}
