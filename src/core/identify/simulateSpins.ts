import { stepRim, type RimState } from '../force/motorRim';
import type { PhaseRun, Recording } from '../axes/recording';
import { seededRandom, type Random } from '../numeric/random';

const GRAVITY = 9.81;
const STEP_S = 0.00025;
const RAD = Math.PI / 180;

/** A base and its rim as they truly are. */
export interface TrueBase {
  inertiaKgM2: number;
  /** Sliding friction on average, and by how much of it one spin differs from the next (standard deviation). */
  frictionNm: number;
  frictionSpread: number;
  viscousNms: number;
  /** Moment of the rim's own imbalance, N·m: of a rim on its side (`sin`), and of one that is heavy on a side (`cos`). */
  imbalanceNm: { sin: number; cos: number };
  /** Torque of the motor's magnets, N·m, and how often in a turn; it holds a rim here and there. */
  coggingNm: number;
  coggingPerTurn: number;
  /** A spring that was left on, N·m/rad. */
  springNmPerRad: number;
  rotationDeg: number;
}

/** How the wheel is read. */
export interface Reading {
  countsPerDegree: number;
  /** Time between two looks at it, s, and how much later than it happened each is noted at most. */
  everyS: number;
  lateS: number;
}

export interface Spinning {
  base: TrueBase;
  reading: Reading;
  flicks: number;
  releases: number;
  mass: { grams: number; millimetres: number } | null;
  seed: number;
}

/** What a hand gives: from where, degrees, and how fast, rad/s. */
const FLICK_FROM_DEG = 120;
const FLICK_RADPS = [5, 11] as const;
const RELEASE_DEG = [75, 110] as const;
const REST_S = 1;
const BETWEEN_S = 0.3;
const LONGEST_S = 6;

/** Somebody spins a wheel by hand and lets a mass swing on it: the recording that their computer makes of it. */
export function simulateSpins({ base, reading, flicks, releases, mass, seed }: Spinning): Recording {
  const random = seededRandom(seed);
  const rows: { t: number; raw: number; label: string }[] = [];
  let clock = 0;
  const note = (angle: number, label: string) => {
    const raw = Math.round((angle / RAD) * reading.countsPerDegree);
    rows.push({ t: clock + random.uniform() * reading.lateS, raw, label });
  };
  const idle = (angle: number, seconds: number, label = 'idle') => {
    for (const end = clock + seconds; clock < end; clock += reading.everyS) note(angle, label);
  };
  const spin = (from: number, rate: number, hung: { kg: number; m: number } | null, label: string) => {
    const rim: RimState = { angle: from, rate, twist: 0 };
    const inertia = base.inertiaKgM2 + (hung ? hung.kg * hung.m ** 2 : 0);
    const pull = hung ? hung.kg * GRAVITY * hung.m : 0;
    const friction = base.frictionNm * (1 + base.frictionSpread * random.normal());
    const began = clock;
    let stands = 0;
    for (let due = clock; clock - began < LONGEST_S && stands < 0.15; clock += STEP_S) {
      if (clock >= due) {
        note(rim.angle, label);
        due += reading.everyS;
      }
      stepRim(rim, torqueOn(base, rim, pull), inertia, base.viscousNms, friction, STEP_S);
      stands = Math.abs(rim.rate) < 0.02 ? stands + STEP_S : 0;
    }
    idle(rim.angle, BETWEEN_S);
  };
  idle(0, REST_S, 'rest');
  for (let i = 0; i < flicks; i++) {
    const way = i % 2 === 0 ? 1 : -1;
    idle(0, BETWEEN_S);
    spin(
      -way * (FLICK_FROM_DEG + 20 * random.normal()) * RAD,
      way * between(random, FLICK_RADPS),
      null,
      'flick',
    );
  }
  const hung = mass && { kg: mass.grams / 1000, m: mass.millimetres / 1000 };
  for (let i = 0; hung && i < releases; i++) {
    idle(0, BETWEEN_S);
    const side = i % 2 === 0 ? 1 : -1;
    spin(side * between(random, RELEASE_DEG) * RAD, 0, hung, `pendulum:${mass!.grams}@${mass!.millimetres}`);
  }
  return recordingOf(rows, base, reading);
}

function torqueOn(base: TrueBase, { angle }: RimState, pull: number): number {
  const { imbalanceNm, coggingNm, coggingPerTurn, springNmPerRad, rotationDeg } = base;
  const beyond = Math.abs(angle) - (rotationDeg / 2) * RAD;
  const stop = beyond > 0 ? -Math.sign(angle) * STOP_NM_PER_RAD * beyond : 0;
  return (
    -(imbalanceNm.sin + pull) * Math.sin(angle) -
    imbalanceNm.cos * Math.cos(angle) +
    coggingNm * Math.sin(coggingPerTurn * angle) -
    springNmPerRad * angle +
    stop
  );
}
const STOP_NM_PER_RAD = 60;

const between = (random: Random, [low, high]: readonly [number, number]) =>
  low + (high - low) * random.uniform();

function recordingOf(
  rows: { t: number; raw: number; label: string }[],
  { rotationDeg }: TrueBase,
  { countsPerDegree, everyS }: Reading,
): Recording {
  const runs: PhaseRun[] = [];
  for (const [i, { label }] of rows.entries()) {
    const last = runs.at(-1);
    if (last?.label === label) last.to = i + 1;
    else runs.push({ label, from: i, to: i + 1 });
  }
  const most = Math.round((rotationDeg / 2) * countsPerDegree);
  const within = (raw: number) => Math.max(-most, Math.min(most, raw));
  let newest = 0;
  return {
    t: Float64Array.from(rows, ({ t }) => (newest = Math.max(newest, t))),
    runs,
    axes: { steering: Float64Array.from(rows, ({ raw }) => within(raw)) },
    device: 'simulated',
    rangeMin: -most,
    rangeMax: most,
    rateHz: Math.round(1 / everyS),
    countsPerDegree,
  };
}
