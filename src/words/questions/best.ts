import { noticedInSearch } from '@/core/experiment/noticed';
import type { BestAnswer, BestPlan } from '@/core/experiment/questions/best';
import { SENTENCES } from '../verdictSentences';
import { usualWords, type QuestionWords } from './questionWords';

export const bestWords: QuestionWords<BestPlan, BestAnswer> = {
  ...usualWords,
  ask: 'Where is the best value?',
  short: 'best?',
  about: 'After every ride you say whether it was better and whether you want more or less.',
  ends: { from: 'Search from', to: 'to' },
  plan: ({ searched }) => SENTENCES.planSearch(searched),
  open: () => SENTENCES.notLooked(),
  answer({ answer: { found }, isGivenUp, ridden }, words) {
    if (found.state === 'no preference') return SENTENCES.noPreference();
    if (found.state === 'found')
      return Object.entries(found.best)
        .map(([key, best]) =>
          SENTENCES.bestLies(words.name(key).toLowerCase(), best, (v) => words.value(key, v)),
        )
        .join('. ');
    return isGivenUp ? SENTENCES.searchBroken(ridden) : SENTENCES.searching(ridden + 1);
  },
  remarks: ({ answer: { found } }, words) => [
    // Of a search that found nothing the answers say nothing of how fine the driver feels it.
    ...(found.state === 'found' ? Object.entries(found.jnd) : []).map(([key, jnd]) =>
      words.noticed(key, noticedInSearch(jnd)),
    ),
    ...Object.entries(found.apart).map(([key, { preferred, wished }]) =>
      SENTENCES.apart(words.name(key).toLowerCase(), words.value(key, preferred), words.value(key, wished)),
    ),
  ],
};
