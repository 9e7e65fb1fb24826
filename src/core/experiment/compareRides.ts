import { mean } from '../numeric/moments';
import { countedLaps, lapMeasure, type MeasuredLap } from '../rides/measureRide';
import { MEASURES_SHOWN, type MeasureName, type MeasureSpec } from '../rides/measures';
import { holm } from './holm';
import { AT_END } from './alphaSpending';
import {
  fitRides,
  holdsUpToShare,
  type Effect,
  type NotEnough,
  type RideFit,
  type RideValues,
} from './rideModel';
import { LEAST_PAIRS, strongestUnderFlips } from './signFlips';

/** One ride of a comparison. */
export interface ComparedRide {
  side: 'A' | 'B';
  laps: readonly MeasuredLap[];
  /** Which pair it was drawn in; where no ride says so, each two that follow one another are one. */
  pair?: number;
}

/** What one measure says of B against A; see {@link Effect}. */
export interface Comparison extends RideFit {
  name: MeasureName;
  label: string;
  unit: MeasureSpec['unit'];
  /** Decimals as the measure is written. */
  digits: number;
  /** Plain means over the laps of a side. */
  meanA: number;
  meanB: number;
  /** `p` adjusted for every measure that is shown (Holm); of the measure named beforehand `p` itself. */
  pHolm: number;
  /**
   * What the claim goes by: `pHolm`, or more where the sides are too unlike to be pooled; from six pairs on the chance under
   * flips of the pairs, or the model's own where that is more.
   */
  pClaim: number;
  verdict: 'differs' | 'no difference shown';
  /**
   * The greatest ρ at which a claim of under six pairs would stand; `null` where nothing is claimed, where flips decide, or where
   * it stands at any.
   */
  holdsUpTo: number | null;
  /** It was named before the first ride, and is tested alone. */
  isNamed: boolean;
  /** The model alone would claim it; the flips of the pairs do not show it, and so it is not claimed. */
  isOnlyModel: boolean;
  nA: number;
  nB: number;
}

/** A measure that can't tell, and why. */
export interface Untold {
  name: MeasureName;
  label: string;
  unit: MeasureSpec['unit'];
  why: NotEnough;
  nA: number;
  nB: number;
}

/** What speaks against taking a comparison at its word. */
export type ComparisonWarning = 'order unknown' | 'one ride a side' | { unlikeSides: MeasureName };

export interface RidesCompared {
  /** In the order in which they are shown, the measure named beforehand first. */
  measures: Comparison[];
  untold: Untold[];
  /** `null` where the rides were not driven as pairs of an A and a B. */
  pairs: number | null;
  /** The least chance of all measures under flips of the pairs, and whether the model would claim the same; `null` under six pairs. */
  crossCheck: { pMax: number; agrees: boolean } | null;
  warnings: ComparisonWarning[];
}

export interface CompareOptions {
  isOrderKnown: boolean;
  /** The measure that the change is for, named before the first ride. */
  named?: MeasureName | undefined;
  /** Claims are made below this; less for somebody who looks more than once ({@link levelPerLook}). */
  level?: number;
}

/**
 * A against B over the counted laps of some rides, by every measure. Under six pairs the model decides (Holm), from six pairs
 * on the flips of the pairs do; what is claimed has an interval that leaves out 0.
 * Claims from nothing, over all measures together (four pairs, docs/core.md): 1 to 5 % with a trend of two lap spreads, unlike
 * sides, and rides that spread up to as much as laps; 7.6 % of twelve measures where rides spread twice as much.
 * @param rides in order of driving, where `isOrderKnown`
 * @source docs/core.md, Rides and verdicts
 */
