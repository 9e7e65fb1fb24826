import { AXIS_WORDS } from '@/core/axes/axes';
import { lockNeutral, SHAPED_AXES, type ShapedAxis } from '@/core/formats/titleJson';
import type { ForceParameter } from '@/core/force/forceParameters';
import type { MenuSchema, MenuField } from '@/core/response/menuSchema';

export type AxisDialects = Record<ShapedAxis, MenuSchema>;

/** A title that writes every axis alike; its steering may have fields beyond those. */
function sameOnEveryAxis(name: string, fields: MenuField[], steering: MenuField[] = []): AxisDialects {
  const on = (axis: ShapedAxis, own: MenuField[] = []): MenuSchema => ({
    name,
    axis: AXIS_WORDS[axis],
    fields: [...own, ...fields],
  });
  return Object.fromEntries(
    SHAPED_AXES.map((axis) => [axis, on(axis, axis === 'steering' ? steering : [])]),
  ) as AxisDialects;
}

function degreesField(
  of: 'rotation' | 'lock',
  label: string,
  range: Pick<MenuField, 'min' | 'max' | 'step' | 'neutral'>,
): MenuField {
  return { key: of, label, ...range, maps: { kind: 'degrees', of } };
}

/** A car's bump stop: it comes at the car's own lock. */
const lockField = (
  label: string,
  range: Pick<MenuField, 'min' | 'max' | 'step'>,
  lockDeg: number,
): MenuField => degreesField('lock', label, { ...range, neutral: lockNeutral(range, lockDeg) });

type Range = Pick<MenuField, 'min' | 'max' | 'step' | 'neutral'>;

/** A setting of the force; the menu's number over `full` is its share. */
export function shareField(of: ForceParameter, label: string, range: Range, full: number): MenuField {
  return { key: of, label, ...range, maps: { kind: 'fraction', of, full } };
}

/** A factor: 1 at its neutral. */
export function gainField(of: ForceParameter, label: string, range: Range): MenuField {
  return { key: of, label, ...range, maps: { kind: 'gain', of } };
}

const HUNDRED: Range = { min: 0, max: 100, step: 1, neutral: 0 };
const AS_IT_COMES: Range = { ...HUNDRED, neutral: 50 };

const CAUSEWAY_FORCE: MenuField[] = [
  gainField('gain', 'Heft', AS_IT_COMES),
  shareField('minForce', 'Stir', HUNDRED, 400),
  shareField('roadEffect', 'Cobbles', AS_IT_COMES, 100),
  shareField('kerbEffect', 'Kerbstones', AS_IT_COMES, 100),
  shareField('offtrackEffect', 'Marsh', { ...HUNDRED, neutral: 20 }, 100),
  shareField('slipEffect', 'Scrub', HUNDRED, 100),
  shareField('understeerCue', 'Going light', HUNDRED, 100),
  shareField('titleDamper', 'Calming', HUNDRED, 100),
  shareField('titleSpring', 'Homing', HUNDRED, 100),
];

const UNIT: Range = { min: 0, max: 1, step: 0.05, neutral: 0 };

const TRAIL: Range = { min: 0, max: 2, step: 0.05, neutral: 1 };

const HILL_AND_HOLLOW_FORCE: MenuField[] = [
  gainField('gain', 'Voice', { min: 0, max: 2, step: 0.01, neutral: 1 }),
  gainField('selfAlignment', 'Straightening', TRAIL),
  gainField('mechanicalTrail', 'Caster feel', TRAIL),
  gainField('pneumaticTrail', 'Tyre feel', TRAIL),
  shareField('minForce', 'Lift', { min: 0, max: 0.3, step: 0.005, neutral: 0 }, 1),
  shareField('roadEffect', 'Surface', { ...UNIT, neutral: 0.4 }, 1),
  shareField('kerbEffect', 'Rumble', { ...UNIT, neutral: 0.5 }, 1),
  shareField('offtrackEffect', 'Verge', UNIT, 1),
  shareField('absEffect', 'Brake pulse', UNIT, 1),
  shareField('understeerCue', 'Slip cue', UNIT, 1),
  shareField('titleDamper', 'Hush', UNIT, 1),
];

const CLICKS: Range = { min: 0, max: 20, step: 1, neutral: 0 };

const MILLSTONE_FORCE: MenuField[] = [
  gainField('gain', 'Force level', { min: 1, max: 10, step: 1, neutral: 5 }),
  shareField('minForce', 'Wake', CLICKS, 100),
  shareField('roadEffect', 'Shake', { ...CLICKS, neutral: 10 }, 20),
  shareField('titleDamper', 'Drag', CLICKS, 20),
  shareField('titleSpring', 'Pull', CLICKS, 20),
];

