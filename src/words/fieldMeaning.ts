import { BASE_ROLES, CAR_ROLES, isComputed, TITLE_ROLES, type Role } from '@/core/titles/roles';
import type { FieldMap } from '@/core/response/menuSchema';
import { capital } from './format';
import { termOf } from './standardTerm';

const OTHERS: Partial<Record<Role, string>> = {
  linearity: 'linearity',
  titleFriction: 'friction of the title',
  titleInertia: 'inertia of the title',
  titleSmoothing: 'smoothing of the title',
  loadSensitivity: 'load sensitivity',
  speedSensitivity: 'speed sensitivity',
  updateRate: 'update rate',
  vibration: 'vibration, a channel of its own',
  brakeVibration: 'vibration past a brake pressure',
  softStop: 'soft stop',
  other: 'something else',
};

/** What a role is called where one chooses it. */
const roleName = (role: Role): string => capital(OTHERS[role] ?? termOf(role) ?? role);

const choices = (roles: readonly Role[]) => roles.map((value) => ({ value, name: roleName(value) }));

/** What a field can be said to do, of a title, a car in it, or a base. */
export const ROLE_CHOICES = {
  title: choices(TITLE_ROLES),
  car: choices(CAR_ROLES),
  base: choices(BASE_ROLES),
};

const MEANING: Record<FieldMap['kind'], (maps: FieldMap) => string> = {
  'deadzone-amount': (m) => `an amount: ${'full' in m ? m.full : ''} would swallow all of the way`,
  'saturation-amount': (m) => `an amount: ${'full' in m ? m.full : ''} would take all of it off the end`,
  'saturation-end': (m) => `an end point: full at value/${'full' in m ? m.full : ''} of the way`,
  'gamma-direct': () => 'the exponent itself: y = x to the power of the value',
  'gamma-log': (m) =>
    'base' in m
      ? `an exponent that reaches ${m.base} at its end; more is ${m.sign > 0 ? 'calmer' : 'livelier'}`
      : '',
  blend: (m) => `a share of a cube: ${'full' in m ? m.full : ''} is all of it`,
  degrees: () => 'degrees',
  fraction: (m) => `a share: ${'full' in m ? m.full : ''} is all of it`,
  gain: () => 'a factor: 1 where it comes',
  torque: () => 'newton metres',
};

/** What a field's numbers mean, in words. */
export function meaningOf(maps: FieldMap, role: Role): string {
  return isComputed(role)
    ? MEANING[maps.kind](maps)
    : 'kept and put on the card; what it does to the force is not computed';
}
