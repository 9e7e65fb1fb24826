import { quantile, median } from '../numeric/order';
import { runsOf, samplesOf, type Recording } from '../axes/recording';
import { fail, succeed, type Outcome } from '../problem';
import { estimate, fitSwings, FEWEST_SPINS, type Estimate, type FreeFit } from './fitSwings';
import { absoluteFrom, around, pooled, pullOf, times, type Absolute, type Hung } from './pendulum';
import { hungMass } from './hungMass';
import { swingsOf, type AngleScale, type Spin } from './swings';

/** So many spins and releases must be usable. */
export const FEWEST_USABLE = 6;
/** m·g·r against the friction: a lighter mass hangs where friction leaves it. */
const LEAST_PULL = 2;
/** A mass is proposed with so much to spare, at a distance that most rims have, and in such steps. */
const AMPLE_PULL = 3;
const USUAL_MM = 140;
const STEP_G = 50;
const LEAST_G = 300;

/** A mass that friction cannot hold, for a rim as wide as most. */
export function massFor(frictionNm: number): { grams: number; millimetres: number } {
  const least = (AMPLE_PULL * frictionNm * 1e6) / (9.81 * USUAL_MM);
  return { grams: Math.max(LEAST_G, STEP_G * Math.ceil(least / STEP_G)), millimetres: USUAL_MM };
}

/** Flicks that turn less far than this each way cannot tell an imbalance from a spring, rad. */
const WIDE_RAD = (60 * Math.PI) / 180;

/** A base as its rim tells it, without a force being sent: every figure with its 95 % interval. */
export interface BaseByHand {
  /** F_c/J, rad/s². */
  frictionOverInertia: Estimate;
  /** b/J, 1/s. */
  dampingOverInertia: Estimate;
  /** k/J, 1/s²; `null` unless its interval excludes 0. */
  springOverInertia: Estimate | null;
  /** The rim's own imbalance over its inertia, rad/s². */
  imbalance: { sinOverInertia: Estimate; cosOverInertia: Estimate };
  /** Of motor and rim, without the mass; these three are `null` without a pendulum. */
  inertiaKgM2: Estimate | null;
  frictionNm: Estimate | null;
  dampingNmsPerRad: Estimate | null;
  /** Flicks and releases that were used. */
  swings: number;
  warnings: string[];
}

/** A recording of one base's wheel; angle 0 is where it rests. */
export interface HandCapture {
  recording: Recording;
  countsPerDegree: number;
}

interface Spins {
  flicks: Spin[];
  pendulums: { massKg: number; radiusM: number; spins: Spin[] }[];
}

/**
 * Friction, damping, imbalance and inertia of a base from spins by hand (`flick`) and releases with a known mass on the rim
 * (`pendulum:<grams>@<millimetres>`), the base's power or effects off.
 * @returns refused with fewer than six usable spins and releases, or with a mass that friction can hold
 */
export function baseByHand(captures: readonly HandCapture[]): Outcome<BaseByHand> {
  const lacking = captures.find(({ recording }) => !recording.axes.steering);
  if (lacking)
    return refuse('no-steering', 'The capture has no column "steering".', 'Record the wheel as "steering".');
  const made = spinsIn(captures);
  const usable = (spins: readonly Spin[]) => spins.filter((spin) => spin.length > 0);
  const flicks = usable(made.flicks);
  const pendulums = made.pendulums.map((one) => ({ ...one, spins: usable(one.spins) }));
  const count = (spins: Pick<Spins, 'flicks' | 'pendulums'>) =>
    spins.pendulums.reduce((sum, one) => sum + one.spins.length, spins.flicks.length);
  const swings = count({ flicks, pendulums });
  const lost = count(made) - swings;
  if (swings < FEWEST_USABLE)
    return refuse(
      'too-few-swings',
      `${swings} of the ${count(made)} spins and releases can be used.`,
      `At least ${FEWEST_USABLE} are needed, let go at half a turn a second or faster and clear of the stops.`,
    );
  const free = fitOf(flicks, false);
  const hung = pendulums.flatMap(({ spins, ...mass }): Hung[] => {
    const fit = fitOf(spins, true);
    return fit ? [{ ...mass, fit }] : [];
  });
  if (!free && hung.length === 0)
    return refuse(
      'cannot-tell',
      'The spins do not tell friction, damping and imbalance apart.',
      'Spin it both ways, from both sides, at different speeds.',
    );
  const absolute = hung.length === 0 ? null : allOf(hung, free);
  if (absolute && hung.some((one) => pullOf(one) < LEAST_PULL * absolute.frictionNm.value)) {
    const least = Math.min(...hung.map(pullOf));
    return refuse(
      'mass-too-light',
      `The mass pulls with ${least.toFixed(2)} N·m, and the friction is ${absolute.frictionNm.value.toFixed(2)} N·m.`,
      `Fix a mass that pulls with ${(LEAST_PULL * absolute.frictionNm.value).toFixed(2)} N·m or more: heavier, or further out.`,
    );
  }
  const warnings = [
    ...(lost > 0
      ? [`${lost} of ${count(made)} spins were too slow, too short or against a stop: left out.`]
      : []),
    ...(free && !isWide(flicks)
      ? [
          'The spins turn less than 60° each way: there an imbalance and a spring look alike. Start from 120° and spin harder.',
        ]
      : []),
    ...(free
      ? []
      : ['Without flicks the rim is taken for balanced; what it is not is an error of its inertia.']),
  ];
  return succeed({
    ...(free ? ratesOf(free) : ratesFrom(absolute!)),
    inertiaKgM2: absolute?.inertiaKgM2 ?? null,
    frictionNm: absolute?.frictionNm ?? null,
    dampingNmsPerRad: absolute?.dampingNmsPerRad ?? null,
    swings,
    warnings,
  });
}

