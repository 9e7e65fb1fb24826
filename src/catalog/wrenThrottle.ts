import type { PedalHardware } from '@/core/axes/pedalSensor';

const NEW = { released: 2300, pressed: 60800, sigma: 45 };
/** What eleven weeks of a club's feet do to it: the end shrinks, the noise grows, and a stretch of track goes. */
const LOST_AT_THE_END = 0.04;
const SIGMA_GROWS = 85;
const ROUGH = { from: 0.58, to: 0.66, sigma: 760, dropoutsPerS: 2 };
/** The rough stretch shows in the last part of the time only. */
const ROUGH_SINCE = 0.55;

/** The Wren's throttle as it wears out: 0 when the eleven weeks began, 1 now. */
export function wrenThrottle(
  worn: number,
): Pick<PedalHardware, 'released' | 'pressed' | 'sigma'> & Pick<PedalHardware, 'worn'> {
  const span = NEW.pressed - NEW.released;
  const roughness = Math.max(0, (worn - ROUGH_SINCE) / (1 - ROUGH_SINCE));
  return {
    released: NEW.released,
    pressed: NEW.pressed - LOST_AT_THE_END * span * worn,
    sigma: NEW.sigma + SIGMA_GROWS * worn ** 1.3,
    ...(roughness > 0
      ? { worn: [{ ...ROUGH, sigma: ROUGH.sigma * roughness, dropoutsPerS: ROUGH.dropoutsPerS * roughness }] }
      : {}),
  };
}
