import { z } from 'zod';
import { committedText, type PairOrder } from '../experiment/randomizedOrders';

export const orderSchema = z.enum(['AB', 'BA']);

/** What a file of a blind test says of its orders. @param most of them that a file may list */
export const sealedFields = (most: number) => ({
  salt: z.string().max(200).optional(),
  commitment: z
    .string()
    .regex(/^[0-9a-f]{64}$/, 'it is no SHA-256: 64 digits 0 to 9 and a to f')
    .optional(),
  /** All orders drawn, also those that were not driven. */
  drawn: z.array(orderSchema).max(most).optional(),
});

export const isCheckable = ({ commitment, salt }: Pick<Sealed, 'commitment' | 'salt'>) =>
  commitment === undefined || salt !== undefined;
export const UNCHECKABLE = { message: 'a commitment can only be checked with its salt', path: ['salt'] };

interface Sealed {
  salt?: string | undefined;
  commitment?: string | undefined;
  drawn?: PairOrder[] | undefined;
}

/**
 * Whether the orders are those that were promised; `null` where nothing was.
 * @param driven of the pairs in the file @param sha256 lower-case hex digest of a text
 */
export function holdsCommitment(
  { salt, commitment, drawn }: Sealed,
  driven: readonly PairOrder[],
  sha256: (text: string) => string,
): boolean | null {
  if (commitment === undefined) return null;
  const orders = drawn ?? driven;
  const areThose = driven.every((order, i) => order === orders[i]);
  return areThose && sha256(committedText(orders, salt!)) === commitment;
}
