import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { footOf } from '@/catalog/drivers';
import { TRACKS } from '@/catalog/tracks';
import { completeRide } from '../vehicle/simulateRide';
import type { CarSpec } from '../vehicle/carSpec';
import { readCarJson } from './carJson';
import { readTrackJson } from './trackJson';
import { tries } from '../testing/longRun';

const carFile = (car: object) => JSON.stringify({ format: 'pebble-road/car', version: 1, ...car });
const trackFile = (track: object) => JSON.stringify({ format: 'pebble-road/track', version: 1, ...track });
const [loop] = TRACKS;
const [marl] = CARS;

it('every car and every road of the catalogue can be handed on as a file', () => {
  for (const car of CARS) expect(readCarJson(carFile(car))).toMatchObject({ ok: true, value: car });
  for (const track of TRACKS)
    expect(readTrackJson(trackFile(track))).toMatchObject({ ok: true, value: track });
});

it('a car without one of its numbers, or with one that no car has, is refused by the name of that number', () => {
  const numbers = Object.entries(marl!).flatMap(([key, value]) => (typeof value === 'number' ? [key] : []));
  fc.assert(
    fc.property(fc.constantFrom(...numbers), fc.constantFrom(null, 'much', -1e9, 1e9), (key, wrong) => {
      for (const car of [
        { ...marl, [key]: wrong },
        { ...marl, [key]: undefined },
      ]) {
        const read = readCarJson(carFile(car));
        expect(read).toMatchObject({ ok: false, problems: [{ place: { column: key } }] });
      }
    }),
  );
});

describe('a road', () => {
  const refused = (track: object) => {
    const read = readTrackJson(trackFile(track));
    if (read.ok) throw new Error('this road should have been refused');
    return read.problems[0]!;
  };

  it('that is said to be closed has to end where it begins', () => {
    const open = { ...loop!, segments: loop!.segments.slice(0, -1) };
    expect(refused(open)).toMatchObject({ code: 'not-closed', place: { column: 'segments' } });
    expect(readTrackJson(trackFile({ ...open, closed: false })).ok).toBe(true);
  });

  it('is neither endless nor a point', () => {
    const straight = (straightM: number, times: number) => ({
      ...loop!,
      closed: false,
      segments: Array(times).fill({ straightM, radiusM: 10, angleDeg: 1, clothoidM: 0 }),
    });
    expect(refused(straight(1, 1))).toMatchObject({ code: 'wrong-length' });
    expect(refused(straight(20_000, 6))).toMatchObject({ code: 'wrong-length' });
    expect(refused(straight(1e12, 1)).place.column).toBe('segments[0].straightM');
  });

  it('has corners that can be laid', () => {
    const corner = (part: object) => ({
      ...loop!,
      closed: false,
      segments: [{ straightM: 100, radiusM: 20, angleDeg: 90, clothoidM: 5, ...part }],
    });
    expect(readTrackJson(trackFile(corner({}))).ok).toBe(true);
    for (const wrong of [{ radiusM: 0 }, { angleDeg: -90 }, { clothoidM: 40 }, { kerbM: -1 }])
      expect(refused(corner(wrong)).place.column).toMatch(/^segments/);
  });
});

it('a car that is a little other than one of ours gets round, and every number of its ride is one', () => {
  const pedal = {
    hardware: { released: 0, pressed: 1000, sigma: 0, quantum: 1, rangeMin: 0, rangeMax: 1000 },
    calibration: { released: 0, pressed: 1000 },
    layers: [],
  };
  const nudged = fc.constantFrom(...CARS).chain((car) =>
    fc
      .array(fc.double({ min: 0.8, max: 1.25, noNaN: true }), { minLength: 40, maxLength: 40 })
      .map((by): CarSpec => ({
        ...car,
        ...Object.fromEntries(
          (
            [
              'massKg',
              'yawInertiaKgM2',
              'heightM',
              'mu0',
              'relaxationM',
              'powerKw',
              'fullBrakeN',
              'steeringRatio',
              'axleInertiaKgM2',
            ] as const
          ).map((key, i) => [key, car[key] * by[i]!]),
        ),
      })),
  );
  fc.assert(
    fc.property(nudged, fc.integer({ min: 1, max: 1000 }), (car, seed) => {
      const foot = footOf('Dawn shift');
      const log = completeRide({
        car,
        track: TRACKS[1]!,
        throttle: pedal,
        brake: pedal,
        foot,
        laps: 1,
        seed,
      });
      for (const column of Object.values(log.columns)) expect(column.every(Number.isFinite)).toBe(true);
      expect(Math.max(...log.columns.distance_m!)).toBeGreaterThan(1000);
    }),
    { numRuns: tries(2, 6) },
  );
});
