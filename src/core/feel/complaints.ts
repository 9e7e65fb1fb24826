import { CAUSES, type CauseId } from './causes';
import { rankCauses, type FeelFacts, type FoundCause } from './cause';

/** What a driver says of the feel, and what can be behind it. */
export interface Complaint {
  id: string;
  words: string;
  causes: readonly CauseId[];
  /** What no signal can show, to be looked at by hand. */
  byHand: string;
}

export const COMPLAINTS: readonly Complaint[] = [
  {
    id: 'numb',
    words: 'Numb around the centre',
    causes: [
      'deadZone',
      'calmCurve',
      'frictionSwallows',
      'smoothingNumbs',
      'dragHeavy',
      'ownFriction',
      'gainUnused',
    ],
    byHand: 'play in the quick release or the rim’s screws',
  },
  {
    id: 'saws',
    words: 'It saws by itself, hands off',
    causes: ['rocks', 'springRings', 'tooStrong', 'deadDamper', 'damperMissing'],
    byHand: 'a clamp that gives: a base that rocks on its desk swings with it',
  },
  {
    id: 'robotic',
    words: 'Robotic, like gears',
    causes: ['clips', 'comesInSteps', 'jumps', 'roadTooLoud'],
    byHand: 'the teeth of a gear drive, felt with the power off as well',
  },
  {
    id: 'water',
    words: 'Like steering through water',
    causes: ['dragHeavy', 'ownFriction', 'ownInertia', 'smoothingNumbs'],
    byHand: 'a rim much heavier than the base was made for',
  },
  {
    id: 'gravel',
    words: 'Gravel on a clean road',
    causes: ['roadTooLoud', 'jumps', 'comesInSteps'],
    byHand: 'a noisy steering sensor: measure the steering in Axes',
  },
  {
    id: 'stays',
    words: 'It doesn’t come back',
    causes: ['frictionHolds', 'dragHeavy', 'ownFriction', 'gainUnused', 'deadControl'],
    byHand: 'a cable that pulls, or a belt that is too tight',
  },
  {
    id: 'kerbs',
    words: 'Kerbs break my wrist',
    causes: ['kerbTooLoud', 'hitsUnlimited', 'cornersHeavy'],
    byHand: 'thumbs: outside the spokes. Pain is a reason to stop, not to tune',
  },
  {
    id: 'slides',
    words: 'No warning before it slides',
    causes: ['clips', 'slipMasks', 'smoothingNumbs', 'dragHeavy', 'cueFlat'],
    byHand: 'a car that is set up to slide: its own set-up decides more than the wheel',
  },
  {
    id: 'dead-slider',
    words: 'The slider does nothing',
    causes: ['deadControl', 'clips', 'smoothingHidesRoad', 'doubled'],
    byHand: 'a title that takes a setting only after a restart',
  },
  {
    id: 'weak',
    words: 'Too weak',
    causes: ['gainUnused', 'frictionSwallows', 'cornersLight'],
    byHand: 'a supply that is too small, or a base that has grown hot',
  },
  {
    id: 'strong',
    words: 'Too strong',
    causes: ['cornersHeavy', 'hitsUnlimited', 'dragHeavy'],
    byHand: 'a rim too small for the base: the same torque pulls harder',
  },
  {
    id: 'cars',
    words: 'Different in each car',
    causes: ['carsDiffer', 'clips'],
    byHand: 'cars that are meant to differ: a heavy one is heavy',
  },
  {
    id: 'chatters',
    words: 'It chatters loudly',
    causes: ['jumps', 'rocks', 'roadTooLoud', 'comesInSteps'],
    byHand: 'worn gears, a loose rim or a desk that sounds along',
  },
];

/** The causes of a complaint on this combination, ranked by what was measured. */
export function causesOf(complaint: Complaint, facts: FeelFacts): FoundCause[] {
  return rankCauses(
    complaint.causes.map((id) => CAUSES[id]),
    facts,
  );
}
