import { ALONG, type AlongChannel, type AlongRoad } from '../rides/alongRoad';
import { simultaneousBand } from './simultaneousBand';

/** One channel of A and of B along the road, and where they differ. */
export interface AlongCompared {
  channel: AlongChannel;
  /** Means of the rides of a side, one value a place. */
  a: number[];
  b: number[];
  /** B − A with its 95 % band, simultaneous over all places and channels; the band is `null` under six pairs. */
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
  /** Share of the laps of A and of B that clip in each place; `null` where not all of them logged the force. */
  clips: { a: number[]; b: number[] } | null;
}

/** More pairs than flips can be gone through are left out from the front. */
const MOST_PAIRS = 16;

/**
 * A and B over distance: every channel that all rides have, by pairs as they were driven. One band holds in all places of all
 * channels at once: if nothing differs, something is shown anywhere in 5 % of the cases at most.
 * @returns `null` where no pair is whole
 */
export function alongPairs(all: readonly { a: AlongRoad; b: AlongRoad }[]): PairsAlongRoad | null {
  const pairs = all.slice(-MOST_PAIRS);
  const first = pairs[0];
  if (!first) return null;
  const { stepM } = first.a;
  const rides = pairs.flatMap(({ a, b }) => [a, b]);
  const channels = ALONG.filter((channel) => rides.every((ride) => ride.channels[channel]));
  const places = Math.min(
    ...rides.flatMap((ride) => channels.map((channel) => ride.channels[channel]!.length)),
  );
  const joined = ({ channels: of }: AlongRoad) =>
    Float64Array.from(
      { length: channels.length * places },
      (_, i) => of[channels[Math.floor(i / places)]!]![i % places]!,
    );
  const band = simultaneousBand(pairs.map(({ a, b }) => ({ a: joined(a), b: joined(b) })));
  return {
    stepM,
    pairs: pairs.length,
    channels: channels.map((channel, k): AlongCompared => {
      const [from, to] = [k * places, (k + 1) * places];
      const part = (values: Float64Array) => Array.from(values.subarray(from, to));
      const meanOf = (side: 'a' | 'b') =>
        meanAlong(
          pairs.map((pair) => pair[side].channels[channel]!),
          places,
        );
      return {
        channel,
        a: meanOf('a'),
        b: meanOf('b'),
        difference: part(band.difference),
        low: band.low && part(band.low),
        high: band.high && part(band.high),
        shown: band.shown
          .filter((run) => run.from < to && from < run.to)
          .map((run) => ({
            fromM: (Math.max(run.from, from) - from) * stepM,
            toM: (Math.min(run.to, to) - from) * stepM,
          })),
      };
    }),
    clips: clipsOf(pairs, places),
  };
}

const meanAlong = (curves: readonly Float64Array[], places: number) =>
  Array.from({ length: places }, (_, i) => curves.reduce((sum, curve) => sum + curve[i]!, 0) / curves.length);

function clipsOf(pairs: readonly { a: AlongRoad; b: AlongRoad }[], places: number): PairsAlongRoad['clips'] {
  const of = (side: 'a' | 'b') => {
    const curves = pairs.flatMap((pair) => pair[side].clips ?? []);
    return curves.length < pairs.length ? null : meanAlong(curves, places);
  };
  const [a, b] = [of('a'), of('b')];
  return a && b && { a, b };
}
