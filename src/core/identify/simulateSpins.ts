import type { PhaseRun, Recording } from '../axes/recording';
import { seededRandom, type Random } from '../numeric/random';
import { hungMass, massLabel, type HungMass } from './hungMass';
import { spinningRim, type TrueBase } from './spinningRim';

const STEP_S = 0.00025;
const RAD = Math.PI / 180;

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
const STANDS_S = 0.15;
const STILL_RADPS = 0.02;

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
  const spin = (from: number, rate: number, hung: HungMass | null, label: string) => {
    const { rim, step } = spinningRim(base, from, rate, hung, random);
    const began = clock;
    let stands = 0;
    for (let due = clock; clock - began < LONGEST_S && stands < STANDS_S; clock += STEP_S) {
      if (clock >= due) {
        note(rim.angle, label);
        due += reading.everyS;
      }
      step(STEP_S);
      stands = Math.abs(rim.rate) < STILL_RADPS ? stands + STEP_S : 0;
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
  const label = mass && massLabel(mass.grams, mass.millimetres);
  const hung = label && hungMass(label);
  for (let i = 0; hung && i < releases; i++) {
    idle(0, BETWEEN_S);
    const side = i % 2 === 0 ? 1 : -1;
    spin(side * between(random, RELEASE_DEG) * RAD, 0, hung, label!);
  }
  return recordingOf(rows, base, reading);
}

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
