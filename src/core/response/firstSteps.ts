import { effectiveResponse, respond } from './compose';
import type { ResponseLayer } from './layer';

/** One level that the sensor can give, and what the response makes of it. */
export interface SensorStep {
  /** Travel 0…1, or share of the lock from the centre. */
  at: number;
  /** Output 0…1. */
  out: number;
}

/** Levels shown before the first that gives anything. */
const BEFORE = 3;

/**
 * The sensor's own levels where the response begins: what the smallest movements give.
 * @param levels steps from released to full (of a wheel: from centre to lock), at least 1
 * @param count how many levels are wanted
 */
export function firstSteps(layers: ResponseLayer[], levels: number, count: number): SensorStep[] {
  const begins = Math.floor(effectiveResponse(layers).deadzone * levels);
  const from = Math.max(0, begins - BEFORE);
  const to = Math.min(levels, from + count);
  return Array.from({ length: to - from + 1 }, (_, i) => {
    const at = (from + i) / levels;
    return { at, out: respond(layers, at) };
  });
}
