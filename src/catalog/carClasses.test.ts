import fc from 'fast-check';
import { readCarJson } from '@/core/formats/carJson';
import { describedCarSchema, readOwnCarJson, writeOwnCarJson } from '@/core/formats/ownCarJson';
import { steeredCar } from '@/core/rotation/sensitivity';
import {
  assumedOf,
  carFrom,
  KNOWN_OF_A_CAR,
  knownOfACar,
  rangeOverClass,
  type DescribedCar,
} from '@/core/vehicle/carClass';
import { gripAt, wheelbaseOf } from '@/core/vehicle/carSpec';
import { CAR_CLASSES, carClassById } from './carClasses';
import { carFromOwn } from './ownCar';
import { tries } from '@/core/testing/longRun';

const unknown = (className: string): DescribedCar => ({
  name: 'Loft Special',
  className,
  ...knownOfACar(() => null),
});

const anyCar = fc.constantFrom(...CAR_CLASSES).chain((carClass) =>
  fc
    .record(
      Object.fromEntries(
        KNOWN_OF_A_CAR.map((key) => {
          const [low, , high] = carClass.usual[key];
          return [key, fc.option(fc.double({ min: low, max: high, noNaN: true }))];
        }),
      ) as Record<(typeof KNOWN_OF_A_CAR)[number], fc.Arbitrary<number | null>>,
    )
    .map((known): DescribedCar => ({ name: 'Any', className: carClass.id, ...known })),
);

describe.each(CAR_CLASSES.map((one) => [one.name, one] as const))('%s', (_, carClass) => {
  it('its usual figures lie within it', () => {
    for (const key of KNOWN_OF_A_CAR) {
      const [low, usual, high] = carClass.usual[key];
      expect([key, low <= usual && usual <= high]).toEqual([key, true]);
    }
  });

  it('a car of which nothing is known can be driven, and everything of it is assumed', () => {
    const car = carFrom('x', unknown(carClass.id), carClass);
    const document = JSON.stringify({ format: 'pebble-road/car', version: 1, ...car });
    expect(readCarJson(document).ok).toBe(true);
    expect(assumedOf(unknown(carClass.id), carClass)).toHaveLength(KNOWN_OF_A_CAR.length);
    expect(carFromOwn({ id: 'x', ...unknown(carClass.id) }).assumed).toHaveLength(KNOWN_OF_A_CAR.length + 1);
  });
});

it('what is given is what is driven, and the rest keeps its proportions', () => {
  fc.assert(
    fc.property(anyCar, (described) => {
      const carClass = carClassById(described.className);
      const car = carFrom('x', described, carClass);
      const { like } = carClass;
      if (described.massKg !== null) expect(car.massKg).toBe(described.massKg);
      if (described.wheelbaseM !== null) expect(wheelbaseOf(car)).toBeCloseTo(described.wheelbaseM, 9);
      if (described.lockDeg !== null) expect(car.lockDeg).toBe(described.lockDeg);
      if (described.downforceM2 !== null)
        expect(car.liftAreaFrontM2 + car.liftAreaRearM2).toBeCloseTo(described.downforceM2, 9);
      // Where the axles stand to the mass, and what a tyre carries, stay those of the class.
      expect(car.frontM / car.rearM).toBeCloseTo(like.frontM / like.rearM, 9);
      expect(car.nominalLoadN / car.massKg).toBeCloseTo(like.nominalLoadN / like.massKg, 9);
      expect(gripAt(car, 0)).toBeCloseTo(9.81 * car.mu0, 9);
    }),
  );
});

it('a range over the class holds every car that could be meant, and is none where nothing is assumed', () => {
  const ratio = (car: Parameters<typeof steeredCar>[0]) => steeredCar(car).ratio;
  fc.assert(
    fc.property(anyCar, (described) => {
      const carClass = carClassById(described.className);
      const { value, low, high } = rangeOverClass(described, carClass, ratio);
      expect(low <= value && value <= high).toBe(true);
      if (described.steeringRatio !== null) expect([low, high]).toEqual([value, value]);
      else expect([low, high]).toEqual([carClass.usual.steeringRatio[0], carClass.usual.steeringRatio[2]]);
    }),
    { numRuns: tries(25, 100) },
  );
});

it('a file of it comes back, what is left out is unknown, and a car of 0 kg is none', () => {
  fc.assert(
    fc.property(anyCar, (described) => {
      expect(readOwnCarJson(writeOwnCarJson(described))).toEqual({ ok: true, value: described });
    }),
  );
  const short = readOwnCarJson(
    '{"format":"pebble-road/car","version":1,"name":"A","className":"road","massKg":900}',
  );
  expect(short.ok && short.value).toMatchObject({ massKg: 900, lockDeg: null });
  const weightless = readOwnCarJson(writeOwnCarJson({ ...unknown('road'), massKg: 0 }));
  expect(weightless.ok ? null : weightless.problems[0]!.place.column).toBe('massKg');
  expect(describedCarSchema.safeParse(unknown('road')).success).toBe(true);
});
