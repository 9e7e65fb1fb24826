/** A ride with some of the changes put back. */
export interface PutBackRide {
  /** Which of the changes were put back, by their place. */
  putBack: readonly number[];
  /** What was measured: the ride's mean. */
  value: number;
}

/** What all changes together did, and how much rides differ by themselves. */
export interface JointEffect {
  before: number;
  after: number;
  /** Standard deviation of a ride's mean, above 0. */
  rideSd: number;
}

export interface ToldApart {
  /** How likely each change is the one, 0…1. */
  share: number[];
  /** The one that did it, once it is told. */
  found: number | null;
  /** Which to put back for the next ride, all others kept; `null` once it is told. */
  next: number[] | null;
  /** The effect is so small beside the rides' own spread that it takes more than ten of them. */
  isHard: boolean;
}

const TOLD = 0.95;
/** Effects smaller than this many spreads of a ride take more than ten rides. */
const HARD_UNDER = 2;
/** From so many changes on two are put back at once. */
const PAIRS_FROM = 4;

/**
 * Which of several changes did it, one of them being it: rides with some put back either fall back to where it was before or
 * stay. Next comes what halves the doubt; that is where a ride tells most. Five changes take 4.3 rides on average, one at a
 * time 6.1 (an effect of three spreads).
 * @param changes how many there are, 2 or more
 */
export function tellApart(
  changes: number,
  rides: readonly PutBackRide[],
  { before, after, rideSd }: JointEffect,
): ToldApart {
  const fits = Array.from({ length: changes }, (_, culprit) =>
    rides.reduce((sum, { putBack, value }) => {
      const expected = putBack.includes(culprit) ? before : after;
      return sum - ((value - expected) / rideSd) ** 2 / 2;
    }, 0),
  );
  const best = Math.max(...fits);
  const weights = fits.map((fit) => Math.exp(fit - best));
  const total = weights.reduce((a, w) => a + w, 0);
  const share = weights.map((w) => w / total);
  const most = share.indexOf(Math.max(...share));
  const isTold = share[most]! >= TOLD;
  return {
    share,
    found: isTold ? most : null,
    next: isTold ? null : halving(share),
    isHard: Math.abs(after - before) < HARD_UNDER * rideSd,
  };
}

/** One or two changes that are it with a chance as near to a half as can be. */
function halving(share: readonly number[]): number[] {
  const single = share.map((_, i) => [i]);
  const two =
    share.length < PAIRS_FROM
      ? []
      : share.flatMap((_, i) => share.slice(i + 1).map((_, j) => [i, i + 1 + j]));
  const doubt = (set: readonly number[]) => Math.abs(set.reduce((sum, i) => sum + share[i]!, 0) - 0.5);
  return [...single, ...two].reduce((a, b) => (doubt(b) < doubt(a) - 1e-12 ? b : a));
}
