import { z } from 'zod';
import { bettingScore, MOST_BLIND_PAIRS, type BlindScore } from '../experiment/bettingScore';
import { jsonFormat } from './jsonFormat';
import { holdsCommitment, isCheckable, orderSchema, sealedFields, UNCHECKABLE } from './sealedOrders';

/** More pairs than a test takes are told by nobody; a few more do no harm. */
const MOST_LISTED = 10 * MOST_BLIND_PAIRS;

const pairSchema = z.strictObject({
  order: orderSchema,
  answer: z.enum(['first', 'second', 'none']),
  sure: z.enum(['guess', 'think', 'sure']).nullable(),
});

const blindSchema = z
  .strictObject({
    question: z.enum(['which', 'better']),
    ...sealedFields(MOST_LISTED),
    pairs: z.array(pairSchema).max(MOST_LISTED),
  })
  .refine(isCheckable, UNCHECKABLE);

export type BlindDocument = z.output<typeof blindSchema>;

/** A `*.blind.json`. */
export const { read: readBlindJson, write: writeBlindJson } = jsonFormat({
  name: 'blind',
  schema: blindSchema,
});

export interface BlindAnswer extends BlindScore {
  /** The orders are those that were promised; `null` where nothing was. */
  commitmentHolds: boolean | null;
}

/** @param sha256 lower-case hex digest of a text */
export function judgeBlind(document: BlindDocument, sha256: (text: string) => string): BlindAnswer {
  const { question, pairs } = document;
  const driven = pairs.map(({ order }) => order);
  return {
    ...bettingScore(question, pairs),
    commitmentHolds: holdsCommitment(document, driven, sha256),
  };
}
