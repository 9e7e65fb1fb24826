import { seededRandom } from '../numeric/random';

/** Which of a pair is driven first. */
export type PairOrder = 'AB' | 'BA';

/**
 * The orders of some pairs, each by a coin of its own: blocks that come out even tell the last of a block (and break the
 * binomial: up to .145 instead of .038).
 * @param draw 0 or 1, each as likely; a blind test takes it from the system, so that nobody can work it out
 */
export function randomizedOrders(pairs: number, draw: () => 0 | 1): PairOrder[] {
  return Array.from({ length: pairs }, () => (draw() === 0 ? 'AB' : 'BA'));
}

/** A coin that falls the same way again for the same seed. */
export function seededCoin(seed: number): () => 0 | 1 {
  const random = seededRandom(seed);
  return () => (random.uniform() < 0.5 ? 0 : 1);
}

/** What is hashed before the first ride and shown after the last: all orders drawn, and something nobody can guess. */
export const committedText = (orders: readonly PairOrder[], salt: string) => `${orders.join(',')}:${salt}`;

/** The sides in the order in which they are driven. */
export const sidesOf = (orders: readonly PairOrder[]) =>
  orders.flatMap((order) => [...order] as ('A' | 'B')[]);
