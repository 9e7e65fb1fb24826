import type { ExperimentAnswer, ExperimentPlan, Question } from '@/core/experiment/questions';
import { bestWords } from './questions/best';
import { discriminateWords, likeWords } from './questions/blind';
import { changeWords } from './questions/change';
import { exploreWords } from './questions/explore';
import { jndWords } from './questions/jnd';
import type { QuestionWords } from './questions/questionWords';

/** The questions as they are asked and answered. */
export const QUESTION_WORDS = {
  change: changeWords,
  discriminate: discriminateWords,
  like: likeWords,
  jnd: jndWords,
  best: bestWords,
  explore: exploreWords,
} as unknown as Record<Question, QuestionWords<ExperimentPlan, ExperimentAnswer>>;
