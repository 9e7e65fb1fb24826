import { MOST_BLIND_PAIRS } from '@/core/experiment/bettingScore';
import type { Question } from '@/core/experiment/plan';
import { minutesOf, outlook, pairsToShow, type Plan } from '@/core/experiment/planRides';
import { MEASURES_SHOWN, type MeasureName, type MeasureSpec } from '@/core/rides/measures';
import { SENTENCES } from '@/words/verdictSentences';
import type { OwnSpread } from '../model/experimentView';

/** A lap that nobody has driven yet takes about so long. */
const USUAL_LAP_S = 100;
/** A difference that drivers ask about; where it takes long, that is said. */
const TENTH_S = 0.1;

export interface Planned extends Plan {
  /** `null` where all measures are asked about. */
  named: MeasureName | null;
  /** Settings that are searched. */
  searched: number;
}

/**
 * What a question takes and what will be able to be seen, from the driver's own spread, before the first ride.
 * @param isShort where it stands in a list: without what a tenth of a second would take
 */
export function planSentence(
  question: Question,
  planned: Planned,
  { of, lapS }: OwnSpread,
  isShort = false,
): string {
  if (question === 'best') return SENTENCES.planSearch(planned.searched);
  if (question === 'explore') return SENTENCES.planExplore();
  if (question === 'jnd') return SENTENCES.planJnd();
  if (question !== 'change') return SENTENCES.planBlind(MOST_BLIND_PAIRS);
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
