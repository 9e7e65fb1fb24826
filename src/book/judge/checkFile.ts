import { isPairPlan } from '@/core/experiment/questions';
import { writeBlindJson } from '@/core/formats/blindJson';
import { writeNoticeJson } from '@/core/formats/noticeJson';
import type { ExperimentView } from '../model/experimentView';

/** What a blind question came to, to be checked by oneself: a file that the command line scores again. */
export interface CheckFile {
  name: string;
  /** What was hashed before the first ride. */
  committed: string;
  text: string;
}

/** @returns `null` where nothing was sealed, or nothing is told yet */
export function checkFile({ asked, answer, answers, salt, commitment }: ExperimentView): CheckFile | null {
  if ((answer?.kind !== 'blind' && answer?.kind !== 'jnd') || !salt || !commitment) return null;
  const drawn = answer.orders;
  if (drawn.length === 0) return null;
  const committed = `${drawn.join(',')}:${salt}`;
  const said = answers.flatMap(({ place, said: one }) =>
    one.kind === 'pair' && drawn[place]
      ? [{ ...one, order: drawn[place], answer: one.noticed ? ('none' as const) : one.answer }]
      : [],
  );
  const sealed = { salt, commitment, drawn };
  if (asked.question === 'jnd') {
    const { min, max, step } = asked.setting;
    const pairs = said.flatMap(({ order, answer: named, apart }) =>
      apart === undefined ? [] : [{ order, apart, answer: named }],
    );
    const text = writeNoticeJson({ ...sealed, min, max, step, at: asked.at, pairs });
    return { name: 'test.notice.json', committed, text };
  }
  if (!isPairPlan(asked)) return null;
  return {
    name: 'test.blind.json',
    committed,
    text: writeBlindJson({
      ...sealed,
      question: asked.question === 'discriminate' ? 'which' : 'better',
      pairs: said.map(({ order, answer: named, sure }) => ({ order, answer: named, sure })),
    }),
  };
}
