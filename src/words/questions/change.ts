import type { ChangeAnswer, LeftOut } from '@/core/experiment/questions/change';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import { minutesOf, outlook, pairsToShow } from '@/core/experiment/planRides';
import { MEASURES_SHOWN, type MeasureSpec } from '@/core/rides/measures';
import { comparisonWarning, missingText, restsOn, trustSentence, verdictSentence } from '../verdict';
import { SENTENCES } from '../verdictSentences';
import { usualWords, type OwnLaps, type Planned, type QuestionWords } from './questionWords';

/** A lap that nobody has driven yet takes about so long. */
const USUAL_LAP_S = 100;
/** A difference that drivers ask about; where it takes long, that is said. */
const TENTH_S = 0.1;

const LEFT_OUT: Record<LeftOut['why'], (ride: number) => string> = {
  'no log': (ride) => SENTENCES.noLog(ride),
  'other road': (ride) => SENTENCES.otherRoad(ride),
  'other software': (ride) => SENTENCES.otherSoftware(ride),
};

export const changeWords: QuestionWords<PairPlan, ChangeAnswer> = {
  ...usualWords,
  ask: 'Did it change anything?',
  short: 'changed?',
  about: 'Rides of A and of B in the order of a coin; the laps are compared by every measure.',
  keep: 'B',
  putBack: 'A',
  brokenOff: () => 'What was driven until then is compared.',
  whatNext: 'More laps show smaller differences; looked at again, a claim has to be surer.',
  plan,
  open: () => SENTENCES.notLooked(),
  answer: ({ answer }) => verdictSentence(answer.compared.measures, answer.sides),
  trust: ({ compared, sides, isEarly }) => trustSentence(compared.measures, sides, { isEarly }),
  remarks: ({ answer: { compared, leftOut, strayLogs } }) =>
    [
      restsOn(compared),
      compared.warnings.map(comparisonWarning),
      leftOut.map(({ ride, why }) => LEFT_OUT[why](ride)),
      strayLogs > 0 ? SENTENCES.strayLogs(strayLogs) : [],
      compared.untold.filter(({ nA, nB }) => nA + nB > 0).map(missingText),
    ].flat(),
};

function plan(planned: Planned, { of, lapS }: OwnLaps, isShort: boolean): string {
  const measure = MEASURES_SHOWN.find(({ name }) => name === (planned.named ?? 'lapTimeS'))!;
  const measures = planned.named === null ? MEASURES_SHOWN.length : 1;
  const spread = of[measure.name];
  const lap = lapS ?? USUAL_LAP_S;
  const takes = SENTENCES.planTakes(planned, minutesOf(planned, lap));
  if (!spread) return `${takes}; ${SENTENCES.planUnknown()}`;
  const seen = outlook(planned, spread, measures, lap);
  if (!Number.isFinite(seen.visible)) return `${takes}. ${SENTENCES.tooFewWhy()}`;
  const shows = `${takes}: ${SENTENCES.planShows(measure, seen)}`;
  return !isShort && measure.name === 'lapTimeS' && seen.visible > TENTH_S
    ? `${shows}. ${tenthTakes(measure, spread.sigma, planned.lapsPerRide, measures)}`
    : shows;
}

function tenthTakes(measure: MeasureSpec, sigma: number, lapsPerRide: number, measures: number): string {
  const pairs = pairsToShow(TENTH_S / sigma, lapsPerRide, measures);
  return pairs === null ? SENTENCES.planHard(measure, TENTH_S) : SENTENCES.planPairs(measure, TENTH_S, pairs);
}
