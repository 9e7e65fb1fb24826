import fc from 'fast-check';
import { SMALL_CAR } from '../testing/smallWorld';
import { crashSpike } from './crashSpike';
import { plainBase, PLAIN_TITLE, type BaseForce, type BaseHardware } from './forceSettings';
import type { ForceChain } from './handsOff';

const HARDWARE: BaseHardware = {
  ratedNm: 14,
  frictionNm: 0,
  delayS: 0,
  inertiaKgM2: 0.02,
  viscousNms: 0,
  topRadps: null,
  rotationDeg: 900,
};

function chain(base: Partial<BaseForce> = {}, hardware: Partial<BaseHardware> = {}, gain = 1): ForceChain {
  const built = { ...HARDWARE, ...hardware };
  return {
    car: SMALL_CAR,
    title: { ...PLAIN_TITLE, rateHz: 360, gain },
    base: { ...plainBase(built.ratedNm), ...base },
    hardware: built,
  };
}

it('turns a free rim as a constant torque turns a mass: √(π·J/T)', () => {
  for (const ratedNm of [2.2, 5.5, 14])
    expect(crashSpike(chain({}, { ratedNm })).quarterS!).toBeCloseTo(
      Math.sqrt((Math.PI * HARDWARE.inertiaKgM2) / ratedNm),
      2,
    );
});

it('a held rim feels strength times rated torque, at most the limit, after delay and slew', () => {
  expect(crashSpike(chain({ strength: 0.5 }))).toMatchObject({ torqueNm: 7, riseS: 0 });
  expect(crashSpike(chain({ torqueLimitNm: 4 })).torqueNm).toBe(4);
  expect(crashSpike(chain({}, { delayS: 0.01 })).riseS).toBeCloseTo(0.01, 6);
  expect(crashSpike(chain({ slewNmPerS: 100 })).riseS).toBeCloseTo((0.9 * 14) / 100, 2);
});

it('the guard and a damper slow it down; what has no strength or no gain does nothing', () => {
  const bare = crashSpike(chain()).quarterS!;
  expect(crashSpike(chain({ protects: true })).quarterS!).toBeGreaterThan(1.2 * bare);
  expect(crashSpike(chain({ damperNms: 0.5 })).quarterS!).toBeGreaterThan(1.2 * bare);
  const nothing = { torqueNm: 0, riseS: 0, quarterS: null };
  expect(crashSpike(chain({ strength: 0 }))).toEqual(nothing);
  expect(crashSpike(chain({}, {}, 0))).toEqual(nothing);
  expect(crashSpike(chain({}, {}, 0.2))).toEqual(crashSpike(chain()));
});

it('a lower limit never makes it stronger or faster', () => {
  const limit = fc.double({ min: 0.5, max: 14, noNaN: true });
  fc.assert(
    fc.property(limit, limit, (a, b) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)].map((torqueLimitNm) =>
        crashSpike(chain({ torqueLimitNm })),
      );
      expect(low!.torqueNm).toBeLessThanOrEqual(high!.torqueNm);
      expect(low!.quarterS ?? Infinity).toBeGreaterThanOrEqual(high!.quarterS ?? Infinity);
    }),
    { numRuns: 50 },
  );
});
