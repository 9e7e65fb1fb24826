import { z } from 'zod';
import type { RideColumn } from '../rides/rideLog';
import { line } from '../text/line';

/** A unit that a channel may come in: what it is multiplied by to be ours. */
export interface ChannelUnit {
  id: string;
  name: string;
  /** How files write it, small letters. */
  written: readonly string[];
  factor: number;
}

const RAD = Math.PI / 180;
const KMH = 1 / 3.6;
const MPH = 0.44704;
const G = 9.80665;

const unit = (id: string, name: string, written: string, factor: number): ChannelUnit => ({
  id,
  name,
  written: written.split(' '),
  factor,
});

const TIME = [unit('s', 's', 's sec seconds', 1), unit('ms', 'ms', 'ms msec', 0.001)];
const DISTANCE = [unit('m', 'm', 'm metres meters', 1), unit('km', 'km', 'km', 1000)];
const SPEED = [
  unit('mps', 'm/s', 'm/s mps ms-1', 1),
  unit('kmh', 'km/h', 'km/h kmh kph', KMH),
  unit('mph', 'mph', 'mph', MPH),
];
const ANGLE = [unit('deg', '°', 'deg ° degrees', 1), unit('rad', 'rad', 'rad radians', 1 / RAD)];
const SLIP = [unit('rad', 'rad', 'rad', 1), unit('deg', '°', 'deg °', RAD)];
const SHARE = [unit('share', '0…1', '1 ratio', 1), unit('percent', '%', '% percent pct', 0.01)];
const ACCELERATION = [unit('mps2', 'm/s²', 'm/s2 m/s² m/s^2', 1), unit('g', 'g', 'g', G)];
const RATE = [unit('radps', 'rad/s', 'rad/s', 1), unit('degps', '°/s', 'deg/s °/s', RAD)];
const FORCE = [
  unit('full', '1 is full scale', '1 ratio', 1),
  unit('percent', '% of full scale', '% percent pct', 0.01),
];
const COUNT = [unit('count', 'number', '', 1)];
const ROTATION = [unit('rpm', 'rpm', 'rpm 1/min r/min', 1), unit('radps', 'rad/s', 'rad/s', 30 / Math.PI)];
const TORQUE = [unit('nm', 'N·m', 'nm n·m n.m', 1)];

/** What can be taken from somebody's log, and the units that it may come in. */
export const CHANNEL_UNITS: Record<Exclude<RideColumn, 'surface'>, readonly ChannelUnit[]> = {
  t_s: TIME,
  distance_m: DISTANCE,
  lap: COUNT,
  speed_mps: SPEED,
  steer_deg: ANGLE,
  throttle: SHARE,
  brake: SHARE,
  clutch: SHARE,
  handbrake: SHARE,
  gear: COUNT,
  ax_mps2: ACCELERATION,
  ay_mps2: ACCELERATION,
  yaw_radps: RATE,
  slip_front_rad: SLIP,
  slip_rear_rad: SLIP,
  ffb: FORCE,
  torque_nm: TORQUE,
  x_m: DISTANCE,
  y_m: DISTANCE,
  wheel_front_mps: SPEED,
  wheel_rear_mps: SPEED,
  engine_rpm: ROTATION,
};
export type Channel = keyof typeof CHANNEL_UNITS;

/** More columns than this has no log that a driver could look through. */
export const MOST_COLUMNS = 1000;

/** What a driver said of the columns of a log, one by one. */
export const chosenColumnsSchema = z
  .array(
    z.strictObject({
      channel: z.enum(Object.keys(CHANNEL_UNITS) as [Channel, ...Channel[]]).nullable(),
      unit: line(20).nullable(),
    }),
  )
  .max(MOST_COLUMNS);
export type ChosenColumns = z.output<typeof chosenColumnsSchema>;

export const CHANNEL_WORDS: Record<Channel, string> = {
  t_s: 'time',
  distance_m: 'distance in the lap',
  lap: 'lap number',
  speed_mps: 'speed',
  steer_deg: 'hand-wheel angle',
  throttle: 'throttle',
  brake: 'brake',
  clutch: 'clutch',
  handbrake: 'handbrake',
  gear: 'gear',
  ax_mps2: 'acceleration forward',
  ay_mps2: 'acceleration to the left',
  yaw_radps: 'yaw rate',
  slip_front_rad: 'slip of the fronts',
  slip_rear_rad: 'slip of the rears',
  ffb: 'force of the title, before the clip',
  torque_nm: 'torque at the rim',
  x_m: 'place, x',
  y_m: 'place, y',
  wheel_front_mps: 'speed of the front wheels',
  wheel_rear_mps: 'speed of the rear wheels',
  engine_rpm: 'engine speed',
};

/** The unit that a file's own word means for a channel; `null` where it does not say, or says something else. */
export function unitWritten(channel: Channel, written: string | null): ChannelUnit | null {
  return written === null
    ? null
    : (CHANNEL_UNITS[channel].find((one) => one.written.includes(written)) ?? null);
}
