import { standardDeviation } from '../numeric/moments';
import { median, robustSigma } from '../numeric/order';

/** Samples further off than this many robust σ are spikes, not noise. */
const CUT = 5;

/**
 * Noise σ of an axis at rest: standard deviation of the samples within 5·max(1.4826·MAD, quantum) of the
 * median. Plain MAD would jump between 0 and 1.5 quanta on quantised data.
 * @returns raw counts
 */
export function restNoise(raw: ArrayLike<number>, quantum: number | null): number {
  const centre = median(raw);
  const scale = Math.max(robustSigma(raw), quantum ?? 0);
  return standardDeviation(Float64Array.from(raw).filter((v) => Math.abs(v - centre) <= CUT * scale));
}

/**
 * σ over several rests: the median of the runs' σ. Pooling them would count the return hysteresis between
 * the runs as noise.
 */
export function noiseOverRuns(runs: ArrayLike<number>[], quantum: number | null): number {
  return median(runs.map((run) => restNoise(run, quantum)));
}
