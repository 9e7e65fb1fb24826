import { gridCount, gridPoint } from '../response/menuSchema';
import { keyText } from '../settings/setting';
import { chainOf, type ChainFacts } from './chainOf';
import type { CalmReport } from './forceAdvice';
import type { Proposal } from '../settings/proposal';
import { forceField, type ForceField } from './forceParameters';
import { FAST_MPS, restDeg, ROLL_MPS, unrest, type ForceChain } from './handsOff';

/** No force but the tyres', or a little where they are too weak to bring the rim back. */
export type SpringSchool = 'off' | 'some';

/** Values of a spring that are tried before none is proposed. */
const MOST_TRIED = 8;
/** A spring is worth having that halves what friction leaves. */
const WORTH_IT = 0.5;
/** Nobody wants more of it than this share of its scale. */
const MOST_SHARE = 0.4;

/** What a school says of the centre spring, as one change; `null` where nothing is to be done. */
export function springAdvice(
  facts: ChainFacts,
  chain: ForceChain,
  calm: Pick<CalmReport, 'roll'>,
  school: SpringSchool,
): Proposal | null {
  const fields = [
    forceField(facts.menus, facts.values, 'title', 'titleSpring'),
    forceField(facts.menus, facts.values, 'base', 'spring'),
  ].filter((field) => field !== null);
  if (school === 'off') {
    const used = fields.find(
      ({ canonical, key }) => canonical > 0 && (key.layer === 'base' || chain.base.springChannel > 0),
    );
    return used
      ? change(
          used,
          0,
          'A centre spring pulls where the tyres do not: without it the rim tells only of them.',
        )
      : null;
  }
  const found = fields.find(({ key }) => key.layer === 'base' || chain.base.springChannel > 0);
  if (!found || calm.roll.verdict !== 'sticks') return null;
  const now = {
    rest: restDeg(chain, ROLL_MPS),
    roll: unrest(chain, ROLL_MPS),
    fast: unrest(chain, FAST_MPS),
  };
  const count = gridCount(found.field);
  const most = Math.floor(MOST_SHARE * (count - 1));
  for (let i = 1; i <= Math.min(most, MOST_TRIED); i++) {
    const to = gridPoint(found.field, Math.round((i * most) / Math.min(most, MOST_TRIED)));
    if (to <= found.value) continue;
    const tried = chainOf({ ...facts, values: { ...facts.values, [keyText(found.key)]: to } });
    const rest = restDeg(tried, ROLL_MPS);
    if (
      rest <= WORTH_IT * now.rest &&
      unrest(tried, ROLL_MPS) <= now.roll &&
      unrest(tried, FAST_MPS) <= now.fast
    )
      return change(
        found,
        to,
        `Let go far off centre at a slow roll it stays ${now.rest.toFixed(1)}° off; with ${to} it comes back to ${rest.toFixed(1)}°, and moves by itself no more than now.`,
      );
  }
  return null;
}

function change({ key, field, value }: ForceField, to: number, evidence: string): Proposal | null {
  return to === value ? null : { key, label: field.label, from: value, to, evidence };
}
