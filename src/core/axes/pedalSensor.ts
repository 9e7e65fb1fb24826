import type { Random } from '../numeric/random';

/** A stretch of worn track: extra noise σ in counts, and dropouts per second spent there. */
export interface WornSpot {
  from: number;
  to: number;
  sigma: number;
  dropoutsPerS: number;
}

/** How one pedal's sensor turns position into raw counts. Released above pressed makes an inverted axis. */
export interface PedalHardware {
  released: number;
  pressed: number;
  /** Noise σ and step in counts. */
  sigma: number;
  quantum: number;
  rangeMin: number;
  rangeMax: number;
  driftPerMin?: number;
  spikesPerMin?: number;
  worn?: WornSpot[];
}

const SPIKE_COUNTS_IN_SIGMAS = 40;
const DROPOUT_SHARE = 0.3;
const LONGEST_DROPOUT = 3;

/**
 * A seeded sensor. Feed it the true position (0 released, 1 pressed) at a steady rate.
 * @returns a function from (time s, position) to the raw count that the host would see
 */
export function pedalSensor(hardware: PedalHardware, random: Random, rateHz: number) {
  const { released, pressed, sigma, quantum, rangeMin, rangeMax } = hardware;
  let dropoutLeft = 0;
  return (t: number, position: number): number => {
    const spot = hardware.worn?.find((w) => position >= w.from && position < w.to);
    let raw = released + position * (pressed - released);
    raw += (spot ? Math.hypot(sigma, spot.sigma) : sigma) * random.normal();
    raw += ((hardware.driftPerMin ?? 0) * t) / 60;
    if (hardware.spikesPerMin && random.uniform() < hardware.spikesPerMin / 60 / rateHz)
      raw += SPIKE_COUNTS_IN_SIGMAS * sigma;
    if (dropoutLeft === 0 && spot && random.uniform() < spot.dropoutsPerS / rateHz)
      dropoutLeft = 1 + random.below(LONGEST_DROPOUT);
    if (dropoutLeft > 0) {
      dropoutLeft--;
      raw -= DROPOUT_SHARE * (pressed - released);
    }
    return Math.min(rangeMax, Math.max(rangeMin, Math.round(raw / quantum) * quantum));
  };
}
