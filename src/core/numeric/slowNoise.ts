import type { Random } from './random';

/**
 * Ornstein–Uhlenbeck noise: zero mean, given stationary σ and correlation time, exact for any step.
 * @returns a function that advances by dt seconds and gives the new value
 */
export function slowNoise(random: Random, sigma: number, correlationS: number): (dt: number) => number {
  const value = Float64Array.of(sigma * random.normal());
  // Steps are mostly alike.
  let lastDt = NaN;
  let keep = 0;
  let fresh = 0;
  return (dt) => {
    if (dt !== lastDt) {
      lastDt = dt;
      keep = Math.exp(-dt / correlationS);
      fresh = sigma * Math.sqrt(1 - keep * keep);
    }
    value[0] = value[0]! * keep + fresh * random.normal();
    return value[0];
  };
}
