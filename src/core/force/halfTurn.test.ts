import fc from 'fast-check';
import { SMALL_CAR } from '../testing/smallWorld';
import { plainBase, PLAIN_TITLE, type BaseForce, type BaseHardware } from './forceSettings';
import { halfTurn } from './halfTurn';

const HARDWARE: BaseHardware = {
  ratedNm: 14,
  frictionNm: 0,
  delayS: 0,
  inertiaKgM2: 0.02,
  viscousNms: 0,
  topRadps: null,
  rotationDeg: 900,
};
const turned = (base: Partial<BaseForce> = {}, hardware: Partial<BaseHardware> = {}) => {
  const built = { ...HARDWARE, ...hardware };
  return halfTurn({
    car: SMALL_CAR,
    title: { ...PLAIN_TITLE, rateHz: 1000 },
    base: { ...plainBase(built.ratedNm), ...base },
    hardware: built,
  });
};

it('is that of a mass under two thirds of the torque: √(2π·J/T)', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 20, noNaN: true }),
      fc.double({ min: 0.005, max: 0.04, noNaN: true }),
      (ratedNm, inertiaKgM2) => {
        const ideal = Math.sqrt((2 * Math.PI * inertiaKgM2) / (0.67 * ratedNm));
        expect(turned({}, { ratedNm, inertiaKgM2 }).nowS!).toBeCloseTo(ideal, 2);
      },
    ),
  );
});

it('delay, damper, friction and a slow motor only make it later', () => {
  const plain = turned().nowS!;
  expect(turned({}, { delayS: 0.02 }).nowS!).toBeCloseTo(plain + 0.02, 2);
  for (const later of [
    turned({ damperNms: 0.4 }),
    turned({}, { frictionNm: 2 }),
    turned({}, { topRadps: 25 }),
  ])
    expect(later.nowS!).toBeGreaterThan(plain);
  expect(turned({ strength: 0.01 }, { frictionNm: 0.2 }).nowS).toBeNull();
});

it('says what the guard costs: it fades from 6 rad/s, and a slide asks for 20 to 35', () => {
  const { nowS, unguardedS } = turned({ protects: true });
  expect(unguardedS).toBe(turned().nowS);
  expect(nowS!).toBeGreaterThan(1.3 * unguardedS!);
});