function spinsIn(captures: readonly HandCapture[]): Spins {
  const found: Spins = { flicks: [], pendulums: [] };
  const groups = new Map<string, Spins['pendulums'][number]>();
  for (const { recording, countsPerDegree } of captures) {
    const raw = recording.axes.steering!;
    const scale = scaleOf(recording, raw, countsPerDegree);
    for (const run of recording.runs) {
      const spin = () => swingsOf(recording.t, raw, run, scale);
      if (run.label === 'flick') found.flicks.push(spin());
      const mass = hungMass(run.label);
      if (!mass) continue;
      const group = groups.get(run.label) ?? {
        massKg: mass.kg,
        radiusM: mass.m,
        spins: [],
      };
      groups.set(run.label, group);
      group.spins.push(spin());
    }
  }
  found.pendulums = [...groups.values()];
  return found;
}

/** Angle 0 is the median of a rest, else the middle of the device's range. */
function scaleOf(recording: Recording, raw: Float64Array, countsPerDegree: number): AngleScale {
  const rest = runsOf(recording, 'rest');
  const { rangeMin, rangeMax } = recording;
  return {
    countsPerDegree,
    centre: rest.length > 0 ? median(samplesOf(raw, rest)) : (rangeMin + rangeMax) / 2,
    ends: [rangeMin, rangeMax],
  };
}

/** With a spring where one is shown, else without. */
function fitOf(spins: readonly Spin[], ownFriction: boolean): FreeFit | null {
  if (spins.length < FEWEST_SPINS) return null;
  const sprung = fitSwings(spins, { spring: true, ownFriction });
  const spring = sprung && estimate(sprung, ({ spring: k }) => k);
  const isShown = spring !== null && (spring.low > 0 || spring.high < 0);
  return isShown ? sprung : fitSwings(spins, { spring: false, ownFriction });
}

function ratesOf(
  free: FreeFit,
): Pick<BaseByHand, 'frictionOverInertia' | 'dampingOverInertia' | 'springOverInertia' | 'imbalance'> {
  const spring = estimate(free, (terms) => terms.spring);
  return {
    frictionOverInertia: estimate(free, (terms) => terms.friction),
    dampingOverInertia: estimate(free, (terms) => terms.damping),
    springOverInertia: spring.value === 0 ? null : spring,
    imbalance: {
      sinOverInertia: estimate(free, (terms) => terms.sin),
      cosOverInertia: estimate(free, (terms) => terms.cos),
    },
  };
}

/** The same from the pendulum alone: the rim is taken for balanced. */
function ratesFrom({ inertiaKgM2, frictionNm, dampingNmsPerRad }: Absolute): ReturnType<typeof ratesOf> {
  const over = ({ value, low, high }: Estimate): Estimate => ({
    value: value / inertiaKgM2.value,
    low: low / inertiaKgM2.value,
    high: high / inertiaKgM2.value,
  });
  const none = around(0, 0);
  return {
    frictionOverInertia: over(frictionNm),
    dampingOverInertia: over(dampingNmsPerRad),
    springOverInertia: null,
    imbalance: { sinOverInertia: none, cosOverInertia: none },
  };
}

/** Every mass speaks of the inertia; with it the flicks speak of friction and damping once more. */
function allOf(hung: readonly Hung[], free: FreeFit | null): Absolute {
  const each = hung.map((one) => absoluteFrom(one, free));
  const inertiaKgM2 = pooled(each.map((one) => one.inertiaKgM2));
  const flicked = (of: 'friction' | 'damping') =>
    free
      ? [
          times(
            estimate(free, (terms) => terms[of]),
            inertiaKgM2,
          ),
        ]
      : [];
  return {
    inertiaKgM2,
    frictionNm: pooled([...each.map((one) => one.frictionNm), ...flicked('friction')]),
    dampingNmsPerRad: pooled([...each.map((one) => one.dampingNmsPerRad), ...flicked('damping')]),
  };
}

function isWide(flicks: readonly Spin[]): boolean {
  const angles = flicks.flat().flatMap(({ angle }) => Array.from(angle));
  return quantile(angles, 0.95) > WIDE_RAD && quantile(angles, 0.05) < -WIDE_RAD;
}

const refuse = (code: string, message: string, remedy: string) =>
  fail<BaseByHand>({ code, message, place: {}, remedy });
