import { addsForce, isCalm } from '../force/forceAdvice';
import { FAST_MPS, ROLL_MPS, unrest } from '../force/handsOff';
import { CAUSES, type CauseId } from './causes';
import { rankCauses, type FeelChange, type FeelFacts, type FoundCause } from './cause';

/** What a driver says of the feel, and what can be behind it. */
export interface Complaint {
  id: string;
  words: string;
  causes: readonly CauseId[];
  /** What no signal can show, to be looked at by hand. */
  byHand: string;
  /** What to measure next where nothing that can be changed explains it, and where that is done. */
  next: NextMeasure;
}

export interface NextMeasure {
  measure: string;
  where: 'steering' | 'hands-off' | 'ride' | 'compare' | 'pre-flight' | 'stability';
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
    next: {
      measure: 'the hysteresis of your steering: two slow sweeps from the left and from the right',
      where: 'steering',
    },
  },
  {
    id: 'saws',
    words: 'It saws by itself, hands off',
    causes: ['rocks', 'springRings', 'tooStrong', 'deadDamper', 'damperMissing'],
    byHand: 'a clamp that gives: a base that rocks on its desk swings with it',
    next: {
      measure: 'where it begins: hands off, rolling slowly, minimum force in small steps from the seat',
      where: 'hands-off',
    },
  },
  {
    id: 'robotic',
    words: 'Robotic, like gears',
    causes: ['clips', 'comesInSteps', 'jumps', 'roadTooLoud'],
    byHand: 'the teeth of a gear drive, felt with the power off as well',
    next: {
      measure: 'a ride of this title with its force logged, and judge that instead of the simulated one',
      where: 'ride',
    },
  },
  {
    id: 'water',
    words: 'Like steering through water',
    causes: ['dragHeavy', 'ownFriction', 'ownInertia', 'smoothingNumbs'],
    byHand: 'a rim much heavier than the base was made for',
    next: {
      measure: 'the base with its power off: turned by hand, is it as heavy as now?',
      where: 'pre-flight',
    },
  },
  {
    id: 'gravel',
    words: 'Gravel on a clean road',
    causes: ['roadTooLoud', 'jumps', 'comesInSteps'],
    byHand: 'a noisy steering sensor: measure the steering in Axes',
    next: { measure: 'the noise of the steering sensor at rest', where: 'steering' },
  },
  {
    id: 'stays',
    words: 'It doesn’t come back',
    causes: ['frictionHolds', 'dragHeavy', 'ownFriction', 'gainUnused', 'deadControl'],
    byHand: 'a cable that pulls, or a belt that is too tight',
    next: {
      measure: 'how far from centre the rim comes to rest after a release from either side',
      where: 'steering',
    },
  },
  {
    id: 'kerbs',
    words: 'Kerbs break my wrist',
    causes: ['kerbTooLoud', 'hitsUnlimited'],
    byHand: 'where the thumbs are: outside the spokes. Pain is a reason to stop, not to tune',
    next: {
      measure: 'a ride over the kerbs with its force logged: which hits reach the limit',
      where: 'ride',
    },
  },
  {
    id: 'slides',
    words: 'No warning before it slides',
    causes: ['clips', 'slipMasks', 'smoothingNumbs', 'dragHeavy', 'cueFlat'],
    byHand: 'a car that is set up to slide: its own set-up decides more than the wheel',
    next: {
      measure: 'a ride to the limit with its force logged: does the force fall before the front lets go',
      where: 'ride',
    },
  },
  {
    id: 'dead-slider',
    words: 'The slider does nothing',
    causes: ['deadControl', 'clips', 'smoothingHidesRoad', 'doubled'],
    byHand: 'a title that takes a setting only after a restart',
    next: { measure: 'the slider at nothing and at its end, one ride each, compared', where: 'compare' },
  },
  {
    id: 'weak',
    words: 'Too weak',
    causes: ['gainUnused', 'frictionSwallows', 'cornersLight'],
    byHand: 'a supply that is too small, or a base that has grown hot',
    next: { measure: 'a ride with its force logged: how much of the scale the title uses', where: 'ride' },
  },
  {
    id: 'strong',
    words: 'Too strong',
    causes: ['cornersHeavy', 'hitsUnlimited', 'dragHeavy'],
    byHand: 'a rim too small for the base: the same torque pulls harder',
    next: {
      measure: 'the torque that you hold for an evening: one ride at half the strength, compared',
      where: 'compare',
    },
  },
  {
    id: 'cars',
    words: 'Different in each car',
    causes: ['carsDiffer', 'clips'],
    byHand: 'cars that are meant to differ: a heavy one is heavy',
    next: { measure: 'a ride in the other car, its force logged', where: 'ride' },
  },
  {
    id: 'chatters',
    words: 'It chatters loudly',
    causes: ['jumps', 'rocks', 'roadTooLoud', 'comesInSteps'],
    byHand: 'worn gears, a loose rim or a desk that sounds along',
    next: {
      measure: 'the base with its power off: does the rim rattle when it is shaken by hand?',
      where: 'pre-flight',
    },
  },
];

