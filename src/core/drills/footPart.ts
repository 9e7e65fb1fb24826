import { bisect } from '../numeric/bisect';
import { respond } from '../response/compose';
import type { ResponseLayer } from '../response/layer';

/** What of a spread is the foot, and what the settings make of it. */
export interface FootPart {
  /** Where the foot works: share of the travel. */
  travel: number;
  /** How much more the title hears there than the foot moves. */
  slope: number;
  /** What the value would be on a straight line from foot to title. */
  straight: number;
  /** Share of the variance that the settings add; 0 where they take some away. */
  settingShare: number;
}

/** The same as it is shown: which foot, at which output, and what was measured of it. */
export interface FootShown extends FootPart {
  axis: 'throttle' | 'brake';
  work: number;
  value: number;
}

const STEPS = 2000;
/** The slope is taken over so much of the travel to either side: about what a foot wanders. */
const AROUND = 0.02;

/** Travel at which an output is given; the first of them where the response is flat. */
export const travelAt = (layers: ResponseLayer[], output: number): number =>
  bisect(0, STEPS, (i) => respond(layers, i / STEPS) >= output) / STEPS;

export function slopeAt(layers: ResponseLayer[], travel: number): number {
  const [low, high] = [Math.max(0, travel - AROUND), Math.min(1, travel + AROUND)];
  return (respond(layers, high) - respond(layers, low)) / (high - low);
}

/**
 * Splits what a foot's output spreads (or how fast it moves) where it works: both are the curve's slope there times the foot's own.
 * @param work output at which the foot works @param value spread or rate of the output
 */
export function footPart(layers: ResponseLayer[], work: number, value: number): FootPart {
  const travel = travelAt(layers, work);
  const slope = slopeAt(layers, travel);
  return {
    travel,
    slope,
    straight: slope > 0 ? value / slope : value,
    settingShare: slope > 1 ? 1 - 1 / slope ** 2 : 0,
  };
}
