import type { LocalPower } from './curve';
import { layerInverse, layerLocal, layerValue, type ResponseLayer } from './layer';

/** What several layers do together to one axis. */
export interface EffectiveResponse {
  /** Least input that gives anything, and least input that gives 1. */
  deadzone: number;
  saturation: number;
  travel: number;
  /** dy/dx · travel at the start, middle and end: 1 = linear; `null` where unbounded. */
  slopeStart: number | null;
  slopeMiddle: number | null;
  slopeEnd: number | null;
}

/** Sends x through the layers in signal order (base, title, car). */
export function respond(layers: ResponseLayer[], x: number): number {
  let value = x;
  for (const layer of layers) value = layerValue(layer, value);
  return value;
}

/** The composed response: where it starts and ends, and its slopes. */
export function effectiveResponse(layers: ResponseLayer[]): EffectiveResponse {
  const deadzone = layers.reduceRight((v, layer) => layerInverse(layer, v, 'upper'), 0);
  const saturation = layers.reduceRight((v, layer) => layerInverse(layer, v, 'lower'), 1);
  const travel = saturation - deadzone;
  const slope = (x: number, side: 1 | -1) => localSlope(layers, x, side, travel);
  return {
    deadzone,
    saturation,
    travel,
    slopeStart: slope(deadzone, 1),
    slopeMiddle: slope((deadzone + saturation) / 2, 1),
    slopeEnd: slope(saturation, -1),
  };
}

/** Where a chain of inverses lands this close to a layer's own edge, it is that edge. */
const SAME_POINT = 1e-12;

function localSlope(layers: ResponseLayer[], x: number, side: 1 | -1, travel: number): number | null {
  let input = x;
  let local: LocalPower = { coefficient: 1, exponent: 1 };
  for (const layer of layers) {
    const at = snap(input, [layer.deadzone, layer.saturation]);
    const next = layerLocal(layer, at, side);
    local = {
      coefficient: next.coefficient * local.coefficient ** next.exponent,
      exponent: local.exponent * next.exponent,
    };
    input = layerValue(layer, at);
  }
  if (Math.abs(local.exponent - 1) < SAME_POINT) return local.coefficient * travel;
  return local.exponent > 1 ? 0 : null;
}

function snap(value: number, marks: number[]): number {
  return marks.find((mark) => Math.abs(mark - value) < SAME_POINT) ?? value;
}
