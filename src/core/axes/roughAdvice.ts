import type { AxisName } from './axes';
import { percent } from '../text/percent';
import type { RoughSpot } from './roughness';

/** A plaster that costs more of the travel than this is none: what is left is a new sensor. */
const MOST_WORTH_HIDING = 0.1;

/** Where no word on wear is possible. */
export const notJudged = (rateHz: number) =>
  `The readings of the sweeps are too few or too far apart (${rateHz.toFixed(0)} Hz) to judge the track's wear: let nothing else run beside a capture, and sweep slowly.`;

/** Where a spot is: a wheel has no travel from nothing to full. */
export const roughPlace = ({ from, to }: RoughSpot, axis: AxisName): string =>
  `from ${percent(from, 1)} to ${percent(to, 1)} of ${axis === 'steering' ? 'the span' : 'travel'}`;

/** What to do about a spot, after the words that say where it is. */
export function roughAdvice(spot: RoughSpot, axis: AxisName): string {
  // A wheel's dead zone lies at its centre and its range ends on both sides: neither hides a place between.
  if (axis === 'steering') return 'No setting hides it: cleaning may help, or the sensor must be replaced.';
  const cut = hidingCut(spot);
  const cost = 'deadzone' in cut ? cut.deadzone : 1 - cut.saturation;
  if (cost > MOST_WORTH_HIDING)
    return `Hiding it would cost ${percent(cost)} of the travel. The sensor must be replaced: cleaning may help for weeks, only a new sensor for good.`;
  const plaster =
    'deadzone' in cut
      ? `A dead zone of ${percent(cut.deadzone, 1)}`
      : `A range that ends at ${percent(cut.saturation, 1)}`;
  return `${plaster} would hide it, as a plaster, until the sensor is cleaned or replaced.`;
}

/** The smaller of the two plasters for a spot: a dead zone up to its end, or a range cut at its start. */
function hidingCut(spot: RoughSpot): { deadzone: number } | { saturation: number } {
  return spot.to <= 1 - spot.from ? { deadzone: spot.to } : { saturation: spot.from };
}
