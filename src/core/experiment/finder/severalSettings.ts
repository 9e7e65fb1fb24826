import { tabledNormalCdf } from '../../numeric/distributions';
import { entropy } from '../../numeric/entropy';
import { seededRandom, type Random } from '../../numeric/random';
import { lapsing, USUAL_SIGMA, type Told } from './answers';
import type { Belief, Believed } from './belief';

const PARTICLES = 1500;
/** Spread of log σ that one setting's prior has. */
const LOG_SIGMA_SD = 0.52;
/** Liu and West 2001: particles shrink to their mean by this much and are spread again, so that spread stays as it was. */
const SHRINK = 0.985;
const SPREAD = Math.sqrt(1 - SHRINK * SHRINK);
/** Drawn anew where fewer than this share of the particles carry the weight. */
const WORN = 0.5;
/** A filter of so few particles is surer than it may be. */
const WIDENED = 1.3;
const TAIL = 0.05;
/** So many particles weigh what a ride would tell. */
const LOOKED_AT = 400;

interface Particles {
  /** Best values and log σ, one row a particle. */
  best: Float64Array[];
  logSigma: Float64Array[];
  weight: Float64Array;
}

/**
 * Two or three settings: 1500 particles of best values and σ. The nearer of two rides is the better one,
 * P(x over y) = Φ((d_y² − d_x²)/√(4(d_x² + d_y²) + 4k)), distances in σ; each setting has its own more and less.
 * The same seed and answers give the same to the bit.
 */
export function believeSeveral(told: readonly Told[], settings: number, seed: number): Belief {
  const random = seededRandom(seed);
  const particles = drawn(settings, random);
  let logPredictive = 0;
  for (const one of told) {
    let total = 0;
    for (let i = 0; i < PARTICLES; i++) {
      const p = chanceOf(one, particles.best[i]!, particles.logSigma[i]!);
      particles.weight[i]! *= lapsing((one.kind === 'better' ? one.isThis : one.isMore) ? p : 1 - p);
      total += particles.weight[i]!;
    }
    logPredictive += Math.log(total);
    for (let i = 0; i < PARTICLES; i++) particles.weight[i]! /= total;
    if (1 / particles.weight.reduce((a, w) => a + w * w, 0) < WORN * PARTICLES) drawAnew(particles, random);
  }
  const believed = Array.from({ length: settings }, (_, k) => believedOf(particles, k));
  const some = drawnBy(particles.weight, LOOKED_AT, random).map((i) => particles.best[i]!);
  const sigma = believed.map((one) => Math.log(one.sigma));
  return {
    settings: believed,
    logPredictive,
    tells: (at, before) => information(some, Float64Array.from(sigma), at, before),
  };
}

function drawn(settings: number, random: Random): Particles {
  const rows = (draw: () => number) =>
    Array.from({ length: PARTICLES }, () => Float64Array.from({ length: settings }, draw));
  return {
    best: rows(() => random.uniform()),
    logSigma: rows(() => Math.log(USUAL_SIGMA) + LOG_SIGMA_SD * random.normal()),
    weight: new Float64Array(PARTICLES).fill(1 / PARTICLES),
  };
}

function chanceOf(one: Told, best: Float64Array, logSigma: Float64Array): number {
  if (one.kind === 'want')
    return tabledNormalCdf((best[one.setting]! - one.at[one.setting]!) / Math.exp(logSigma[one.setting]!));
  return preferred(one.at, one.before, best, logSigma);
}

function preferred(
  at: readonly number[],
  before: readonly number[],
  best: Float64Array,
  logSigma: Float64Array,
): number {
  const [here, there] = [squareTo(at, best, logSigma), squareTo(before, best, logSigma)];
  return tabledNormalCdf((there - here) / Math.sqrt(4 * (here + there) + 4 * best.length));
}

