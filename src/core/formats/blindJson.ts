import { z } from 'zod';
import { bettingScore, MOST_BLIND_PAIRS, type BlindScore } from '../experiment/bettingScore';
import { committedText } from '../experiment/coinOrders';
import type { Outcome } from '../problem';
import { readDocument } from './jsonDocument';

export const BLIND_FORMAT = 'pebble-road/blind';

const orderSchema = z.enum(['AB', 'BA']);
/** More pairs than a test takes are told by nobody; a few more do no harm. */
const MOST_LISTED = 10 * MOST_BLIND_PAIRS;

const pairSchema = z.strictObject({
  order: orderSchema,
  answer: z.enum(['first', 'second', 'none']),
  sure: z.enum(['guess', 'think', 'sure']).nullable(),
});

export const blindSchema = z
  .strictObject({
    format: z.literal(BLIND_FORMAT),
    version: z.literal(1),
    question: z.enum(['which', 'better']),
    salt: z.string().max(200).optional(),
    commitment: z
      .string()
      .regex(/^[0-9a-f]{64}$/, 'it is no SHA-256: 64 digits 0 to 9 and a to f')
      .optional(),
    /** All orders drawn, also those that were not driven. */
    drawn: z.array(orderSchema).max(MOST_LISTED).optional(),
    pairs: z.array(pairSchema).max(MOST_LISTED),
  })
  .refine(({ commitment, salt }) => commitment === undefined || salt !== undefined, {
    message: 'a commitment can only be checked with its salt',
    path: ['salt'],
  });

export type BlindDocument = z.output<typeof blindSchema>;

export const readBlindJson = (text: string): Outcome<BlindDocument> =>
  readDocument(text, blindSchema, BLIND_FORMAT);

export interface BlindAnswer extends BlindScore {
  /** The orders are those that were promised; `null` where nothing was. */
  commitmentHolds: boolean | null;
}

/** @param sha256 lower-case hex digest of a text */
export function judgeBlind(
  { question, pairs, drawn, commitment, salt }: BlindDocument,
  sha256: (text: string) => string,
): BlindAnswer {
  const driven = pairs.map(({ order }) => order);
  const orders = drawn ?? driven;
  const areThose = driven.every((order, i) => order === orders[i]);
  return {
    ...bettingScore(question, pairs),
    commitmentHolds:
      commitment === undefined ? null : areThose && sha256(committedText(orders, salt!)) === commitment,
  };
}
