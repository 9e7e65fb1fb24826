/** A setting that is searched, in its title's own scale. */
export interface FinderSetting {
  key: string;
  min: number;
  max: number;
  step: number;
}

/** Would the driver have more of it, less, or is it right? */
export type Wish = 'more' | 'less' | 'right';

/** A ride of a search and what was said after it. */
export interface FinderRide {
  values: Record<string, number>;
  /** Was this ride better than the one before? `null` for the first, or where it was not asked. */
  better: 'this' | 'before' | null;
  wants: Record<string, Wish | null>;
}

/** A ride with its values as shares of their ranges, 0…1, in the order of the settings. */
export interface PlacedRide {
  at: number[];
  better: 'this' | 'before' | null;
  wants: (Wish | null)[];
}

export function placeRide(
  settings: readonly FinderSetting[],
  { values, better, wants }: FinderRide,
): PlacedRide {
  return {
    at: settings.map(({ key, min, max }) => (values[key]! - min) / (max - min)),
    better,
    wants: settings.map(({ key }) => wants[key] ?? null),
  };
}

/** One answer that tells something: "right" leaves it open in which direction. */
export type Told =
  | { kind: 'better'; isThis: boolean; at: number[]; before: number[] }
  | { kind: 'want'; setting: number; isMore: boolean; at: number[] };

/** What is told by some rides, in the order in which it was said. */
export function toldBy(rides: readonly PlacedRide[]): Told[] {
  return rides.flatMap(({ at, better, wants }, i): Told[] => {
    const before = rides[i - 1]?.at;
    return [
      ...(better && before ? [{ kind: 'better' as const, isThis: better === 'this', at, before }] : []),
      ...wants.flatMap((want, setting): Told[] =>
        want === 'more' || want === 'less' ? [{ kind: 'want', setting, isMore: want === 'more', at }] : [],
      ),
    ];
  });
}

/** Of a hundred answers this many are given without looking. */
const LAPSE = 0.05;
/** What is seen with probability `p`, answered by somebody who lapses. */
export const lapsing = (p: number) => LAPSE / 2 + (1 - LAPSE) * p;

/** Usual σ of a feel, as a share of the range: a just noticeable difference of a tenth of it. */
export const JND_PER_SIGMA = 1 / 1.048;
export const USUAL_SIGMA = 0.1 / JND_PER_SIGMA;
