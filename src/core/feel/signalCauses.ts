import { gripCue, type Stretch } from '../force/balance';
import { KERB_LEVEL } from '../force/effects';
import { deadAdvice, doubledAdvice, gainAdvice, isCalm } from '../force/forceAdvice';
import { effectParameter, forceField } from '../force/forceParameters';
import type { Effect } from '../force/effects';
import { smoothingAdvice } from '../force/smoothing';
import { gridCount, gridPoint, toCanonical } from '../response/menuSchema';
import { ramp, type Cause, type FeelFacts } from './cause';
import { forceChange } from './changes';
import { newtonMetres } from './figures';
import { percent } from '../text/percent';

/** What an effect may be of the tyres’ own force before it hides them. */
const QUIET_SHARE = 0.3;
const LOUD_SHARE = 0.7;
/** A kerb that shakes by so much is information: N·m, and as a share of what corners weigh. */
const KERB_NM = 0.8;
const KERB_SHARE = 0.2;
const KERB_IS_ON = 0.25;
/** The torque falls by so much before the front lets go: it is felt. */
const FELT_DROP = 0.3;

/** An effect as its own field says it: what stands beside the gain is a share of it in the chain. */
const amountOf = ({ title }: FeelFacts['chain'], effect: Effect) =>
  title.effects[effect] * (title.unscaledByGain?.includes(effect) ? title.gain : 1);

/** How loud an effect is against the tyres, where it should be quiet. */
function loudest({ balance }: FeelFacts, effect: Effect): { ratio: number; stretch: Stretch } {
  let most = { ratio: 0, stretch: 'straight' as Stretch };
  for (const { stretch, mask } of balance) {
    if (stretch === 'kerb' || stretch === 'off-track') continue;
    const ratio = mask[effect] ?? 0;
    if (ratio > most.ratio) most = { ratio, stretch };
  }
  return most;
}

/** An effect that hides what the tyres say, brought down to where it does not. */
function tooLoud(effect: Effect, name: string): Cause {
  return {
    name,
    takesAway: true,
    judge(f) {
      const { facts, chain } = f;
      const { ratio, stretch } = loudest(f, effect);
      const parameter = effectParameter(effect);
      const label = forceField(facts.menus, facts.values, 'title', parameter)?.field.label;
      if (!label) return { evidence: 0, says: 'The title has no such effect.' };
      const says = `${label} is ${percent(ratio)} of the tyres’ own force on a ${stretch}.`;
      const quiet = (amountOf(chain, effect) * QUIET_SHARE) / Math.max(QUIET_SHARE, ratio);
      return {
        evidence: ramp(ratio, QUIET_SHARE, LOUD_SHARE),
        says,
        change: forceChange(facts, 'title', parameter, quiet, says, 'atMost'),
      };
    },
  };
}

/** How strong a signal is of which nobody gave the full scale, a simulated ride cannot tell. */
const SCALE_UNKNOWN = {
  evidence: 0,
  amount: 0,
  says: 'The full scale of the car’s force is taken as usual: a log with the force signal would tell.',
  change: null,
};

