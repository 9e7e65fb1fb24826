import type { Reading, Spinning } from '../simulateSpins';
import type { TrueBase } from '../spinningRim';

const PLAIN = { frictionSpread: 0.01, springNmPerRad: 0 };

/** One base of every kind, as it truly is. */
export const TRUE_BASES: Record<'gear' | 'belt' | 'direct', TrueBase> = {
  gear: {
    ...PLAIN,
    inertiaKgM2: 0.012,
    frictionNm: 0.22,
    viscousNms: 0.006,
    imbalanceNm: { sin: 0.03, cos: 0.01 },
    coggingNm: 0.01,
    coggingPerTurn: 24,
    rotationDeg: 900,
  },
  belt: {
    ...PLAIN,
    inertiaKgM2: 0.014,
    frictionNm: 0.18,
    viscousNms: 0.008,
    imbalanceNm: { sin: 0.05, cos: -0.02 },
    coggingNm: 0.005,
    coggingPerTurn: 36,
    rotationDeg: 1080,
  },
  direct: {
    ...PLAIN,
    inertiaKgM2: 0.018,
    frictionNm: 0.09,
    viscousNms: 0.012,
    imbalanceNm: { sin: 0.06, cos: 0.03 },
    coggingNm: 0.02,
    coggingPerTurn: 42,
    rotationDeg: 1440,
  },
};

const COUNTS = 65536;

/** Every report of the device, and what a browser's gamepad passes on. */
export function readings({ rotationDeg }: TrueBase): Record<'raw' | 'gamepad', Reading> {
  const countsPerDegree = COUNTS / rotationDeg;
  return {
    raw: { countsPerDegree, everyS: 0.001, lateS: 0.0004 },
    gamepad: { countsPerDegree, everyS: 0.004, lateS: 0.004 },
  };
}

/** Sixteen spins and ten releases, with a mass that pulls two and a half times as hard as the friction holds. */
export function wholeEvening(base: TrueBase, reading: Reading, seed: number): Spinning {
  const millimetres = 140;
  const grams = Math.max(300, Math.ceil((2.6 * base.frictionNm * 1e6) / (9.81 * millimetres)));
  return { base, reading, flicks: 16, releases: 10, mass: { grams, millimetres }, seed };
}

/** What a measurement of such a base should find. */
export const truthOf = ({ inertiaKgM2: inertia, frictionNm, viscousNms, imbalanceNm }: TrueBase) => ({
  frictionOverInertia: frictionNm / inertia,
  dampingOverInertia: viscousNms / inertia,
  inertiaKgM2: inertia,
  frictionNm,
  dampingNmsPerRad: viscousNms,
  sinOverInertia: imbalanceNm.sin / inertia,
  cosOverInertia: imbalanceNm.cos / inertia,
});
