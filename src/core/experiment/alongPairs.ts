import { ALONG, type AlongChannel, type AlongRoad } from '../rides/alongRoad';
import { bandOf } from './bands';

/** One channel of A and of B along the road, and where they differ. */
export interface AlongCompared {
  channel: AlongChannel;
  /** Means of the rides of a side, one value a place. */
  a: number[];
  b: number[];
  /** B − A with its simultaneous 95 % band; the band is `null` under six pairs. */
  difference: number[];
  low: number[] | null;
  high: number[] | null;
  /** Where the band excludes 0, m from the line. */
  shown: { fromM: number; toM: number }[];
}

export interface PairsAlongRoad {
  stepM: number;
  pairs: number;
  channels: AlongCompared[];
}

/** More pairs than flips can be gone through are left out from the front. */
const MOST_PAIRS = 16;

/**
 * A and B over distance: every channel that all rides have, by pairs as they were driven. Each channel has a band of its own,
 * which holds in all places at once.
 * @returns `null` where no pair is whole
 */
export function alongPairs(all: readonly { a: AlongRoad; b: AlongRoad }[]): PairsAlongRoad | null {
  const pairs = all.slice(-MOST_PAIRS);
  const first = pairs[0];
  if (!first) return null;
  const { stepM } = first.a;
  const channels = ALONG.flatMap((channel): AlongCompared[] => {
    const curves = pairs.flatMap(({ a, b }) => {
      const [one, other] = [a.channels[channel], b.channels[channel]];
      return one && other ? [{ a: one, b: other }] : [];
    });
    if (curves.length < pairs.length) return [];
    const { difference, low, high, shown } = bandOf(curves);
    const meanOf = (side: 'a' | 'b') =>
      Array.from(
        difference,
        (_, i) => curves.reduce((sum, curve) => sum + curve[side][i]!, 0) / curves.length,
      );
    return [
      {
        channel,
        a: meanOf('a'),
        b: meanOf('b'),
        difference: Array.from(difference),
        low: low && Array.from(low),
        high: high && Array.from(high),
        shown: shown.map(({ from, to }) => ({ fromM: from * stepM, toM: to * stepM })),
      },
    ];
  });
  return { stepM, pairs: pairs.length, channels };
}
