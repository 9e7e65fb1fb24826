import type { PairOrder } from './randomizedOrders';

/** "Which was B?" has a right answer; "which is better?" has two sides. */
export type BlindQuestion = 'which' | 'better';
export type Sure = 'guess' | 'think' | 'sure';

/** One pair as driven and answered. */
export interface BlindPair {
  order: PairOrder;
  /** The ride of the pair that was B, or the better one; `none` where it can't be said, or was noticed otherwise. */
  answer: 'first' | 'second' | 'none';
  /** Asked before the order is told; `null` where it was not asked. */
  sure: Sure | null;
}

type BlindVerdict = 'open' | 'shown' | 'not shown';

export interface BlindScore {
  pairs: number;
  /** Answers that were right; of "which is better?" those for B. */
  right: number;
  wrong: number;
  none: number;
  /** The bet after the last pair; it starts at 1. */
  score: number;
  highest: number;
  /** As it was first reached: it stays. */
  verdict: BlindVerdict;
  /** Of "which is better?", once shown. */
  prefers: 'A' | 'B' | null;
}

/** Somebody who only guesses reaches this less than once in 20, however long they go on (Ville 1939). */
export const SHOWN_AT = 20;
const OVER_BELOW = 0.2;
export const MOST_BLIND_PAIRS = 16;

/** What a bet becomes that is won or lost; the two halves of each add up to 2, so that a guesser's bet is fair. */
const STAKES = { none: 0.7, guess: 0.15, think: 0.6, sure: 0.9 } as const;

/**
 * A bet against guessing, pair by pair: right × 1.7, wrong × 0.3; with how sure one is, asked beforehand, × 1.15/.85, 1.6/.4 or
 * 1.9/.1. "Which is better?" bets on both sides and takes the mean. Shown at 20 or more; over below 0.2, after 16 pairs, or
 * when 20 is out of reach.
 * Measured: guessers reach 20 in 3.4 % of the cases; d′ 1.5 is shown in .82 with 8.7 pairs on average, d′ 2 in .96 with 7.6.
 * @example right, then right and sure: 1.7, 3.23
 */
export function bettingScore(question: BlindQuestion, pairs: readonly BlindPair[]): BlindScore {
  let [forB, forA] = [1, 1];
  let isSureAsked = false;
  const told: BlindScore = {
    pairs: pairs.length,
    right: 0,
    wrong: 0,
    none: 0,
    score: 1,
    highest: 1,
    verdict: 'open',
    prefers: null,
  };
  pairs.forEach((pair, i) => {
    isSureAsked ||= pair.sure !== null;
    const picked = pickedSide(pair);
    const stake = STAKES[pair.sure ?? 'none'];
    if (picked === null) told.none++;
    else if (picked === 'B') told.right++;
    else told.wrong++;
    if (picked !== null) {
      forB *= picked === 'B' ? 1 + stake : 1 - stake;
      forA *= picked === 'A' ? 1 + stake : 1 - stake;
    }
    told.score = question === 'which' ? forB : (forA + forB) / 2;
    told.highest = Math.max(told.highest, told.score);
    if (told.verdict !== 'open') return;
    if (told.score >= SHOWN_AT) {
      told.verdict = 'shown';
      if (question === 'better') told.prefers = forB > forA ? 'B' : 'A';
      return;
    }
    const left = MOST_BLIND_PAIRS - (i + 1);
    const best = 1 + STAKES[isSureAsked ? 'sure' : 'none'];
    const worst = 2 - best;
    const reachable =
      question === 'which'
        ? forB * best ** left
        : Math.max(forB * best ** left + forA * worst ** left, forA * best ** left + forB * worst ** left) /
          2;
    if (told.score < OVER_BELOW || left <= 0 || reachable < SHOWN_AT) told.verdict = 'not shown';
  });
  return told;
}

/** Which side an answer names. */
function pickedSide({ order, answer }: BlindPair): 'A' | 'B' | null {
  if (answer === 'none') return null;
  return order[answer === 'first' ? 0 : 1] as 'A' | 'B';
}

/**
 * How often somebody who is right so often would have been shown, within the pairs of a test: what "not shown" is worth.
 * Exact, by going through every number of right answers.
 * @param rightShare 0.5…1, without confidence
 */
export function chanceOfShown(rightShare: number): number {
  // A state is how many were right; those that were shown or given up have left.
  let open = new Map([[0, 1]]);
  let shown = 0;
  for (let n = 1; n <= MOST_BLIND_PAIRS; n++) {
    const next = new Map<number, number>();
    for (const [right, share] of open)
      for (const [more, p] of [
        [1, rightShare],
        [0, 1 - rightShare],
      ] as const) {
        const now = right + more;
        const score = 1.7 ** now * 0.3 ** (n - now);
        if (score >= SHOWN_AT) shown += share * p;
        else if (score >= OVER_BELOW && score * 1.7 ** (MOST_BLIND_PAIRS - n) >= SHOWN_AT)
          next.set(now, (next.get(now) ?? 0) + share * p);
      }
    open = next;
  }
  return shown;
}
