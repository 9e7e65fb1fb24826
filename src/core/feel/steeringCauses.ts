import { effectiveResponse, respond } from '../response/compose';
import { NEUTRAL_LAYER } from '../response/layer';
import { responseLayers } from '../settings/menus';
import { ramp, type Cause, type FeelFacts } from './cause';
import { neutralSteering } from './changes';
import { percent } from '../text/percent';

/** Deflection of a fifth of the half turn: the middle, where straights are driven. */
const MIDDLE = 0.2;

const steering = ({ facts }: FeelFacts) => responseLayers(facts.menus, facts.values, 'steering');

/** What the response of the steering can do to the centre. */
export const STEERING_CAUSES = {
  deadZone: {
    name: 'A dead zone in the steering',
    takesAway: true,
    judge(f) {
      const { deadzone } = effectiveResponse(steering(f));
      const says =
        deadzone > 0
          ? `The first ${percent(deadzone, 1)} of the half turn do nothing at all.`
          : 'The steering has no dead zone.';
      return {
        evidence: ramp(deadzone, 0, 0.02),
        says,
        change: neutralSteering(f.facts, 'deadzone', says),
      };
    },
  },
  calmCurve: {
    name: 'A curve that makes the centre slow',
    takesAway: true,
    judge(f) {
      // The dead zone has a cause of its own.
      const curves = steering(f).map(({ curve }) => ({ ...NEUTRAL_LAYER, curve }));
      const share = respond(curves, MIDDLE) / MIDDLE;
      const says = `At a fifth of the half turn the car steers ${percent(share)} of what it would without a curve.`;
      return { evidence: ramp(1 - share, 0.15, 0.5), says, change: neutralSteering(f.facts, 'curve', says) };
    },
  },
} satisfies Record<string, Cause>;
