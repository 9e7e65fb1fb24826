import { z } from 'zod';
import { jndStaircase, jndFrom, type JndPlan } from '../experiment/questions/jnd';
import { MOST_NOTICED, type JustNoticeable } from '../experiment/justNoticeable';
import type { Answer } from '../experiment/trial';
import { jsonFormat } from './jsonFormat';
import { holdsCommitment, isCheckable, orderSchema, sealedFields, UNCHECKABLE } from './sealedOrders';

const LARGEST = 1e9;
const MOST_LISTED = 10 * MOST_NOTICED;
const number = z.number().min(-LARGEST).max(LARGEST);

const noticeSchema = z
  .strictObject({
    /** The menu of the setting, and what one ride of every pair had: A. */
    min: number,
    max: number,
    step: number.positive(),
    at: number,
    ...sealedFields(MOST_LISTED),
    /** Which of the two was named as having more; `none` of a pair that was noticed otherwise. */
    pairs: z
      .array(
        z.strictObject({
          order: orderSchema,
          apart: number.positive(),
          answer: z.enum(['first', 'second', 'none']),
        }),
      )
      .max(MOST_LISTED),
  })
  .refine(({ min, max, step }) => max - min >= step, {
    message: 'max lies a step above min or more',
    path: ['max'],
  })
  .refine(({ min, max, at }) => at >= min && at <= max, { message: 'it lies in the menu', path: ['at'] })
  .refine(isCheckable, UNCHECKABLE);

export type NoticeDocument = z.output<typeof noticeSchema>;

/** A `*.notice.json`. */
export const { read: readNoticeJson, write: writeNoticeJson } = jsonFormat({
  name: 'notice',
  schema: noticeSchema,
});

export interface NoticeAnswer extends JustNoticeable {
  /** Pairs that count, and those of them that were named right. */
  pairs: number;
  right: number;
  /** The orders are those that were promised; `null` where nothing was. */
  commitmentHolds: boolean | null;
}

/** What a driver just notices, in the menu's own scale, and how far apart the next pair lies. @param sha256 lower-case hex digest of a text */
export function judgeNotice(document: NoticeDocument, sha256: (text: string) => string): NoticeAnswer {
  const { min, max, step, at, pairs } = document;
  const plan: JndPlan = {
    ...{ question: 'jnd', way: 'here', at, lapsPerRide: 1, stretch: 'straight' },
    setting: { key: 'title/steering/deadzone', min, max, step },
  };
  const driven = pairs.map(({ order }) => order);
  const answers = pairs.map(({ answer, apart }, place): Answer => ({
    ...{ place, atMs: 0 },
    said: { kind: 'pair', answer, sure: null, noticed: answer === 'none', apart },
  }));
  const counted = jndStaircase(plan, driven, answers);
  return {
    pairs: counted.length,
    right: counted.filter(({ isRight }) => isRight).length,
    ...jndFrom(plan, driven, answers),
    commitmentHolds: holdsCommitment(document, driven, sha256),
  };
}
