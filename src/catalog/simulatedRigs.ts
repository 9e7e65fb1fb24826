import { RIMS } from './rims';
import type { WheelHabits } from '@/core/axes/hand';
import type { LeverFaults } from '@/core/axes/lever';
import type { PedalHardware } from '@/core/axes/pedalSensor';
import { isPedalAxis, type AxisName, type PedalAxis } from '@/core/axes/axes';
import type { SimulatedAxis, WheelHardware } from '@/core/axes/simulatedAxis';
import { plainRig, type RigSpec } from '@/core/rig/rigSpec';
import { habitsOf } from './drivers';
import { wrenThrottle } from './wrenThrottle';

/** A rig of the demo's world: as its owner describes it, and as the simulated device plays it. */
export interface SimulatedRigSpec {
  id: string;
  name: string;
  rateHz: number;
  spec: RigSpec;
  wheel: { hardware: WheelHardware; habits: WheelHabits };
  pedals: Partial<Record<PedalAxis, PedalHardware>>;
  lever: LeverFaults | null;
}

const COUNTS_16 = { quantum: 1, rangeMin: 0, rangeMax: 65535 };
/** A 10-bit sensor, as a host scales it. */
const COUNTS_10 = { quantum: 64, rangeMin: 0, rangeMax: 65535 };

const described = (
  id: string,
  spec: Omit<Partial<RigSpec>, 'base' | 'rim'>,
  base: Partial<RigSpec['base']>,
  rim: Partial<RigSpec['rim']>,
): RigSpec => {
  const plain = plainRig({ kind: 'simulated', rig: id });
  return { ...plain, ...spec, base: { ...plain.base, ...base }, rim: { ...plain.rim, ...rim } };
};

