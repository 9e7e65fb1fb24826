import { MOST_BLIND_PAIRS, type BlindScore } from '@/core/experiment/bettingScore';
import type { BlindAnswer } from '@/core/experiment/questions/blind';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import { SENTENCES } from '../verdictSentences';
import { usualWords, type QuestionWords } from './questionWords';

/** What the blind questions of two sides say alike. @param shown what was shown; @param notShown what was not */
const blindWords = (
  shown: (score: BlindScore) => string,
  notShown: (score: BlindScore) => string,
): Omit<QuestionWords<PairPlan, BlindAnswer>, 'ask' | 'short' | 'about'> => ({
  ...usualWords,
  keep: 'B',
  putBack: 'A',
  plan: () => SENTENCES.planBlind(MOST_BLIND_PAIRS),
  open: (pair) => SENTENCES.blindOpen(pair, MOST_BLIND_PAIRS),
  answer({ answer: { orders, commitmentHolds, score }, isGivenUp }) {
    const unusable = sealBroken(orders, commitmentHolds, isGivenUp);
    if (unusable !== null) return unusable;
    if (score.verdict === 'shown') return shown(score);
    return isGivenUp && score.verdict === 'open' ? SENTENCES.blindBroken(score.pairs) : notShown(score);
  },
  remarks: ({ answer }) => sealRemarks(answer.commitmentHolds),
});

/** Where the orders are lost, or are not those that were promised: then nothing else is told. */
export function sealBroken(
  orders: readonly unknown[],
  holds: boolean | null,
  isGivenUp: boolean,
): string | null {
  if (orders.length === 0 && isGivenUp) return SENTENCES.ordersLost();
  return holds === false ? SENTENCES.commitmentBroken() : null;
}

export const sealRemarks = (holds: boolean | null) => (holds ? [SENTENCES.commitmentHolds()] : []);

export const discriminateWords: QuestionWords<PairPlan, BlindAnswer> = {
  ...blindWords(
    (score) => SENTENCES.toldB(score),
    (score) => SENTENCES.notTold(score),
  ),
  ask: 'Could I tell?',
  short: 'tell?',
  about: 'Blind: this program, a helper or a file loads A or B, and you say which was B.',
};

export const likeWords: QuestionWords<PairPlan, BlindAnswer> = {
  ...blindWords(
    (score) => SENTENCES.likesSide(score.prefers!, score),
    (score) => SENTENCES.noLiking(score),
  ),
  ask: 'Which do I like?',
  short: 'like?',
  about: 'Blind: this program, a helper or a file loads A or B, and you say which is better.',
};
