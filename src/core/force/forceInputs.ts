import { growingColumns } from '../numeric/growingColumns';

/**
 * What the force chain starts from, one row per update of the title: the car's moments before any setting, and what its
 * effects feel. Columns of equal length; moments in N·m about the steering axes, left positive.
 */
export interface ForceInputs {
  rateHz: number;
  t: Float64Array;
  distanceM: Float64Array;
  lap: Float64Array;
  speedMps: Float64Array;
  lateralMps2: Float64Array;
  /** Hand-wheel angle, rad. */
  hand: Float64Array;
  momentMechanical: Float64Array;
  momentPneumatic: Float64Array;
  /** |tan α| of the front axle. */
  slipFront: Float64Array;
  kappaFront: Float64Array;
  kappaRear: Float64Array;
  brake: Float64Array;
  surface: Float64Array;
}

export const FORCE_COLUMNS = [
  't',
  'distanceM',
  'lap',
  'speedMps',
  'lateralMps2',
  'hand',
  'momentMechanical',
  'momentPneumatic',
  'slipFront',
  'kappaFront',
  'kappaRear',
  'brake',
  'surface',
] as const;

/** A row of {@link ForceInputs}, in the order of its columns. */
export type ForceRow = Float64Array;
export const emptyForceRow = (): ForceRow => new Float64Array(FORCE_COLUMNS.length);

/** Collects what the chain needs while a ride is simulated, at the title's rate. */
export interface ForceRecorder {
  readonly rateHz: number;
  /** The row may be used again. */
  push(row: ForceRow): void;
  finish(): ForceInputs;
}

export function forceRecorder(rateHz: number): ForceRecorder {
  const columns = growingColumns(FORCE_COLUMNS);
  return {
    rateHz,
    push: columns.push,
    finish: () => ({ rateHz, ...columns.finish() }),
  };
}

/** The last whole lap of a ride; of a ride without one, all of it. */
export function lastLapOf(inputs: ForceInputs): ForceInputs {
  const last = Math.max(0, (inputs.lap.at(-1) ?? 0) - 1);
  const from = inputs.lap.indexOf(last);
  const to = inputs.lap.lastIndexOf(last) + 1;
  if (from < 0 || to - from === inputs.lap.length) return inputs;
  const cut = FORCE_COLUMNS.map((name) => [name, inputs[name].slice(from, to)] as const);
  return { ...inputs, ...(Object.fromEntries(cut) as Omit<ForceInputs, 'rateHz'>) };
}
