import { EFFECTS } from '../force/effects';
import { bandParameter, effectParameter, isForceField, type ForceParameter } from '../force/forceParameters';
import { BAND_HZ } from '../force/forceSettings';
import { GAMMA_RANGE } from '../response/curve';
import type { MenuField, FieldMap } from '../response/menuSchema';

/** What a menu's number does, beside what the force chain knows: kept, shown and put on the card, but not computed. */
export const OTHER_ROLES = [
  'titleFriction',
  'titleInertia',
  'titleSmoothing',
  'loadSensitivity',
  'updateRate',
  'speedSensitivity',
  'vibration',
  'brakeVibration',
  'softStop',
  'other',
] as const;
export type OtherRole = (typeof OTHER_ROLES)[number];

/** What a field of a menu does. */
export type Role = 'deadzone' | 'saturation' | 'linearity' | 'rotation' | 'lock' | ForceParameter | OtherRole;

const EFFECT_ROLES: readonly ForceParameter[] = EFFECTS.map(effectParameter);

/** Whether a role adds an effect to the force, which the title's gain may scale or not. */
export const isEffectRole = (role: Role): boolean => (EFFECT_ROLES as readonly Role[]).includes(role);

/** Roles that a title's menus have, in the order in which one works; those of the response stand on every control. */
export const TITLE_ROLES: readonly Role[] = [
  'gain',
  'minForce',
  'titleDamper',
  'titleSpring',
  ...EFFECT_ROLES,
  'understeerCue',
  'selfAlignment',
  'mechanicalTrail',
  'pneumaticTrail',
  'rotation',
  'deadzone',
  'saturation',
  'linearity',
  'titleFriction',
  'titleInertia',
  'titleSmoothing',
  'loadSensitivity',
  'speedSensitivity',
  'updateRate',
  'vibration',
  'brakeVibration',
  'softStop',
  'other',
];

/** What can be set for one car alone. */
export const CAR_ROLES: readonly Role[] = ['gain', 'lock', 'linearity', 'other'];

/** Roles that the program of a base has. */
export const BASE_ROLES: readonly Role[] = [
  'rotation',
  'strength',
  'torqueLimit',
  'damperChannel',
  'springChannel',
  'damper',
  'speedDamping',
  'friction',
  'inertia',
  'spring',
  'smoothing',
  'interpolation',
  ...BAND_HZ.map(bandParameter),
  'protection',
  'softStop',
  'deadzone',
  'saturation',
  'linearity',
  'other',
];

export const isResponseRole = (role: Role): boolean =>
  role === 'deadzone' || role === 'saturation' || role === 'linearity';

const isOther = (role: Role): role is OtherRole => (OTHER_ROLES as readonly string[]).includes(role);

/** Counted from its neutral, where it is 1. */
export const FACTORS: ReadonlySet<Role> = new Set<Role>([
  'gain',
  'selfAlignment',
  'mechanicalTrail',
  'pneumaticTrail',
  ...BAND_HZ.map(bandParameter),
]);

/** Whether what a role does to the force is computed; the rest is kept and shown. */
export const isComputed = (role: Role): boolean => !isOther(role);

/** The role that a mapping speaks of. */
export function roleOf({ key, maps }: Pick<MenuField, 'key' | 'maps'>): Role {
  if (!('of' in maps))
    return maps.kind === 'deadzone-amount'
      ? 'deadzone'
      : maps.kind.startsWith('saturation')
        ? 'saturation'
        : 'linearity';
  if (maps.of === 'rotation' || maps.of === 'lock' || isForceField(maps.of)) return maps.of;
  return OTHER_ROLES.find((role) => key === role || new RegExp(`^${role}\\d+$`).test(key)) ?? 'other';
}

/** The key of a field: its role, so that the chain finds it; a second of what may stand twice is counted. */
export function keyFor(role: Role, taken: ReadonlySet<string>): string {
  if (!isOther(role) || !taken.has(role)) return role;
  for (let i = 2; ; i++) if (!taken.has(`${role}${i}`)) return `${role}${i}`;
}

type Numbers = Pick<MenuField, 'min' | 'max' | 'step' | 'neutral'>;

/** What all of something is on a scale: per cent, decimals, or else its own end. */
function wholeOf({ max }: Numbers): number {
  if (max <= 1) return 1;
  return max > 20 && max <= 100 ? 100 : max;
}

/**
 * What the numbers of a field most likely mean, from its role and its range: to be corrected, or probed. A dead zone counts
 * upwards; a saturation that comes at its greatest is an end point; a linearity around 1 is the exponent itself.
 */
export function usualMaps(role: Role, key: string, numbers: Numbers): FieldMap {
  const { min, max, neutral } = numbers;
  if (role === 'deadzone') return { kind: 'deadzone-amount', full: wholeOf(numbers) };
  if (role === 'saturation')
    return neutral > (min + max) / 2
      ? { kind: 'saturation-end', full: wholeOf(numbers) }
      : { kind: 'saturation-amount', full: wholeOf(numbers), reach: 1 };
  if (role === 'linearity') return usualCurve(numbers);
  if (role === 'rotation' || role === 'lock') return { kind: 'degrees', of: role };
  if (role === 'torqueLimit') return { kind: 'torque', of: role };
  if (FACTORS.has(role) && neutral !== 0) return { kind: 'gain', of: role };
  if (role === 'interpolation') return { kind: 'fraction', of: role, full: 1 };
  return { kind: 'fraction', of: isOther(role) ? key : role, full: max > 0 ? wholeOf(numbers) : 1 };
}

/** How far a bend of unknown scale is taken to go. */
const USUAL_BASE = 3;

function usualCurve({ min, max, neutral }: Numbers): FieldMap {
  const isExponent = neutral === 1 && min >= GAMMA_RANGE[0] && max <= GAMMA_RANGE[1] && max <= 5;
  if (isExponent) return { kind: 'gamma-direct' };
  return { kind: 'gamma-log', base: USUAL_BASE, half: Math.max(max - neutral, neutral - min), sign: 1 };
}

/** Whether the scale of a field follows from what it is: degrees and newton metres do, and a share that is written in per cent. */
export function isScaleKnown(role: Role, unit: string): boolean {
  if (role === 'rotation' || role === 'lock' || role === 'torqueLimit' || isOther(role)) return true;
  return unit === '%' && role !== 'linearity' && !FACTORS.has(role);
}