export const SIMULATED_RIGS: readonly SimulatedRigSpec[] = [
  {
    id: 'tern',
    name: 'Tern',
    rateHz: 1000,
    spec: described(
      'tern',
      {
        pedals: { throttle: 'hall', brake: 'load-cell', clutch: 'hall' },
        shifter: { kind: 'sequential', gears: 6 },
        mounting: 'Steel frame, pedals bolted, base on a clamp plate',
        software: [
          { part: 'base', version: '2.14', date: '2026-08-30', keptOldBecause: '' },
          {
            part: 'driver program',
            version: '5.1',
            date: '2026-03-12',
            keptOldBecause: 'the newer one loses the lever',
          },
        ],
      },
      {
        drive: 'belt',
        torqueNm: 5.5,
        maxRotationDeg: 1080,
        rotationDeg: 1080,
        frictionNm: 0.2,
        delayMs: 7,
        makersLimits: 'Not above 5.5 N·m for more than an hour.',
        brakeForce: { min: 10, max: 100, step: 5, now: 80 },
      },
      { diameterMm: 300, massKg: 1.3, inputs: 'two paddles, ten buttons', buttons: RIMS.tern },
    ),
    wheel: {
      hardware: { left: 420, right: 65100, sigma: 3, ...COUNTS_16 },
      habits: {
        rotationDeg: 1080,
        centreDeg: 0.6,
        hysteresisDeg: 1.4,
        handErrorDeg: 1.2,
        base: {
          inertiaKgM2: 0.0135,
          frictionNm: 0.26,
          frictionSpread: 0.01,
          viscousNms: 0.009,
          imbalanceNm: { sin: 0.05, cos: -0.02 },
          coggingNm: 0.005,
          coggingPerTurn: 36,
          springNmPerRad: 0,
          rotationDeg: 1080,
        },
      },
    },
    pedals: {
      throttle: { released: 1210, pressed: 63900, sigma: 9, ...COUNTS_16 },
      brake: { released: 2120, pressed: 61480, sigma: 21, ...COUNTS_16 },
      clutch: { released: 1480, pressed: 64020, sigma: 9, ...COUNTS_16 },
    },
    lever: {},
  },
  {
    id: 'wren',
    name: 'Wren',
    rateHz: 250,
    spec: described(
      'wren',
      {
        pedals: { throttle: 'potentiometer', brake: 'potentiometer', clutch: 'potentiometer' },
        shifter: { kind: 'gate', gears: 6 },
        mounting: 'Clamped to a desk, pedals against the wall',
        software: [{ part: 'base', version: '1.7', date: '2025-11-02', keptOldBecause: '' }],
      },
      {
        drive: 'gear',
        torqueNm: 2.2,
        maxRotationDeg: 900,
        rotationDeg: 900,
        frictionNm: 0.22,
        delayMs: 10,
      },
      { diameterMm: 270, massKg: 0.9, inputs: 'two paddles, eight buttons', buttons: RIMS.wren },
    ),
    wheel: {
      hardware: { left: 640, right: 64900, sigma: 20, ...COUNTS_10 },
      habits: {
        rotationDeg: 900,
        centreDeg: -1.2,
        hysteresisDeg: 2.6,
        handErrorDeg: 1.2,
        base: {
          inertiaKgM2: 0.009,
          frictionNm: 0.16,
          frictionSpread: 0.01,
          viscousNms: 0.005,
          imbalanceNm: { sin: 0.03, cos: 0.01 },
          coggingNm: 0.008,
          coggingPerTurn: 24,
          springNmPerRad: 0,
          rotationDeg: 900,
        },
      },
    },
    pedals: {
      throttle: { ...COUNTS_10, ...wrenThrottle(1) },
      brake: { released: 3100, pressed: 59000, sigma: 60, ...COUNTS_10 },
      clutch: { released: 2700, pressed: 61200, sigma: 55, ...COUNTS_10 },
    },
    lever: {},
  },
  {
    id: 'gannet',
    name: 'Gannet',
    rateHz: 1000,
    spec: described(
      'gannet',
      {
        pedals: { throttle: 'hall', brake: 'load-cell', clutch: 'hall' },
        handbrake: 'analogue',
        paddles: true,
        mounting: 'Welded frame, base bolted from the front',
        software: [
          { part: 'base', version: '4.02', date: '2026-09-18', keptOldBecause: '' },
          { part: 'motor', version: '4.00', date: '2026-09-18', keptOldBecause: '' },
          { part: 'quick release', version: '1.1', date: '2026-02-01', keptOldBecause: '' },
        ],
      },
      {
        drive: 'direct',
        torqueNm: 14,
        maxRotationDeg: 2520,
        rotationDeg: 1080,
        frictionNm: 0.07,
        delayMs: 2,
        makersLimits: 'Torque limit 10 N·m without the locking ring.',
        brakeForce: { min: 10, max: 100, step: 1, now: 60 },
      },
      {
        diameterMm: 310,
        massKg: 1.6,
        inputs: 'two paddles, two clutch paddles, twelve buttons',
      },
    ),
    wheel: {
      hardware: { left: 180, right: 65380, sigma: 1, ...COUNTS_16 },
      habits: {
        rotationDeg: 1080,
        centreDeg: 0.2,
        hysteresisDeg: 0.5,
        handErrorDeg: 1.2,
        base: {
          inertiaKgM2: 0.019,
          frictionNm: 0.11,
          frictionSpread: 0.01,
          viscousNms: 0.012,
          imbalanceNm: { sin: 0.06, cos: 0.03 },
          coggingNm: 0.015,
          coggingPerTurn: 42,
          springNmPerRad: 0,
          rotationDeg: 1080,
        },
      },
    },
    pedals: {
      throttle: { released: 1150, pressed: 64300, sigma: 7, ...COUNTS_16 },
      brake: { released: 1630, pressed: 63020, sigma: 15, ...COUNTS_16 },
      // Mounted the other way round: released is its high end.
      clutch: { released: 64200, pressed: 1290, sigma: 7, ...COUNTS_16 },
      handbrake: { released: 1800, pressed: 62000, sigma: 12, ...COUNTS_16 },
      paddle_left: { released: 900, pressed: 64600, sigma: 6, ...COUNTS_16 },
      paddle_right: { released: 1010, pressed: 64720, sigma: 6, ...COUNTS_16 },
    },
    lever: null,
  },
];

/** Hand, foot and sensor of every axis of a rig under one driver. */
export function simulatedAxes(
  rig: SimulatedRigSpec,
  driver: string,
): Partial<Record<AxisName, SimulatedAxis>> {
  const axes: Partial<Record<AxisName, SimulatedAxis>> = { steering: { kind: 'wheel', ...rig.wheel } };
  for (const [axis, hardware] of Object.entries(rig.pedals))
    if (isPedalAxis(axis)) axes[axis] = { kind: 'pedal', hardware, habits: habitsOf(driver, axis) };
  if (rig.lever) axes.gear = { kind: 'lever', faults: rig.lever };
  return axes;
}
