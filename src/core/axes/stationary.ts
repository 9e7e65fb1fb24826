import { mean } from '../numeric/moments';
import { quantile } from '../numeric/order';

/** Time over which stillness is judged. */
export const STILL_WINDOW_S = 0.8;
/** Devices report, and browsers pass it on, at least this often; the steps of noise are taken this far apart. */
const SLOWEST_REPORT_S = 0.02;
const STILL_SIGMAS = 4;
const STILL_SHARE_OF_SPAN = 0.003;
/**
 * The spread that is compared is P95 − P5 (3.3σ of white noise). The whole range of 800 samples is about 6.4σ, so a
 * noisy axis could never pass "range below 4σ".
 */
const LOW = 0.05;
const HIGH = 0.95;
/** Mean |step| of white noise is 2σ/√π. A median would jump by whole quanta on a coarse sensor. */
const SIGMA_PER_MEAN_STEP = Math.sqrt(Math.PI) / 2;

/**
 * Noise σ from the mean |step| between samples, which slow movement hardly touches.
 * @param lag samples between the two ends of a step: a host that asks faster than a device reports reads it again
 */
export function quickNoise(raw: ArrayLike<number>, lag = 1): number {
  const steps = new Float64Array(Math.max(0, raw.length - lag));
  for (let i = lag; i < raw.length; i++) steps[i - lag] = Math.abs(raw[i]! - raw[i - lag]!);
  return steps.length > 0 ? mean(steps) * SIGMA_PER_MEAN_STEP : 0;
}

/**
 * Whether an axis holds still over the samples given (the last 0.8 s): spread below max(4σ, 0.3 % of span).
 * @param slack multiplies the limit; a resting foot wanders more than an untouched pedal
 */
export function isStationary(raw: ArrayLike<number>, span: number, slack = 1): boolean {
  if (raw.length < 3) return false;
  const spread = quantile(raw, HIGH) - quantile(raw, LOW);
  const lag = Math.max(1, Math.round((raw.length * SLOWEST_REPORT_S) / STILL_WINDOW_S));
  return spread < slack * Math.max(STILL_SIGMAS * quickNoise(raw, lag), STILL_SHARE_OF_SPAN * span);
}
