/** Columns that a ride log may hold, with the unit in the name. `surface` holds the number of a word. */
export const RIDE_COLUMNS = [
  't_s',
  'distance_m',
  'lap',
  'speed_mps',
  'steer_deg',
  'throttle',
  'brake',
  'clutch',
  'handbrake',
  'gear',
  'ax_mps2',
  'ay_mps2',
  'yaw_radps',
  'slip_front_rad',
  'slip_rear_rad',
  'ffb',
  'torque_nm',
  'x_m',
  'y_m',
  'surface',
  'wheel_front_mps',
  'wheel_rear_mps',
  'engine_rpm',
] as const;
export type RideColumn = (typeof RIDE_COLUMNS)[number];

/** Index in this list is the number that stands in the `surface` column. */
export const SURFACES = ['road', 'kerb', 'bump', 'offtrack'] as const;

/** A ride, columnar: one `Float64Array` per known channel, all of the same length. */
export interface RideLog {
  columns: Partial<Record<RideColumn, Float64Array>> & { t_s: Float64Array };
  notes: Record<string, string>;
}
