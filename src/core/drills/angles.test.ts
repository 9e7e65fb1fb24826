import fc from 'fast-check';
import type { RideLog } from '../rides/rideLog';
import { initiationOf } from './angles';
import { measureDrill } from './measureDrill';

const RATE_HZ = 100;
const RAD = Math.PI / 180;

/** A log of so many seconds whose columns are what is said of each moment. */
function logOf(seconds: number, of: Record<string, (t: number) => number>): RideLog {
  const t_s = Float64Array.from({ length: seconds * RATE_HZ }, (_, i) => i / RATE_HZ);
  const plain = { speed_mps: () => 12, throttle: () => 0.3, steer_deg: () => 0, slip_rear_rad: () => 0 };
  const columns = Object.fromEntries(
    Object.entries({ ...plain, ...of }).map(([name, at]) => [name, t_s.map(at)]),
  );
  return { columns: { t_s, ...columns } as RideLog['columns'], notes: {} };
}

/** From one moment to another. */
const during =
  (from: number, to: number, value: number, otherwise = 0) =>
  (t: number) =>
    t >= from && t < to ? value : otherwise;
/** A slide of so many degrees that swells and falls again within a second, from a moment on. */
const swell = (from: number, deg: number) => (t: number) =>
  t >= from && t < from + 1 ? deg * RAD * Math.sin(Math.PI * (t - from)) : 0;

const slideAt2 = { slip_rear_rad: swell(2, 25) };
const FROM = 2.1 * RATE_HZ;

describe('what set a slide off', () => {
  const ways: [string, Record<string, (t: number) => number>][] = [
    ['power', { throttle: during(1.6, 4, 1, 0.3) }],
    ['weight', { throttle: during(0, 1.5, 0.8, 0) }],
    ['weight', { throttle: () => 0.2, brake: during(1.4, 1.9, 0.6) }],
    ['clutch', { throttle: () => 0.9, clutch: during(1.5, 1.75, 1) }],
    [
      'handbrake',
      { throttle: during(0, 1.5, 0.8, 0), clutch: during(1.5, 2, 1), handbrake: during(1.5, 2, 1) },
    ],
  ];
  it.each(ways)('%s', (way, columns) =>
    expect(initiationOf(logOf(5, { ...slideAt2, ...columns }), FROM)).toBe(way),
  );

  it('what was done long before it, or nothing at all, set nothing off', () => {
    expect(initiationOf(logOf(5, { ...slideAt2, handbrake: during(0, 0.6, 1) }), FROM)).toBeNull();
    // A clutch that is pressed with the foot off is a shift.
    expect(
      initiationOf(logOf(5, { ...slideAt2, clutch: during(1.5, 2, 1), throttle: () => 0.2 }), FROM),
    ).toBeNull();
  });
});

it('slides that are set off again are counted by what did it, and their spread is that of their angles', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 12, max: 60 }), { minLength: 2, maxLength: 6 }),
      fc.boolean(),
      (angles, isRight) => {
        const side = isRight ? -1 : 1;
        const log = logOf(3 * angles.length + 2, {
          slip_rear_rad: (t) => angles.reduce((sum, deg, i) => sum + side * swell(3 * i + 1.5, deg)(t), 0),
          handbrake: (t) => (t % 3 > 1.2 && t % 3 < 1.5 ? 1 : 0),
          clutch: () => 0,
        });
        const measured = measureDrill('initiate', log);
        if (!measured.ok) throw new Error('no slides');
        const { measures } = measured.value;
        const mean = angles.reduce((a, b) => a + b, 0) / angles.length;
        const sd = Math.sqrt(angles.reduce((a, b) => a + (b - mean) ** 2, 0) / (angles.length - 1));
        expect(measures).toMatchObject({
          slides: angles.length,
          byHandbrake: angles.length,
          byPower: 0,
          spins: 0,
        });
        expect(measures['angleMeanDeg']).toBeCloseTo(mean, 1);
        expect(measures['angleSdDeg']).toBeCloseTo(sd, 1);
      },
    ),
  );
  // What only twitched is no slide; without the columns nobody knows.
  expect(measureDrill('initiate', logOf(5, { slip_rear_rad: swell(2, 8) })).ok).toBe(false);
  const one = measureDrill('initiate', logOf(5, slideAt2));
  expect(one.ok && one.value.measures).toMatchObject({ byClutch: null, byHandbrake: null, angleSdDeg: null });
});

it('of a held slide the longest is told, with its angle and how even it was', () => {
  const held = logOf(20, {
    // Two seconds one way, then eight the other at 20° ± 2°.
    slip_rear_rad: (t) =>
      t < 4 ? during(1, 3, -18 * RAD)(t) : during(6, 14, (20 + 2 * Math.SQRT2 * Math.sin(8 * t)) * RAD)(t),
  });
  const measured = measureDrill('hold-angle', held);
  if (!measured.ok) throw new Error('no slide');
  expect(measured.value.measures['heldS']).toBeCloseTo(8, 1);
  expect(measured.value.measures['slipMeanDeg']).toBeCloseTo(20, 0);
  expect(measured.value.measures['slipSdDeg']).toBeCloseTo(2, 1);
  // From side to side is no holding, nor is what turns round.
  expect(measureDrill('hold-angle', logOf(9, { slip_rear_rad: (t) => 20 * RAD * Math.sin(6 * t) })).ok).toBe(
    false,
  );
  expect(measureDrill('hold-angle', logOf(9, { slip_rear_rad: during(2, 8, 70 * RAD) })).ok).toBe(false);
});
