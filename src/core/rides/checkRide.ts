import { z } from 'zod';
import type { Problem } from '../problem';
import { keySchema } from '../text/key';
import { line } from '../text/line';
import { MOST_ROWS, timeFault } from './clock';
import { SURFACES, type RideColumn, type RideLog } from './rideLog';

interface ColumnLimits {
  min: number;
  max: number;
  whole?: boolean;
  /** What a value outside probably is. */
  hint: string;
}

const pedal: ColumnLimits = { min: -0.2, max: 1.2, hint: 'Travel is 0 to 1; divide percent by 100.' };
const acceleration: ColumnLimits = { min: -1000, max: 1000, hint: 'Accelerations are in m/s².' };
const place: ColumnLimits = { min: -1e6, max: 1e6, hint: 'Places are in metres.' };
const slip: ColumnLimits = { min: -10, max: 10, hint: 'Slip is in radians.' };

const wheel: ColumnLimits = { min: -150, max: 300, hint: 'Speeds of wheels are in m/s.' };

/** What each column of a ride can be. Wide enough for a crash and for a logger that overshoots, and no wider. */
export const RIDE_LIMITS: Record<Exclude<RideColumn, 't_s'>, ColumnLimits> = {
  distance_m: { min: -1e4, max: 1e8, hint: 'Distances are in metres.' },
  lap: { min: -1, max: 100_000, whole: true, hint: 'Laps are whole numbers.' },
  speed_mps: { min: -150, max: 300, hint: 'Speeds are in m/s; divide km/h by 3.6.' },
  steer_deg: { min: -5000, max: 5000, hint: 'Hand-wheel angles are in degrees.' },
  throttle: pedal,
  brake: pedal,
  clutch: pedal,
  handbrake: pedal,
  gear: { min: -10, max: 30, whole: true, hint: 'Gears are whole numbers, −1 for reverse.' },
  ax_mps2: acceleration,
  ay_mps2: acceleration,
  yaw_radps: { min: -200, max: 200, hint: 'Yaw rates are in rad/s.' },
  slip_front_rad: slip,
  slip_rear_rad: slip,
  ffb: { min: -1000, max: 1000, hint: 'The force signal is 1 at full scale; divide percent by 100.' },
  torque_nm: { min: -1000, max: 1000, hint: 'Torques are in N·m.' },
  x_m: place,
  y_m: place,
  wheel_front_mps: wheel,
  wheel_rear_mps: wheel,
  engine_rpm: { min: 0, max: 30_000, hint: 'Engine speeds are in revolutions a minute.' },
  surface: { min: 0, max: SURFACES.length - 1, whole: true, hint: `Surfaces are: ${SURFACES.join(', ')}.` },
};

const MOST_NOTES = 40;

/** Notes of a ride, as they stand above its rows: a word each, and a line of text. */
export const rideNotesSchema = z
  .record(keySchema, line(400))
  .refine((notes) => Object.keys(notes).length <= MOST_NOTES, `at most ${MOST_NOTES} notes`);

/** The number of a simulated driver's ride; it fits the database's whole numbers. */
export const seedSchema = z.number().int().min(0).max(2_147_483_647);

/**
 * What is wrong with a ride; nothing where it is one. The one place that says what a ride is: the book, the readers and a
 * restore ask here.
 * @param rowOf where a sample stands for whoever reads the problem; sample 0 is row 1 by default
 */
export function rideFault(
  { columns }: Pick<RideLog, 'columns'>,
  rowOf: (sample: number) => number = (sample) => sample + 1,
): Problem | null {
  const { t_s: t, ...others } = columns;
  const say = (code: string, message: string, remedy: string, where: Problem['place'] = {}): Problem => ({
    code,
    message,
    place: where,
    remedy,
  });
  if (t.length === 0) return say('no-data', 'The ride has no rows.', 'One sample a row.');
  if (t.length > MOST_ROWS)
    return say('too-long', `The ride has ${t.length} rows.`, `At most ${MOST_ROWS} are kept.`);
  const clock = timeFault(t, rowOf);
  if (clock) return clock;
  const entries = Object.entries(others) as [Exclude<RideColumn, 't_s'>, Float64Array][];
  if (entries.length === 0)
    return say('no-channel', 'There is time but nothing else.', 'Log at least one more channel.');
  for (const [name, column] of entries) {
    if (column.length !== t.length)
      return say('ragged', 'A column has another number of rows than the time.', 'Ride again.', {
        column: name,
      });
    const { min, max, whole, hint } = RIDE_LIMITS[name];
    const at = column.findIndex((v) => !(v >= min && v <= max) || (whole === true && !Number.isInteger(v)));
    if (at < 0) continue;
    const value = column[at]!;
    const why = value >= min && value <= max ? 'is no whole number' : `lies outside ${min} to ${max}`;
    return say('no-such-value', `${value} ${why}.`, hint, { row: rowOf(at), column: name });
  }
  return null;
}
