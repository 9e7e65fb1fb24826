import { damperShare, frictionText } from '../force/chainOf';
import { minForceAdvice } from '../force/forceAdvice';
import { TITLE_DAMPER_NMS } from '../force/forceSettings';
import type { ForceChain } from '../force/handsOff';
import { WEAVE_WIDTH_G } from '../force/onCentre';
import { strengthFor } from '../force/weight';
import { ramp, type Cause } from './cause';
import { forceChange } from './changes';
import { newtonMetres } from './figures';
import { percent } from '../text/percent';

/** Speed of the hands in a quick correction, rad/s. */
const QUICK_RADPS = 4;
/** Torque limit worth having: hits end here, corners do not. */
const LEAST_LIMIT_NM = 6;
const OVER_CORNERS = 1.5;

/** Damping in force at a middling speed, N·m·s/rad. */
function damping({ title, base }: ForceChain): { own: number; title: number } {
  return {
    own: base.damperNms * (1 + 0.75 * base.speedDamping),
    title: title.damper * base.damperChannel * TITLE_DAMPER_NMS,
  };
}

/** What makes the rim heavy, light or dull in the hands. */
export const WEIGHT_CAUSES = {
  frictionSwallows: {
    name: 'Friction swallows the small forces',
    takesAway: false,
    judge(f) {
      const { centre, judged, chain, calm, facts } = f;
      const advice = minForceAdvice(facts, chain, judged.judgement.weakest, calm);
      return {
        evidence: ramp(centre.deadBandG / WEAVE_WIDTH_G, 0.08, 0.35),
        says: `Within ${centre.deadBandG.toFixed(2)} of ${WEAVE_WIDTH_G} g around the centre the motor asks for less than its own friction of ${frictionText(facts, chain)}.`,
        change: advice && advice.to > advice.from ? advice : null,
      };
    },
  },
  dragHeavy: {
    name: 'A damper that is felt as weight',
    takesAway: true,
    judge(f) {
      const { own, title } = damping(f.chain);
      const drag = QUICK_RADPS * (own + title);
      const { cornerNm } = f.judged.judgement;
      const says = `A quick correction meets ${newtonMetres(drag)} of damper; corners weigh ${newtonMetres(cornerNm)}.`;
      // Never below what keeps the rim calm.
      const wanted = Math.max((own + title) / 2, f.calm.least.damperNms ?? 0);
      const change =
        title >= own
          ? forceChange(
              f.facts,
              'title',
              'titleDamper',
              f.chain.title.damper * ramp(wanted - own, 0, Math.max(1e-9, title)),
              says,
              'atLeast',
            )
          : forceChange(
              f.facts,
              'base',
              'damper',
              damperShare(f.chain.base.damperNms * ramp(wanted - title, 0, own), f.chain.hardware),
              says,
              'atLeast',
            );
      return {
        evidence: ramp(drag / Math.max(0.1, cornerNm), 0.2, 0.8),
        says,
        change: change && change.to < change.from ? change : null,
      };
    },
  },
  ownFriction: {
    name: 'Friction that the base adds',
    takesAway: true,
    judge({ facts, chain, judged }) {
      const says = `The base adds ${chain.base.frictionNm.toFixed(2)} N·m of friction to the ${frictionText(facts, chain)} that it has.`;
      return {
        evidence: ramp(chain.base.frictionNm / Math.max(0.1, judged.judgement.cornerNm), 0.01, 0.12),
        says,
        change: forceChange(facts, 'base', 'friction', 0, says),
      };
    },
  },
  ownInertia: {
    name: 'Inertia that the base adds',
    takesAway: true,
    judge({ facts, chain }) {
      const ratio = chain.base.inertiaKgM2 / chain.hardware.inertiaKgM2;
      const says = `The base makes the rim ${percent(ratio)} heavier to turn than it is.`;
      return {
        evidence: ramp(ratio, 0.2, 1.5),
        says,
        change: forceChange(facts, 'base', 'inertia', 0, says),
      };
    },
  },
  hitsUnlimited: {
    name: 'Hits are far above the corners',
    takesAway: true,
    judge({ facts, chain, judged }) {
      const { cornerNm, peakNm } = judged.judgement;
      const limit = Math.max(LEAST_LIMIT_NM, OVER_CORNERS * cornerNm);
      const says = `The hardest hit reaches ${newtonMetres(peakNm)}; corners weigh ${newtonMetres(cornerNm)}, and the limit stands at ${newtonMetres(chain.base.torqueLimitNm)}.`;
      return {
        evidence: ramp(peakNm / limit, 1, 1.6),
        amount: peakNm,
        says,
        change:
          chain.base.torqueLimitNm > limit
            ? forceChange(facts, 'base', 'torqueLimit', limit, says, 'atLeast')
            : null,
      };
    },
  },
  cornersLight: {
    name: 'Corners could weigh more',
    takesAway: false,
    judge({ facts, chain, judged }) {
      const { cornerNm, carCornerNm } = judged.judgement;
      const says = `Corners weigh ${newtonMetres(cornerNm)} at the rim; the car’s own column would ask for ${newtonMetres(carCornerNm)}: how much of that is wanted is yours to say.`;
      const found = strengthFor(facts, chain, 1.2 * cornerNm, cornerNm);
      return {
        evidence: ramp(1 - cornerNm / Math.max(0.1, carCornerNm), 0.3, 0.8),
        amount: Math.max(0, carCornerNm - cornerNm),
        says,
        change:
          'refused' in found || found.to <= found.field.value
            ? null
            : {
                key: found.field.key,
                label: found.field.field.label,
                from: found.field.value,
                to: found.to,
                evidence: says,
              },
      };
    },
  },
  cornersHeavy: {
    name: 'Corners could weigh less',
    takesAway: true,
    judge({ facts, chain, judged }) {
      const { cornerNm } = judged.judgement;
      const radius = (facts.rig.rim.diameterMm ?? 300) / 2000;
      const says = `Corners weigh ${newtonMetres(cornerNm)}, ${(cornerNm / radius).toFixed(0)} N at the rim: whether that is much is yours to say.`;
      return {
        evidence: ramp(cornerNm / radius, 5, 50),
        amount: cornerNm,
        says,
        change: forceChange(facts, 'base', 'strength', 0.8 * chain.base.strength, says, 'atMost'),
      };
    },
  },
  carsDiffer: {
    name: 'The cars’ gains are not alike',
    takesAway: false,
    judge({ cars }) {
      const told = cars.flatMap((car) => (car.ratio ? [{ ...car, far: Math.abs(Math.log(car.ratio)) }] : []));
      const off = told.toSorted((a, b) => b.far - a.far)[0];
      if (!off || told.length < 2)
        return {
          evidence: 0,
          says:
            cars.length < 2 ? 'The title has no other car.' : 'A log of each car with its force would tell.',
        };
      return {
        evidence: ramp(off.far, 0.06, 0.35),
        isLogged: off.from === 'log',
        says: `The strong end of the ${off.name}’s force is ${percent(off.ratio!)} of this car’s.`,
        change: off.advice && { ...off.advice, carId: off.carId },
      };
    },
  },
} satisfies Record<string, Cause>;
