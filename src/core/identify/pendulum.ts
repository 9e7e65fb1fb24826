import { FREE_TERMS, estimate, type Estimate, type FreeFit, type FreeTerm } from './fitSwings';

const GRAVITY = 9.81;
/** What the delete-one spread of a pendulum leaves out, seen over simulated bases. */
const WIDENING = 1.5;
/** A mass is weighed, and its distance from the axis measured, to about this. */
const MASS_KG = 0.001;
const RADIUS_M = 0.001;

/** A known mass on the rim, and what its releases say. */
export interface Hung {
  massKg: number;
  radiusM: number;
  fit: FreeFit;
}

/** Absolute figures, each with its 95 % interval. */
export interface Absolute {
  /** Motor and rim, without the mass. */
  inertiaKgM2: Estimate;
  frictionNm: Estimate;
  dampingNmsPerRad: Estimate;
}

type Terms = Record<FreeTerm, number>;
const BALANCED = Object.fromEntries(FREE_TERMS.map((term) => [term, 0])) as Terms;

/**
 * Inertia of the rim without the mass, kg·m². The mass adds its weight's moment to the rim's own imbalance:
 * |γ⃗·J′ − u⃗·J| = m·g·r with J′ = J + m·r², which is a square equation for J.
 * @param hung fitted terms with the mass, @param free without it
 * @returns NaN where no inertia fits
 */
function inertiaFrom(hung: Terms, free: Terms, massKg: number, radiusM: number): number {
  const added = massKg * radiusM ** 2;
  const pull = massKg * GRAVITY * radiusM;
  const [sin, cos] = [hung.sin - free.sin, hung.cos - free.cos];
  const square = sin ** 2 + cos ** 2;
  const half = added * (sin * hung.sin + cos * hung.cos);
  const rest = added ** 2 * (hung.sin ** 2 + hung.cos ** 2) - pull ** 2;
  return (-half + Math.sqrt(half ** 2 - square * rest)) / square;
}

/** Moment of the mass's weight, N·m. */
export const pullOf = ({ massKg, radiusM }: Pick<Hung, 'massKg' | 'radiusM'>) => massKg * GRAVITY * radiusM;

/**
 * Absolute inertia, friction and damping from one mass.
 * @param free what the flicks say; without them the rim is taken to be balanced
 */
export function absoluteFrom(hung: Hung, free: FreeFit | null): Absolute {
  const { massKg, radiusM, fit } = hung;
  const inertia = (terms: Terms, rim: Terms, kg = massKg, m = radiusM) => inertiaFrom(terms, rim, kg, m);
  const whole = (terms: Terms, rim: Terms, kg = massKg, m = radiusM) =>
    inertia(terms, rim, kg, m) + kg * m ** 2;
  const rim = free?.terms ?? BALANCED;
  const widened = (of: (terms: Terms, rim: Terms, kg?: number, m?: number) => number): Estimate => {
    const value = of(fit.terms, rim);
    const ofReleases = WIDENING * halfOf(estimate(fit, (terms) => of(terms, rim)));
    const ofFlicks = free ? halfOf(estimate(free, (other) => of(fit.terms, other))) : 0;
    const ofMass = of(fit.terms, rim, massKg + MASS_KG) - value;
    const ofRadius = of(fit.terms, rim, massKg, radiusM + RADIUS_M) - value;
    return around(value, Math.hypot(ofReleases, ofFlicks, ofMass, ofRadius));
  };
  return {
    inertiaKgM2: widened(inertia),
    frictionNm: widened((terms, ...more) => terms.friction * whole(terms, ...more)),
    dampingNmsPerRad: widened((terms, ...more) => terms.damping * whole(terms, ...more)),
  };
}

const halfOf = ({ low, high }: Estimate): number => (high - low) / 2;
export const around = (value: number, half: number): Estimate => ({
  value,
  low: value - half,
  high: value + half,
});

/** Several estimates of one thing, weighted by their widths (inverse variance). */
export function pooled(estimates: readonly Estimate[]): Estimate {
  const weights = estimates.map((one) => 1 / Math.max(halfOf(one), 1e-12) ** 2);
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const value = estimates.reduce((all, one, i) => all + weights[i]! * one.value, 0) / sum;
  return around(value, 1 / Math.sqrt(sum));
}

/** A rate times an inertia, their errors independent. */
export const times = (rate: Estimate, inertia: Estimate): Estimate =>
  around(rate.value * inertia.value, Math.hypot(halfOf(rate) * inertia.value, rate.value * halfOf(inertia)));
