import type { DialectField } from '../response/dialect';

/** A field of a menu as a driver describes one: a dead zone in whole percent. */
export const START_FIELD = {
  key: 'start',
  label: 'Start',
  min: 0,
  max: 100,
  step: 1,
  neutral: 0,
  maps: { kind: 'deadzone-amount', full: 100 },
} as const satisfies DialectField;
