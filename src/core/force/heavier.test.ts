import { SMALL_CAR } from '../testing/smallWorld';
import { plainBase, PLAIN_TITLE } from './forceSettings';
import type { ForceChain } from './handsOff';
import { heavier } from './heavier';

function chain(gain: number, strength: number, torqueLimitNm = 14): ForceChain {
  return {
    car: SMALL_CAR,
    title: { ...PLAIN_TITLE, rateHz: 100, gain },
    base: { ...plainBase(14), strength, torqueLimitNm },
    hardware: {
      ratedNm: 14,
      frictionNm: 0.1,
      delayS: 0.002,
      inertiaKgM2: 0.02,
      viscousNms: 0,
      topRadps: null,
      rotationDeg: 900,
    },
  };
}

it('asks above a quarter more, by gain and strength together, and not for less', () => {
  expect(heavier(chain(1, 0.4), chain(1.25, 0.4)).asks).toBe(false);
  expect(heavier(chain(1, 0.4), chain(1.3, 0.4))).toMatchObject({ ratio: 1.3, asks: true });
  expect(heavier(chain(1, 0.4), chain(1.2, 0.44)).asks).toBe(true);
  expect(heavier(chain(1.3, 0.4), chain(1, 0.4)).asks).toBe(false);
  expect(heavier(chain(0, 0.4), chain(0.5, 0.4)).asks).toBe(true);
});

it('asks where the rim may pass 8 N·m for the first time, by strength or by its limit', () => {
  expect(heavier(chain(1, 0.55), chain(1, 0.6))).toMatchObject({ peakNm: 8.4, asks: true });
  expect(heavier(chain(1, 0.6), chain(1, 0.65)).asks).toBe(false);
  expect(heavier(chain(1, 0.9, 7), chain(1, 0.9, 9)).asks).toBe(true);
});

it('from nothing to something is much heavier, from nothing to nothing is the same', () => {
  expect(heavier(chain(0, 0.4), chain(0, 0.4))).toMatchObject({ ratio: 1, asks: false });
  expect(heavier(chain(0, 0.4), chain(0.1, 0.4)).ratio).toBe(2.5);
  expect(heavier(chain(1, 0.4), chain(0, 0.4))).toMatchObject({ ratio: 0, asks: false });
});
