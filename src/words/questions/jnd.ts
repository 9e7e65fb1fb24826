import { MOST_NOTICED } from '@/core/experiment/justNoticeable';
import { LEAST_PAIRS } from '@/core/experiment/noticed';
import { offeredApart, type JndAnswer, type JndPlan } from '@/core/experiment/questions/jnd';
import { SENTENCES } from '../verdictSentences';
import { sealBroken, sealRemarks } from './blind';
import { usualWords, type QuestionWords } from './questionWords';

export const jndWords: QuestionWords<JndPlan, JndAnswer> = {
  ...usualWords,
  ask: 'How little do I notice?',
  short: 'how fine?',
  about: 'Blind and alone, here: pairs that come closer as you name the greater one right.',
  brokenOff: (tells) =>
    tells ? 'What you notice is told as far as these pairs say it.' : usualWords.brokenOff(),
  whatNext: 'From now on a change that you would hardly notice is said to be one.',
  plan: () => SENTENCES.planJnd(),
  open: (pair) => SENTENCES.blindOpen(pair, MOST_NOTICED),
  answer({ asked, answer: { pairs, told, isKnown, orders, commitmentHolds }, isGivenUp }, words) {
    const unusable = sealBroken(orders, commitmentHolds, isGivenUp);
    if (unusable !== null) return unusable;
    if (pairs.length < LEAST_PAIRS) return SENTENCES.jndBroken(pairs.length);
    const { key, step } = asked.setting;
    const name = words.name(key).toLowerCase();
    const fine = (value: number) => words.fine(key, value);
    if (isEveryStep(asked, told)) return SENTENCES.jndEvery(name, words.value(key, step));
    if (!isBeyond(asked, told))
      return SENTENCES.jndTold(name, fine(told.jnd), fine(told.low), fine(told.high));
    return !isKnown && !isBeyond(asked, { high: told.jnd })
      ? SENTENCES.jndBroken(pairs.length)
      : SENTENCES.jndBeyond(name, fine(told.low));
  },
  remarks: ({ asked, answer: { pairs, told, commitmentHolds } }) => [
    ...(pairs.length >= LEAST_PAIRS && !isEveryStep(asked, told) && !isBeyond(asked, told)
      ? [SENTENCES.jndMeans()]
      : []),
    ...sealRemarks(commitmentHolds),
  ],
};

/** Nobody is tried with more than the menu has: what lies beyond is not claimed to be noticed. */
const isBeyond = (plan: JndPlan, { high }: { high: number }) => high > (offeredApart(plan).at(-1) ?? 0);

/** Who notices less than the least that the menu has notices each of its steps. */
const isEveryStep = ({ setting }: JndPlan, { high }: { high: number }) => high < setting.step;