/** The causes of a complaint on this combination, ranked by what was measured. */
export function causesOf(complaint: Complaint, facts: FeelFacts): FoundCause[] {
  return rankCauses(
    complaint.causes.map((id) => CAUSES[id]),
    facts,
  );
}

/** What is answered to a complaint: one sensible change, tried in simulation, or what to measure next. */
export interface FeelAnswer {
  causes: FoundCause[];
  /** The change that is offered and what its cause says with it set; `null` where none helps. */
  advised: { cause: FoundCause; change: FeelChange; after: string } | null;
  next: NextMeasure;
}

/** So many changes are tried before it is left at what to measure. */
const MOST_TRIED = 3;
/** A change is worth a ride that takes this part of its cause away, and puts no more than this elsewhere. */
const WORTH_IT = 0.1;

/**
 * Tries the changes of the strongest causes, one by one: the first that weakens its own cause, does not strengthen the others
 * by more than that, and does not set the rim going, is advised.
 * @param withChange everything that is measured, with one change set
 */
export function answerTo(
  complaint: Complaint,
  facts: FeelFacts,
  withChange: (change: FeelChange) => FeelFacts,
): FeelAnswer {
  const causes = causesOf(complaint, facts);
  const weight = (all: readonly FoundCause[]) => all.reduce((sum, { evidence }) => sum + evidence, 0);
  const moves = !isCalm(facts.calm);
  let isWithheld = false;
  for (const cause of causes.filter(({ change }) => change !== null).slice(0, MOST_TRIED)) {
    const change = cause.change!;
    if (moves && addsForce(change)) {
      isWithheld = true;
      continue;
    }
    const tried = withChange(change);
    const then = causesOf(complaint, tried);
    const own = then.find(({ name }) => name === cause.name)!;
    const isLess = own.amount <= (1 - WORTH_IT) * cause.amount && weight(then) < weight(causes) + WORTH_IT;
    if (isLess && !stirs(facts, tried))
      return { causes, advised: { cause, change, after: own.says }, next: complaint.next };
  }
  return { causes, advised: null, next: isWithheld ? CALM_FIRST : complaint.next };
}

/** While a rim moves by itself, what would add force waits. */
const CALM_FIRST: NextMeasure = {
  measure:
    'how the rim is calmed: simulated, it moves by itself when it is let go, and gets no more force before',
  where: 'stability',
};

/** Whether a rim moves by itself more than before. */
function stirs({ chain }: FeelFacts, tried: FeelFacts): boolean {
  return [ROLL_MPS, FAST_MPS].some((speed) => unrest(tried.chain, speed) > unrest(chain, speed) + STIRS);
}

/** A rim that moves a little further than it did is not yet another one. */
const STIRS = 0.5;