/** What title and base do to the signal, and what is added to it. */
export const SIGNAL_CAUSES = {
  gainUnused: {
    name: 'The signal lies unused',
    takesAway: false,
    judge({ facts, chain, judged, clipping, isLogged }) {
      const { headroomDb } = judged.judgement;
      if (facts.car.scaleIsAssumed && !isLogged) return SCALE_UNKNOWN;
      const advice = gainAdvice(facts, chain, judged, clipping);
      return {
        evidence: headroomDb === null ? 0 : ramp(headroomDb, 0.5, 5),
        amount: Math.max(0, headroomDb ?? 0),
        isLogged,
        says:
          headroomDb === null
            ? 'There is no force at all.'
            : `All but the highest thousandth stays ${Math.abs(headroomDb).toFixed(1)} dB ${headroomDb < 0 ? 'over' : 'under'} full scale.`,
        change: advice && advice.to > advice.from ? advice : null,
      };
    },
  },
  clips: {
    name: 'The force is clipped flat',
    takesAway: true,
    judge({ facts, chain, judged, clipping, isLogged }) {
      const { clipShare, sustainedShare } = judged.judgement;
      if (facts.car.scaleIsAssumed && !isLogged) return SCALE_UNKNOWN;
      const advice = gainAdvice(facts, chain, judged, clipping);
      return {
        evidence: Math.max(ramp(clipShare, 0.01, 0.06), ramp(sustainedShare, 0.001, 0.01)),
        amount: clipShare + sustainedShare,
        isLogged,
        says: `${percent(clipShare, 1)} of the ride is clipped, ${percent(sustainedShare, 1)} held at the limit: there nothing more can be said, however much is added.`,
        change: advice && advice.to < advice.from ? advice : null,
      };
    },
  },
  comesInSteps: {
    name: 'The title’s force comes in steps',
    takesAway: false,
    judge({ facts, points, smooth }) {
      const advice = smoothingAdvice(facts, points, smooth, 'smooth');
      return {
        evidence: ramp(smooth.roughness, 1.25, 2.5),
        says: `At ${facts.rateHz} Hz the rim gets a force ${smooth.roughness.toFixed(1)} times as rough as the title means it.`,
        change: advice && advice.to > advice.from ? advice : null,
      };
    },
  },
  smoothingNumbs: {
    name: 'Smoothing takes the detail away',
    takesAway: true,
    judge({ facts, points, smooth }) {
      const kept = smooth.detail ?? 1;
      const advice = ['smooth' as const, 'raw' as const]
        .map((school) => smoothingAdvice(facts, points, smooth, school))
        .find((one) => one !== null && one.to < one.from);
      return {
        evidence: ramp(0.85 - kept, 0, 0.3),
        says: `Of the signal between 8 and 60 Hz ${percent(kept)} reach the rim.`,
        change: advice ?? null,
      };
    },
  },
  smoothingHidesRoad: {
    name: 'Smoothing hides what the road effect adds',
    takesAway: true,
    judge({ facts, points, smooth, chain }) {
      const kept = smooth.bands.find(({ fromHz }) => fromHz === 20)?.kept ?? 1;
      const advice = smoothingAdvice(facts, points, smooth, 'raw');
      return {
        evidence: chain.title.effects.road > 0 ? ramp(0.6 - kept, 0, 0.35) : 0,
        says: `Between 20 and 60 Hz, where the road is, ${percent(kept)} reach the rim.`,
        change: advice && advice.to < advice.from ? advice : null,
      };
    },
  },
  roadTooLoud: tooLoud('road', 'The road effect is louder than the tyres'),
  slipMasks: tooLoud('slip', 'The slip effect drowns the tyres'),
  kerbTooLoud: {
    name: 'The kerb effect shakes the rim',
    takesAway: true,
    judge(f) {
      const { title, base } = f.chain;
      const shakes = title.gain * title.effects.kerb * KERB_LEVEL * base.strength * f.chain.hardware.ratedNm;
      const { cornerNm } = f.judged.judgement;
      const says = `A kerb shakes the rim by ±${newtonMetres(shakes)}; corners weigh ${newtonMetres(cornerNm)}.`;
      return {
        amount: shakes,
        evidence: Math.max(
          // Whatever shakes on kerbs is this first of all.
          title.effects.kerb > 0 ? KERB_IS_ON : 0,
          ramp(shakes, KERB_NM, 3 * KERB_NM),
          ramp(shakes / Math.max(0.1, cornerNm), KERB_SHARE, 3 * KERB_SHARE),
        ),
        says,
        // Half of what it is: who complains of it wants to feel a difference, and still to feel the kerb.
        change: forceChange(f.facts, 'title', 'kerbEffect', amountOf(f.chain, 'kerb') / 2, says, 'atMost'),
      };
    },
  },
  cueFlat: {
    name: 'The torque hardly falls before the front slides',
    takesAway: false,
    judge({ facts, chain, cue }) {
      const field = forceField(facts.menus, facts.values, 'title', 'understeerCue');
      const enough = field
        ? Array.from({ length: gridCount(field.field) }, (_, i) => gridPoint(field.field, i)).find(
            (value) => gripCue(chain.car, toCanonical(field.field, value)).drop >= FELT_DROP,
          )
        : undefined;
      const says = `The torque peaks at ${percent(cue.lead)} of the grip and falls by ${percent(cue.drop)} until the front lets go.`;
      return {
        evidence: ramp(FELT_DROP - cue.drop, 0, FELT_DROP),
        says,
        change:
          field && enough !== undefined && enough > field.value
            ? { key: field.key, label: field.field.label, from: field.value, to: enough, evidence: says }
            : null,
      };
    },
  },
  deadControl: {
    name: 'A control that nothing lets through',
    takesAway: true,
    judge({ facts, calm }) {
      const [advice] = deadAdvice(facts, isCalm(calm));
      return advice
        ? { evidence: 1, says: advice.evidence, change: advice }
        : { evidence: 0, says: 'Everything that is set acts on something.' };
    },
  },
  doubled: {
    name: 'Two settings do the same',
    takesAway: true,
    judge({ facts }) {
      const [doubled] = doubledAdvice(facts);
      return doubled
        ? { evidence: 0.4, says: doubled.evidence, change: doubled }
        : { evidence: 0, says: 'Nothing is set twice.' };
    },
  },
} satisfies Record<string, Cause>;
