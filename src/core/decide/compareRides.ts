import { studentQuantile } from '../numeric/distributions';
import { mean, standardDeviation } from '../numeric/moments';
import { countedValues, type MeasuredLap } from '../rides/measureRide';
import { MEASURES_SHOWN, type MeasureSpec } from '../rides/measures';
import { bcaDifference } from './bca';
import { holm, permutationP } from './permutation';

export interface Comparison {
  name: MeasureSpec['name'];
  label: string;
  unit: MeasureSpec['unit'];
  /** Decimals, in seconds or percent. */
  digits: number;
  meanA: number;
  meanB: number;
  /** Mean of B − mean of A. */
  difference: number;
  /** BCa 95 % interval of the difference. */
  interval: [number, number];
  p: number;
  pHolm: number;
  verdict: 'differs' | 'no difference shown';
  /** Least true difference that so many laps with this spread would show (power 0.8, 5 % two-sided). */
  smallestShown: number;
  nA: number;
  nB: number;
}

const SIGNIFICANT = 0.05;
const POWER = 0.8;
const LEAST_LAPS = 2;
/** One seed for all comparisons: the same laps give the same answer to the bit. */
const SEED = 20_260;

/** A against B over the counted laps of each side, one entry per measure that both sides can tell. */
export function compareLaps(a: MeasuredLap[], b: MeasuredLap[]): Comparison[] {
  const told = MEASURES_SHOWN.flatMap((measure) => {
    const valuesA = countedValues(a, measure.name);
    const valuesB = countedValues(b, measure.name);
    return valuesA.length >= LEAST_LAPS && valuesB.length >= LEAST_LAPS
      ? [{ measure, valuesA, valuesB, p: permutationP(valuesA, valuesB, SEED) }]
      : [];
  });
  const adjusted = holm(told.map((entry) => entry.p));
  return told.map(({ measure, valuesA, valuesB, p }, i): Comparison => {
    const pHolm = adjusted[i]!;
    return {
      name: measure.name,
      label: measure.label,
      unit: measure.unit,
      digits: measure.digits,
      meanA: mean(valuesA),
      meanB: mean(valuesB),
      difference: mean(valuesB) - mean(valuesA),
      interval: bcaDifference(valuesA, valuesB, SEED),
      p,
      pHolm,
      verdict: pHolm < SIGNIFICANT ? 'differs' : 'no difference shown',
      smallestShown: smallestShown(valuesA, valuesB),
      nA: valuesA.length,
      nB: valuesB.length,
    };
  });
}

/** (t₀.₉₇₅ + t₀.₈)·s_p·√(1/nA + 1/nB): the two-sample t test's detectable difference (Cohen 1988, approximate). */
function smallestShown(a: number[], b: number[]): number {
  const dof = a.length + b.length - 2;
  const pooled = Math.sqrt(
    ((a.length - 1) * standardDeviation(a) ** 2 + (b.length - 1) * standardDeviation(b) ** 2) / dof,
  );
  const reach = studentQuantile(1 - SIGNIFICANT / 2, dof) + studentQuantile(POWER, dof);
  return reach * pooled * Math.sqrt(1 / a.length + 1 / b.length);
}