export function compareRides(
  rides: readonly ComparedRide[],
  { isOrderKnown, named, level = AT_END }: CompareOptions,
): RidesCompared {
  const judged = shownFirst(named).map((measure) => {
    const values = rides.map(({ side, laps }) => ({ side, values: valuesOf(laps, measure) }));
    const of = (side: 'A' | 'B') =>
      values.flatMap((ride) => (ride.side === side ? ride.values.filter((v) => v !== null) : []));
    return { measure, values, ...fitRides(values, isOrderKnown), a: of('A'), b: of('B') };
  });
  const told = judged.filter((one) => one.fit !== null);
  const adjusted = adjust(told, named, ({ p }) => p);
  const claimed = adjust(told, named, ({ p, perSide }) => Math.max(p, perSide?.p ?? 0));
  const pairs = pairsOf(rides, isOrderKnown);
  const isOneRide = warningsOf(rides, isOrderKnown, []).includes('one ride a side');
  const flips = pairs && pairs.length >= LEAST_PAIRS ? flipped(told, named, pairs) : null;
  const measures = told.map(({ measure, values, fit, a, b }, i): Comparison => {
    const own = effectShown(fit).p;
    const pClaim = flips ? Math.max(flips[i]!, own) : claimed[i]!;
    const differs = pClaim < level;
    return {
      name: measure.name,
      label: measure.label,
      unit: measure.unit,
      digits: measure.digits,
      ...fit,
      meanA: mean(a),
      meanB: mean(b),
      pHolm: adjusted[i]!,
      pClaim,
      verdict: differs ? 'differs' : 'no difference shown',
      holdsUpTo:
        differs && !flips && !isOneRide && pClaim > 0
          ? holdsUpToShare(values, isOrderKnown, (level * own) / pClaim)
          : null,
      isNamed: measure.name === named,
      isOnlyModel: !differs && flips !== null && claimed[i]! < level,
      nA: a.length,
      nB: b.length,
    };
  });
  return {
    measures,
    untold: judged.flatMap(({ measure: { name, label, unit }, why, a, b }) =>
      why === null ? [] : [{ name, label, unit, why, nA: a.length, nB: b.length }],
    ),
    pairs: pairs?.length ?? null,
    crossCheck:
      flips && flips.length > 0
        ? {
            pMax: Math.min(...flips),
            agrees: measures.every(({ verdict }, i) => claimed[i]! < level === (verdict === 'differs')),
          }
        : null,
    warnings: warningsOf(rides, isOrderKnown, measures),
  };
}

const shownFirst = (named: MeasureName | undefined) => [
  ...MEASURES_SHOWN.filter(({ name }) => name === named),
  ...MEASURES_SHOWN.filter(({ name }) => name !== named),
];

const valuesOf = (laps: readonly MeasuredLap[], measure: MeasureSpec) =>
  countedLaps(laps, measure).map((lap) => lapMeasure(lap, measure.name));

function adjust(
  told: readonly { measure: MeasureSpec; fit: RideFit }[],
  named: MeasureName | undefined,
  pOf: (fit: RideFit) => number,
): number[] {
  const others = holm(told.flatMap(({ measure, fit }) => (measure.name === named ? [] : [pOf(fit)])));
  let at = 0;
  return told.map(({ measure, fit }) => (measure.name === named ? pOf(fit) : others[at++]!));
}

/** The whole pairs, an A and a B each, by the places of their rides; `null` where the rides are no pairs. */
function pairsOf(rides: readonly ComparedRide[], isOrderKnown: boolean): [number, number][] | null {
  if (!isOrderKnown || rides.length === 0) return null;
  const isDrawn = rides.some(({ pair }) => pair !== undefined);
  if (!isDrawn && rides.length % 2 !== 0) return null;
  const places = new Map<number, { A?: number; B?: number }>();
  rides.forEach(({ side, pair }, i) => {
    const of = isDrawn ? pair! : i >> 1;
    places.set(of, { ...places.get(of), [side]: i });
  });
  const whole = [...places.values()].flatMap(({ A, B }): [number, number][] =>
    A === undefined || B === undefined ? [] : [[A, B]],
  );
  // Of a pair that was drawn one ride may be missing; rides that merely follow one another are pairs all or none.
  return isDrawn || whole.length === places.size ? whole : null;
}

/** Each measure's chance under flips of the pairs: the one named beforehand by itself, the others against the strongest. */
function flipped(
  told: readonly { measure: MeasureSpec; values: RideValues[] }[],
  named: MeasureName | undefined,
  pairs: readonly [number, number][],
): number[] {
  const meanOf = ({ values }: RideValues) => {
    const known = values.filter((v) => v !== null);
    return known.length > 0 ? mean(known) : null;
  };
  const differences = told.map(({ values }) =>
    pairs.map(([a, b]) => {
      const [one, other] = [meanOf(values[a]!), meanOf(values[b]!)];
      // A pair that can't tell says nothing in either direction.
      return one === null || other === null ? 0 : other - one;
    }),
  );
  const isAlone = told.map(({ measure }) => measure.name === named);
  const others = strongestUnderFlips(differences.filter((_, i) => !isAlone[i]));
  let at = 0;
  return differences.map((row, i) => (isAlone[i] ? strongestUnderFlips([row])[0]! : others[at++]!));
}

function warningsOf(
  rides: readonly ComparedRide[],
  isOrderKnown: boolean,
  measures: readonly Comparison[],
): ComparisonWarning[] {
  const ridden = (side: 'A' | 'B') => rides.filter((ride) => ride.side === side).length;
  return [
    ...(isOrderKnown ? [] : ['order unknown' as const]),
    ...(Math.min(ridden('A'), ridden('B')) < 2 ? ['one ride a side' as const] : []),
    ...measures.flatMap(({ name, perSide }) => (perSide ? [{ unlikeSides: name }] : [])),
  ];
}

/** What a claim goes by: one variance a side where pooling would err. */
export const effectShown = ({ perSide, ...pooled }: RideFit): Effect =>
  perSide && perSide.p > pooled.p ? perSide : pooled;
