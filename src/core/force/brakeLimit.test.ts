import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { brakeLimit } from './brakeLimit';

const RATE = 50;

/** Stops from 50 m/s at every pressure up to a hardest one, of a car whose brakes give no more above a limit and a little less beyond. */
function stops(limit: number, hardest: number, more: { ax?: boolean } = {}) {
  const random = seededRandom(3);
  const [t_s, brake, speed, ax]: number[][] = [[], [], [], []];
  let v = 50;
  const drive = (a: number, press: number) => {
    v += a / RATE;
    t_s!.push(t_s!.length / RATE);
    brake!.push(press + 0.002 * random.normal());
    speed!.push(v);
    ax!.push(a + 0.1 * random.normal());
  };
  for (let press = 0.14; press <= hardest; press += 0.02) {
    const slows = 9 * Math.min(press / limit, 1 - 0.1 * Math.max(0, press - limit));
    for (let i = 0; i < 2 * RATE; i++) drive(-slows, press);
    while (v < 50) drive(6, 0);
  }
  const columns = {
    t_s: Float64Array.from(t_s!),
    brake: Float64Array.from(brake!),
    speed_mps: Float64Array.from(speed!),
    ...(more.ax === false ? {} : { ax_mps2: Float64Array.from(ax!) }),
  };
  return { notes: {}, columns };
}

it('finds where harder braking slows no more, within a twentieth of the pedal', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.4, max: 0.8, noNaN: true }), (limit) => {
      const found = brakeLimit(stops(limit, 1))!;
      expect(Math.abs(found.brake - limit)).toBeLessThan(0.05);
      expect(found.decelerationMps2).toBeCloseTo(9, 0);
    }),
    { numRuns: 20 },
  );
});

it('where harder braking than the limit was never tried, none is claimed', () => {
  expect(brakeLimit(stops(0.9, 0.8))).toBeNull();
  expect(brakeLimit(stops(0.7, 0.7))).toBeNull();
});

it('reads the deceleration from the speed where none was logged', () => {
  const found = brakeLimit(stops(0.6, 1, { ax: false }))!;
  expect(Math.abs(found.brake - 0.6)).toBeLessThan(0.05);
  expect(found.decelerationMps2).toBeCloseTo(9, 0);
});

it('needs brake and speed', () => {
  const { columns } = stops(0.6, 1);
  expect(brakeLimit({ notes: {}, columns: { t_s: columns.t_s, speed_mps: columns.speed_mps } })).toBeNull();
  expect(brakeLimit({ notes: {}, columns: { t_s: columns.t_s, brake: columns.brake } })).toBeNull();
});

it('says how much of the ride was braking, and how finely it tells the pedal', () => {
  const { columns } = stops(0.6, 1);
  const { seconds, plusMinus, brake } = brakeLimit({ notes: {}, columns })!;
  const pressed = columns.brake.filter((b) => b > 0.1).length / RATE;
  expect(Math.abs(seconds - pressed)).toBeLessThan(0.2 * pressed);
  // A place is told by the middle of its part of the travel.
  expect(brake / plusMinus).toBeCloseTo(Math.round(brake / plusMinus), 9);
  expect(Math.round(brake / plusMinus) % 2).toBe(1);
});
