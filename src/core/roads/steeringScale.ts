import { mean } from '../numeric/moments';
import { solveSymmetric } from '../numeric/solveSymmetric';
import { gripAt, peakTanFront, peakTanRear, wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import { makeTyre } from '../vehicle/tyre';
import { MAGIC } from '../vehicle/twoTrack';
import { courseEnd } from './courseEnd';
import type { CurvatureLine } from './meanCurvature';

/** How surely the curvature behind the hands is known before the road has closed: usual values and standard deviations. */
interface Prior {
  given: readonly [scale: number, offset: number, slip: number];
  sigmas: readonly [scale: number, offset: number, slip: number];
}

export interface SteeringScale {
  /** Standard deviation, relative, of what all curvatures have in common. */
  scaleSigma: number;
  curvature: Float64Array;
  /** Circles that the road turns through, left positive; `null` for an open road. */
  turns: number | null;
}

/** What a ratio and a wheelbase are off by where they are given, and where a class of cars stands in. */
const GIVEN_SIGMA = 0.04;
const ASSUMED_SIGMA = 0.2;
/** Cars are made to go straight: a tenth of a degree of the hand, as curvature. */
const OFFSET_SIGMA = 0.00005;
/** The steering gives a little, and a locking differential holds the car straight: it turns by so much less than its geometry. */
const USUAL_SCALE = 0.96;
/** How much more slip the front needs than the rear at the limit: the tyres' own difference, give or take half of it and a degree. */
const SLIP_SIGMA = 0.5;
const SLIP_FLOOR_RAD = 0.015;
/** A car that leans on its outer wheels has this share of its tyres' grip. */
const LEANING = 0.96;

/**
 * A closed road ends where it began within what slip angles near the limit leave of this model, as a share of its length. At
 * first only its heading counts: far from the answer the gap has valleys of its own.
 */
const GAP_SIGMAS = [Infinity, 0.05, 0.01];
/** The same of its heading, rad. */
const HEADING_SIGMA = 0.1;
const ROUNDS = 12;
/** A closed line that does not cross itself turns once around (Hopf's Umlaufsatz), a figure of eight not at all. */
const CIRCLES = [-1, 1, 0];

/**
 * Curvature that is read from the hands: scale·κ_hands + offset = κ + slip·g(v²κ/grip), where g is how a tyre's slip grows
 * with its side force (in peaks). What a closed road says of the three: it turns by whole circles and ends where it began.
 * Weighed against what is known of the car, by Gauss–Newton; of several numbers of circles the likeliest is taken.
 * @param closed an open road says nothing of them
 */
export function steeringScale(line: CurvatureLine, car: CarSpec, closed: boolean): SteeringScale {
  const prior = priorOf(car);
  const behind = curvatureBehind(line, car);
  if (!closed) return { curvature: behind(prior.given), scaleSigma: prior.sigmas[0], turns: null };
  const coarse = everyFew(line);
  const curvatureOf = curvatureBehind(coarse, car);
  const tried = CIRCLES.map((turns) => fitted(coarse, curvatureOf, prior, turns));
  const { at, scaleSigma, turns } = tried.reduce((best, one) => (one.cost < best.cost ? one : best));
  return { curvature: behind(at), scaleSigma, turns };
}

function priorOf(car: CarSpec): Prior {
  const slip = (peakTanFront(car) - peakTanRear(car)) / wheelbaseOf(car);
  const isAssumed = (car.assumed?.length ?? 0) > 0;
  return {
    given: [USUAL_SCALE, 0, slip],
    sigmas: [
      isAssumed ? ASSUMED_SIGMA : GIVEN_SIGMA,
      OFFSET_SIGMA,
      SLIP_SIGMA * Math.abs(slip) + SLIP_FLOOR_RAD / wheelbaseOf(car),
    ],
  };
}

/** Steps of the fit: a hand does not turn faster. */
const FEW = 4;

function everyFew({ stepM, lengthM, curvature, speed }: CurvatureLine) {
  const n = Math.floor(curvature.length / FEW);
  const thin = (values: Float64Array) =>
    Float64Array.from({ length: n }, (_, i) => mean(values.subarray(i * FEW, (i + 1) * FEW)));
  return { stepM: (stepM * curvature.length) / n, lengthM, curvature: thin(curvature), speed: thin(speed) };
}

type Coarse = ReturnType<typeof everyFew>;
type CurvatureOf = (at: readonly number[]) => Float64Array;

const HALVINGS = 14;

function curvatureBehind(
  { curvature, speed }: Pick<CurvatureLine, 'curvature' | 'speed'>,
  car: CarSpec,
): CurvatureOf {
  const shareOf = speed.map((v) => (v * v) / (LEANING * gripAt(car, v)));
  return ([scale, offset, slip]) =>
    curvature.map((k, i) => {
      const turned = scale! * k + offset!;
      const size = Math.abs(turned);
      // What the slip takes or gives grows with the curvature: the answer lies between none and twice of what the hands say.
      let [low, high] = [0, 2 * size];
      for (let h = 0; h < HALVINGS; h++) {
        const middle = (low + high) / 2;
        if (middle + slip! * slipAt(shareOf[i]! * middle) < size) low = middle;
        else high = middle;
      }
      return (Math.sign(turned) * (low + high)) / 2;
    });
}

const SLIP_STEPS = 100;
/** In units of its peak, a tyre's slip over its side force, at even steps of the force. */
const SLIPS = (() => {
  const tyre = makeTyre({ ...MAGIC, mu0: 1, nominalLoadN: 1, loadSensitivity: 0, peakTanAlpha: 1 });
  return Float64Array.from({ length: SLIP_STEPS + 1 }, (_, i) => tyre.slipFor(i / SLIP_STEPS, 1));
})();

function slipAt(share: number): number {
  const at = Math.min(SLIP_STEPS - 1e-9, Math.max(0, share) * SLIP_STEPS);
  const i = Math.floor(at);
  return SLIPS[i]! + (SLIPS[i + 1]! - SLIPS[i]!) * (at - i);
}

function fitted(
  line: Coarse,
  curvatureOf: CurvatureOf,
  { given, sigmas }: Prior,
  turns: number,
): { at: readonly number[]; scaleSigma: number; turns: number; cost: number } {
  const missed = (at: readonly number[], gapSigma: number) => {
    const { heading, x, y } = courseEnd(curvatureOf(at), line.stepM);
    return [(heading - 2 * Math.PI * turns) / HEADING_SIGMA, x / gapSigma, y / gapSigma];
  };
  const costOf = (at: readonly number[], gapSigma: number) =>
    missed(at, gapSigma).reduce((sum, m) => sum + m * m, 0) +
    at.reduce((sum, value, j) => sum + ((value - given[j]!) / sigmas[j]!) ** 2, 0);
  let at: readonly number[] = given;
  let normal = new Float64Array(9);
  for (let round = 0; round < ROUNDS * GAP_SIGMAS.length; round++) {
    const gapSigma = GAP_SIGMAS[Math.floor(round / ROUNDS)]! * line.lengthM;
    const now = missed(at, gapSigma);
    const slopes = at.map((value, j) => {
      const step = sigmas[j]! / 1000;
      const moved = missed(
        at.map((other, k) => (k === j ? value + step : other)),
        gapSigma,
      );
      return moved.map((m, r) => (m - now[r]!) / step);
    });
    normal = new Float64Array(9);
    const right = new Float64Array(3);
    for (let j = 0; j < 3; j++) {
      for (let k = 0; k < 3; k++)
        normal[3 * j + k] = slopes[j]!.reduce((sum, s, r) => sum + s * slopes[k]![r]!, 0);
      normal[4 * j]! += 1 / sigmas[j]! ** 2;
      right[j] =
        -slopes[j]!.reduce((sum, s, r) => sum + s * now[r]!, 0) - (at[j]! - given[j]!) / sigmas[j]! ** 2;
    }
    const step = solveSymmetric(normal, right);
    if (!step) break;
    at = shortened(at, step, (there) => costOf(there, gapSigma));
  }
  const variance = solveSymmetric(normal, [1, 0, 0]);
  return {
    at,
    scaleSigma: (variance ? Math.sqrt(variance[0]!) : sigmas[0]) / at[0]!,
    turns,
    cost: costOf(at, GAP_SIGMAS.at(-1)! * line.lengthM),
  };
}

/** A step of the fit, halved until it is one downwards. */
function shortened(
  at: readonly number[],
  step: Float64Array,
  costOf: (at: readonly number[]) => number,
): number[] {
  const before = costOf(at);
  for (let share = 1; share > MIN_SHARE; share /= 2) {
    const next = at.map((value, j) => value + share * step[j]!);
    if (costOf(next) < before) return next;
  }
  return [...at];
}

const MIN_SHARE = 1 / 64;
