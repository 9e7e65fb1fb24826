import { FORCE_COLUMNS, type ForceRow } from '../force/forceInputs';

/** A row for a recorder; what is not named is nothing. */
export const forceRow = (values: Partial<Record<(typeof FORCE_COLUMNS)[number], number>>): ForceRow =>
  Float64Array.from(FORCE_COLUMNS, (name) => values[name] ?? 0);
