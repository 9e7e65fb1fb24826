import { calming } from '../force/calming';
import { frictionText } from '../force/chainOf';
import { calmingChange, deadAdvice, isCalm, minForceAdvice, movementText } from '../force/forceAdvice';
import type { ForceParameter } from '../force/forceParameters';
import { FAST_MPS, handsOff, restDeg, ROLL_MPS, type ForceChain } from '../force/handsOff';
import { springAdvice } from '../force/springAdvice';
import { ramp, type Cause } from './cause';
import { forceChange } from './changes';
import { percent } from '../text/percent';

/** A rim that stays so far off by itself is held. */
const HELD_FAR_DEG = 8;

/** What is changed to bring a dead damper to life. */
const DAMPERS = new Set<string>(['titleDamper', 'damperChannel'] satisfies ForceParameter[]);

const moves = (chain: ForceChain) =>
  !isCalm({ roll: handsOff(chain, ROLL_MPS), fast: handsOff(chain, FAST_MPS) });

/** Why a rim moves by itself, or does not come back. */
export const STILLNESS_CAUSES = {
  rocks: {
    name: 'More minimum force than stays still',
    takesAway: true,
    judge({ facts, chain, calm }) {
      const { minForce } = chain.title;
      const still = calm.stillMinForce;
      if (minForce <= 0) return { evidence: 0, says: 'No minimum force is set.' };
      if (still === null)
        return { evidence: 0, says: 'The rim moves by itself without any minimum force as well.' };
      const says = `Minimum force lifts by ${percent(minForce, 1)}; hands off the rim stays still up to ${percent(still, 1)}.`;
      return {
        evidence: minForce > still ? 1 : 0,
        says,
        change: forceChange(facts, 'title', 'minForce', still, says, 'atMost'),
      };
    },
  },
  jumps: {
    name: 'Minimum force jumps across the centre',
    takesAway: true,
    judge({ facts, chain, centre }) {
      // A jump up to twice the friction on each side only lifts over it.
      const over = centre.minForceStepNm / (4 * chain.hardware.frictionNm);
      const says = `Across the centre the torque jumps by ${centre.minForceStepNm.toFixed(2)} N·m; friction is ${frictionText(facts, chain)}.`;
      return {
        evidence: ramp(over, 0.6, 1.5),
        says,
        change: forceChange(
          facts,
          'title',
          'minForce',
          (0.5 * chain.title.minForce) / Math.max(0.5, over),
          says,
        ),
      };
    },
  },
  deadDamper: {
    name: 'The damper is set but does nothing',
    takesAway: false,
    judge({ facts, calm }) {
      const advice = deadAdvice(facts, isCalm(calm)).find(({ key }) => DAMPERS.has(key.field));
      return advice
        ? { evidence: isCalm(calm) ? 0.3 : 1, says: advice.evidence, change: advice }
        : { evidence: 0, says: 'No damper is held shut.' };
    },
  },
  damperMissing: {
    name: 'Nothing damps the rim',
    takesAway: false,
    judge({ facts, calm }) {
      const found = isCalm(calm)
        ? null
        : [calming(facts, 'base', 'damper', 'up'), calming(facts, 'title', 'titleDamper', 'up')]
            .filter((one) => one !== null)
            .toSorted((a, b) => Number(b.isCured) - Number(a.isCured))[0];
      if (!found) return { evidence: 0, says: `${movementText(calm)}.` };
      const change = calmingChange(found, calm, facts);
      return { evidence: found.isCured ? 0.8 : 0.4, says: change.evidence, change };
    },
  },
  springRings: {
    name: 'A centre spring that swings',
    takesAway: true,
    judge({ facts, chain, calm }) {
      const [own, title] = [chain.base.springNmPerRad, chain.title.spring * chain.base.springChannel];
      if (isCalm(calm) || own + title <= 0)
        return {
          evidence: 0,
          says: own + title > 0 ? 'With the spring the rim is calm.' : 'There is no spring.',
        };
      const without = {
        ...chain,
        title: { ...chain.title, spring: 0 },
        base: { ...chain.base, springNmPerRad: 0 },
      };
      const isCure = !moves(without);
      const says = isCure
        ? 'Without the spring the rim is calm.'
        : 'Without the spring it would move as well.';
      return {
        evidence: isCure ? 0.9 : 0.2,
        says,
        change:
          own > 0
            ? forceChange(facts, 'base', 'spring', 0, says)
            : forceChange(facts, 'title', 'titleSpring', 0, says),
      };
    },
  },
  tooStrong: {
    name: 'More strength than the rim can be held with',
    takesAway: true,
    judge({ facts, calm }) {
      if (isCalm(calm)) return { evidence: 0, says: 'At this strength the rim is calm.' };
      const found = calming(facts, 'base', 'strength', 'down');
      if (!found) return { evidence: 0, says: 'With less strength it would move as well.' };
      const change = calmingChange(found, calm, facts);
      return { evidence: found.isCured ? 0.5 : 0.2, says: change.evidence, change };
    },
  },
  frictionHolds: {
    name: 'Friction holds the rim off centre',
    takesAway: false,
    judge({ facts, chain, calm, judged }) {
      const advice = minForceAdvice(facts, chain, judged.judgement.weakest, calm);
      const rest = restDeg(chain, ROLL_MPS);
      const sticks = calm.roll.verdict === 'sticks';
      return {
        evidence: sticks ? ramp(rest, 0, HELD_FAR_DEG) : 0,
        says: sticks
          ? `Let go far off centre at a slow roll it stays ${rest.toFixed(1)}° off: its friction of ${frictionText(facts, chain)} is more than the tyres pull there.`
          : `Let go at a slow roll it ${calm.roll.verdict}${calm.roll.settleS === null ? '' : ` within ${calm.roll.settleS.toFixed(1)} s`}.`,
        change:
          (advice && advice.to > advice.from ? advice : null) ?? springAdvice(facts, chain, calm, 'some'),
      };
    },
  },
} satisfies Record<string, Cause>;
