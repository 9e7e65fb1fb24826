import { curveInverse, curveLocal, curveValue, LINEAR, type Curve, type LocalPower } from './curve';

/** One layer of the response of one axis: travel in, travel out. 0 ≤ deadzone, saturation − deadzone ≥ 0.05. */
export interface ResponseLayer {
  deadzone: number;
  saturation: number;
  curve: Curve;
}

/** Less travel than this between dead zone and saturation is refused. */
export const LEAST_TRAVEL = 0.05;
/** Room for values such as 0.9 − 0.85 that are a hair under 0.05 in floating point. */
export const TRAVEL_ROUNDING = 1e-9;

export const NEUTRAL_LAYER: ResponseLayer = { deadzone: 0, saturation: 1, curve: LINEAR };

/** y = sgn(x)·f(clamp((|x| − d)/(s − d), 0, 1)), x and y in −1…1. */
export function layerValue(layer: ResponseLayer, x: number): number {
  // The sum turns −0 into 0.
  return Math.sign(x) * curveValue(layer.curve, inner(layer, Math.abs(x))) + 0;
}

/** Behaviour just above or below the input x ≥ 0. */
export function layerLocal(layer: ResponseLayer, x: number, side: 1 | -1): LocalPower {
  const { coefficient, exponent } = curveLocal(layer.curve, inner(layer, x), side);
  return { coefficient: coefficient / (layer.saturation - layer.deadzone) ** exponent, exponent };
}

/** The last input at which the layer gives ≤ v (`upper`), or the first at which it gives ≥ v (`lower`). */
export function layerInverse(layer: ResponseLayer, v: number, edge: 'upper' | 'lower'): number {
  const u = curveInverse(layer.curve, v, edge);
  return layer.deadzone + u * (layer.saturation - layer.deadzone);
}

function inner({ deadzone, saturation }: ResponseLayer, x: number): number {
  return Math.min(1, Math.max(0, (x - deadzone) / (saturation - deadzone)));
}