/** Whole numbers as amounts, each on a scale of its own; its bend is neutral at 0, more is calmer. */
export const CAUSEWAY_DIALECTS = sameOnEveryAxis(
  'Causeway',
  [
    {
      key: 'deadzone',
      label: 'Ebb',
      min: 0,
      max: 95,
      step: 1,
      neutral: 0,
      maps: { kind: 'deadzone-amount', full: 100 },
    },
    {
      key: 'saturation',
      label: 'Flood',
      min: 0,
      max: 90,
      step: 1,
      neutral: 0,
      maps: { kind: 'saturation-amount', full: 100, reach: 1 },
    },
    {
      key: 'linearity',
      label: 'Swell',
      min: 0,
      max: 110,
      step: 1,
      neutral: 0,
      maps: { kind: 'gamma-log', base: 4, half: 100, sign: 1 },
    },
  ],
  [
    degreesField('rotation', 'Wheel turns', { min: 180, max: 1440, step: 10, neutral: 900 }),
    ...CAUSEWAY_FORCE,
  ],
);

/** Decimals; saturation as an end point, gamma written out with 1 neutral. */
export const HILL_AND_HOLLOW_DIALECTS = sameOnEveryAxis(
  'Hill & Hollow',
  [
    {
      key: 'deadzone',
      label: 'Start',
      min: 0,
      max: 0.5,
      step: 0.01,
      neutral: 0,
      maps: { kind: 'deadzone-amount', full: 1 },
    },
    {
      key: 'saturation',
      label: 'End',
      min: 0.4,
      max: 1,
      step: 0.01,
      neutral: 1,
      maps: { kind: 'saturation-end', full: 1 },
    },
    {
      key: 'linearity',
      label: 'Gamma',
      min: 0.5,
      max: 3,
      step: 0.05,
      neutral: 1,
      maps: { kind: 'gamma-direct' },
    },
  ],
  [
    degreesField('rotation', 'Rotation', { min: 200, max: 2520, step: 1, neutral: 900 }),
    ...HILL_AND_HOLLOW_FORCE,
  ],
);

/** 0…20 clicks; linearity 10 is neutral, more is livelier. */
export const MILLSTONE_DIALECTS = sameOnEveryAxis(
  'Millstone',
  [
    {
      key: 'deadzone',
      label: 'Loose',
      min: 0,
      max: 20,
      step: 1,
      neutral: 0,
      maps: { kind: 'deadzone-amount', full: 50 },
    },
    {
      key: 'saturation',
      label: 'Full at',
      min: 0,
      max: 20,
      step: 1,
      neutral: 0,
      maps: { kind: 'saturation-amount', full: 20, reach: 0.5 },
    },
    {
      key: 'linearity',
      label: 'Bite',
      min: 0,
      max: 20,
      step: 1,
      neutral: 10,
      maps: { kind: 'gamma-log', base: 3, half: 10, sign: -1 },
    },
  ],
  MILLSTONE_FORCE,
);

/** What a title lets one set for a single car. */
export type CarMenu = Partial<Record<ShapedAxis, (carName: string, lockDeg: number) => MenuSchema>>;

export const CAUSEWAY_CAR_MENU: CarMenu = {
  steering: (carName, lockDeg) => ({
    name: carName,
    axis: 'steering',
    fields: [
      lockField('Bump stop', { min: 180, max: 1440, step: 10 }, lockDeg),
      gainField('gain', 'Car heft', { min: 50, max: 150, step: 5, neutral: 100 }),
      {
        key: 'linearity',
        label: 'Car swell',
        min: 0,
        max: 100,
        step: 5,
        neutral: 0,
        maps: { kind: 'gamma-log', base: 4, half: 100, sign: 1 },
      },
    ],
  }),
};

export const HILL_AND_HOLLOW_CAR_MENU: CarMenu = {
  steering: (carName, lockDeg) => ({
    name: carName,
    axis: 'steering',
    fields: [lockField('Car lock', { min: 180, max: 1080, step: 1 }, lockDeg)],
  }),
  throttle: (carName) => ({
    name: carName,
    axis: 'throttle',
    fields: [
      {
        key: 'linearity',
        label: 'Pedal map',
        min: -0.5,
        max: 1,
        step: 0.05,
        neutral: 0,
        maps: { kind: 'blend', full: 1 },
      },
    ],
  }),
};

/** A truck is as it was built. */
export const MILLSTONE_CAR_MENU: CarMenu = {};
