import { z } from 'zod';
import { committedText } from '../experiment/coinOrders';
import { finePairs, noticedFinely } from '../experiment/finePairs';
import { MOST_NOTICED, type JustNoticeable } from '../experiment/justNoticeable';
import type { Answer, FinePlan } from '../experiment/plan';
import type { Outcome } from '../problem';
import { readDocument } from './jsonDocument';

export const NOTICE_FORMAT = 'pebble-road/notice';

const LARGEST = 1e9;
const MOST_LISTED = 10 * MOST_NOTICED;
const number = z.number().min(-LARGEST).max(LARGEST);
const orderSchema = z.enum(['AB', 'BA']);

export const noticeSchema = z
  .strictObject({
    format: z.literal(NOTICE_FORMAT),
    version: z.literal(1),
    /** The menu of the setting, and what one ride of every pair had: A. */
    min: number,
    max: number,
    step: number.positive(),
    at: number,
    salt: z.string().max(200).optional(),
    commitment: z
      .string()
      .regex(/^[0-9a-f]{64}$/, 'it is no SHA-256: 64 digits 0 to 9 and a to f')
      .optional(),
    drawn: z.array(orderSchema).max(MOST_LISTED).optional(),
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
  .refine(({ commitment, salt }) => commitment === undefined || salt !== undefined, {
    message: 'a commitment can only be checked with its salt',
    path: ['salt'],
  });

export type NoticeDocument = z.output<typeof noticeSchema>;

export const readNoticeJson = (text: string): Outcome<NoticeDocument> =>
  readDocument(text, noticeSchema, NOTICE_FORMAT);

export interface NoticeAnswer extends JustNoticeable {
  /** Pairs that count, and those of them that were named right. */
  pairs: number;
  right: number;
  /** The orders are those that were promised; `null` where nothing was. */
  commitmentHolds: boolean | null;
}

/** What a driver just notices, in the menu's own scale, and how far apart the next pair lies. @param sha256 lower-case hex digest of a text */
export function judgeNotice(
  { min, max, step, at, pairs, drawn, commitment, salt }: NoticeDocument,
  sha256: (text: string) => string,
): NoticeAnswer {
  const plan: FinePlan = {
    ...{ question: 'fine', way: 'here', at, lapsPerRide: 1, stretch: 'straight' },
    setting: { key: 'title/steering/deadzone', min, max, step },
  };
  const driven = pairs.map(({ order }) => order);
  const orders = drawn ?? driven;
  const answers = pairs.map(({ answer, apart }, place): Answer => ({
    ...{ place, atMs: 0 },
    said: { kind: 'pair', answer, sure: null, noticed: answer === 'none', apart },
  }));
  const counted = finePairs(plan, driven, answers);
  const areThose = driven.every((order, i) => order === orders[i]);
  return {
    pairs: counted.length,
    right: counted.filter(({ isRight }) => isRight).length,
    ...noticedFinely(plan, driven, answers),
    commitmentHolds:
      commitment === undefined ? null : areThose && sha256(committedText(orders, salt!)) === commitment,
  };
}
