import type { ExploreAnswer, ExplorePlan } from '@/core/experiment/questions/explore';
import { SENTENCES } from '../verdictSentences';
import { usualWords, type QuestionWords } from './questionWords';

export const exploreWords: QuestionWords<ExplorePlan, ExploreAnswer> = {
  ...usualWords,
  ask: 'What does this one do?',
  short: 'what?',
  about: 'At its least, at its most, and back: to learn what a setting is.',
  whatNext:
    'Now you know which way it goes: search its best value, or ask whether a change of it can be told.',
  plan: () => SENTENCES.planExplore(),
  open: () => SENTENCES.notLooked(),
  answer({ asked: { setting }, answer: { rides } }, words) {
    const name = words.name(setting.key);
    return rides.some(({ summary }) => summary)
      ? SENTENCES.exploreRidden(
          name,
          words.value(setting.key, setting.min),
          words.value(setting.key, setting.max),
        )
      : SENTENCES.exploreUnlogged(name);
  },
};
