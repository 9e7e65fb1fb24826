import { mean } from '../numeric/moments';
import { countedValues, type MeasuredLap } from '../rides/measureRide';
import { MEASURES_SHOWN, type MeasureSpec } from '../rides/measures';
import { holm } from './holm';
import { fitRides, type Effect } from './rideModel';

/** One ride of a comparison. */
export interface ComparedRide {
  side: 'A' | 'B';
  laps: readonly MeasuredLap[];
}

/** What one measure says of B against A; see {@link Effect}. */
export interface Comparison extends Effect {
  name: MeasureSpec['name'];
  label: string;
  unit: MeasureSpec['unit'];
  /** Decimals, in seconds or percent. */
  digits: number;
  /** Plain means over the laps of a side. */
  meanA: number;
  meanB: number;
  /** `p` adjusted for every measure that is shown (Holm). */
  pHolm: number;
  verdict: 'differs' | 'no difference shown';
  nA: number;
  nB: number;
}

const SIGNIFICANT = 0.05;

/**
 * A against B over the counted laps of some rides, one entry per measure that both sides can tell.
 * @param rides in order of driving, where `isOrderKnown`
 */
export function compareRides(rides: readonly ComparedRide[], isOrderKnown = true): Comparison[] {
  const told = MEASURES_SHOWN.flatMap((measure) => {
    const values = rides.map(({ side, laps }) => ({ side, values: countedValues(laps, measure.name) }));
    const effect = fitRides(values, isOrderKnown);
    const of = (side: 'A' | 'B') => values.flatMap((ride) => (ride.side === side ? ride.values : []));
    return effect ? [{ measure, effect, a: of('A'), b: of('B') }] : [];
  });
  const adjusted = holm(told.map(({ effect }) => effect.p));
  return told.map(({ measure, effect, a, b }, i): Comparison => ({
    name: measure.name,
    label: measure.label,
    unit: measure.unit,
    digits: measure.digits,
    ...effect,
    meanA: mean(a),
    meanB: mean(b),
    pHolm: adjusted[i]!,
    verdict: adjusted[i]! < SIGNIFICANT ? 'differs' : 'no difference shown',
    nA: a.length,
    nB: b.length,
  }));
}