function squareTo(at: readonly number[], best: Float64Array, logSigma: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < best.length; k++) sum += ((at[k]! - best[k]!) / Math.exp(logSigma[k]!)) ** 2;
  return sum;
}

/** Systematic draw of particles by their weight. */
function drawnBy(weight: Float64Array, count: number, random: Random): number[] {
  const start = random.uniform();
  const picked: number[] = [];
  let [i, sum] = [0, weight[0]!];
  for (let n = 0; n < count; n++) {
    const at = (n + start) / count;
    while (sum < at && i < weight.length - 1) sum += weight[++i]!;
    picked.push(i);
  }
  return picked;
}

function drawAnew(particles: Particles, random: Random): void {
  const picked = drawnBy(particles.weight, PARTICLES, random);
  const anew = (rows: Float64Array[], fold: (v: number) => number) => {
    const width = rows[0]!.length;
    const moments = Array.from({ length: width }, (_, k) => momentsOf(rows, particles.weight, k));
    return picked.map((i) =>
      rows[i]!.map((v, k) => {
        const { mean, sd } = moments[k]!;
        return fold(SHRINK * v + (1 - SHRINK) * mean + SPREAD * sd * random.normal());
      }),
    );
  };
  const [best, logSigma] = [anew(particles.best, reflected), anew(particles.logSigma, (v) => v)];
  particles.best = best;
  particles.logSigma = logSigma;
  particles.weight.fill(1 / PARTICLES);
}

/** Back into 0…1 at its ends. */
const reflected = (v: number) => Math.min(1, Math.max(0, v < 0 ? -v : v > 1 ? 2 - v : v));

function momentsOf(rows: readonly Float64Array[], weight: Float64Array, k: number) {
  const mean = rows.reduce((a, row, i) => a + weight[i]! * row[k]!, 0);
  const variance = rows.reduce((a, row, i) => a + weight[i]! * (row[k]! - mean) ** 2, 0);
  return { mean, sd: Math.sqrt(variance) };
}

function believedOf({ best, logSigma, weight }: Particles, k: number): Believed {
  const { mean } = momentsOf(best, weight, k);
  const order = Array.from(weight, (_, i) => i).sort((i, j) => best[i]![k]! - best[j]![k]!);
  const at = (share: number) => {
    let sum = 0;
    return best[order.find((i) => (sum += weight[i]!) >= share) ?? order.at(-1)!]![k]!;
  };
  const [low, high] = [at(TAIL), at(1 - TAIL)];
  const wide = (end: number) => Math.min(1, Math.max(0, mean + WIDENED * (end - mean)));
  return {
    mean,
    low: wide(low),
    high: wide(high),
    sigma: logSigma.reduce((a, row, i) => a + weight[i]! * Math.exp(row[k]!), 0),
  };
}

/** Mutual information of a ride's answers with the best values, σ being what it is on average. */
function information(
  some: readonly Float64Array[],
  logSigma: Float64Array,
  at: readonly number[],
  before: readonly number[] | null,
): number {
  const answers = logSigma.length + (before ? 1 : 0);
  const outcomes = new Float64Array(2 ** answers);
  let known = 0;
  const chances = new Float64Array(answers);
  for (const best of some) {
    for (let k = 0; k < best.length; k++)
      chances[k] = lapsing(tabledNormalCdf((best[k]! - at[k]!) / Math.exp(logSigma[k]!)));
    if (before) chances[answers - 1] = lapsing(preferred(at, before, best, logSigma));
    for (let k = 0; k < answers; k++) known += entropy(chances[k]!);
    for (let o = 0; o < outcomes.length; o++) {
      let p = 1;
      for (let k = 0; k < answers; k++) p *= (o >> k) & 1 ? chances[k]! : 1 - chances[k]!;
      outcomes[o]! += p;
    }
  }
  let unknown = 0;
  for (const sum of outcomes) if (sum > 0) unknown -= (sum / some.length) * Math.log(sum / some.length);
  return unknown - known / some.length;
}
