import type { RideLog } from '../rides/rideLog';
import { pressesOf } from './brakes';
import { fitCircle } from './circle';
import type { DrillName } from './measureDrill';

/** What is drawn of an attempt: a way over the ground, values in a row, or what changed with time. */
export type DrillPicture =
  | { kind: 'way'; way: [number, number][]; circle: { x: number; y: number; r: number } | null }
  | { kind: 'row'; values: number[] }
  | { kind: 'time'; lines: { name: string; unit: string; points: [number, number][] }[] };

/** More points than these no picture shows. */
const MOST_POINTS = 400;
const DEG = 180 / Math.PI;

interface Line {
  name: string;
  unit: string;
  of(log: RideLog): ArrayLike<number> | undefined;
}

const times = (values: Float64Array | undefined, by: number) => values?.map((v) => v * by);
const SPEED: Line = { name: 'speed', unit: 'm/s', of: ({ columns }) => columns.speed_mps };
const BRAKE: Line = { name: 'brake', unit: '%', of: ({ columns }) => times(columns.brake, 100) };
const THROTTLE: Line = { name: 'throttle', unit: '%', of: ({ columns }) => times(columns.throttle, 100) };
const SLIP: Line = {
  name: 'slip of the rear',
  unit: '°',
  of: ({ columns }) => times(columns.slip_rear_rad, DEG),
};
const RIM: Line = { name: 'rim', unit: '°', of: ({ columns }) => columns.steer_deg };
const WHEELS = (name: string, column: 'wheel_front_mps' | 'wheel_rear_mps'): Line => ({
  name,
  unit: 'm/s',
  of: ({ columns }) => columns[column],
});

/** What is drawn of each; a way that has no circle is drawn for the others where nothing is named. */
const TIME: Partial<Record<DrillName, readonly Line[]>> = {
  threshold: [SPEED, WHEELS('front wheels', 'wheel_front_mps'), BRAKE],
  trail: [BRAKE, RIM, SLIP],
  launch: [SPEED, WHEELS('rear wheels', 'wheel_rear_mps')],
  initiate: [THROTTLE, SLIP],
  catch: [RIM, SLIP],
  eight: [RIM, SLIP],
  'hold-angle': [RIM, SLIP],
  'slow-roll': [SPEED],
};

/** The picture of an attempt. @param aim the circle that was to be driven, m; fitted where nobody says */
export function drillPicture(
  name: DrillName,
  log: RideLog,
  aim: { x: number; y: number; r: number } | null = null,
): DrillPicture {
  const { t_s: t, x_m: x, y_m: y } = log.columns;
  const every = Math.max(1, Math.ceil(t.length / MOST_POINTS));
  const rows = Array.from({ length: Math.ceil(t.length / every) }, (_, i) => i * every);
  if (name === 'brake-peak')
    return { kind: 'row', values: log.columns.brake ? pressesOf(log).map(({ peak }) => peak) : [] };
  const lines = TIME[name];
  if (!lines)
    return {
      kind: 'way',
      way: rows.map((i) => [x?.[i] ?? 0, y?.[i] ?? 0]),
      circle: name === 'circle' ? (aim ?? (x && y ? fitCircle(x, y) : null)) : null,
    };
  return {
    kind: 'time',
    lines: lines.flatMap(({ of, ...line }) => {
      const values = of(log);
      return values
        ? [{ ...line, points: rows.map((i) => [t[i]! - t[0]!, values[i]!] as [number, number]) }]
        : [];
    }),
  };
}
