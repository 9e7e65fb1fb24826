import fc from 'fast-check';
import { believedBase, hairpinHand, matchRotation } from './matchRotation';

const degrees = fc.integer({ min: 90, max: 2520 });

it('a direct title passes G/P on, one that stretches L/P; 90° shows 90° where they agree', () => {
  expect(matchRotation({ baseDeg: 900, titleDeg: 900, carDeg: 540, isStretch: false })).toEqual({
    gain: 1,
    displayAt90: 90,
    oneToOne: true,
    overtravelDeg: 360,
    bumpStopDeg: 540,
  });
  expect(matchRotation({ baseDeg: 900, titleDeg: 1080, carDeg: 540, isStretch: false }).displayAt90).toBe(
    108,
  );
  expect(matchRotation({ baseDeg: 900, titleDeg: 900, carDeg: 360, isStretch: true })).toMatchObject({
    gain: 0.4,
    oneToOne: false,
  });
  expect(matchRotation({ baseDeg: 900, titleDeg: 908, carDeg: 900, isStretch: false }).oneToOne).toBe(true);
});

it('what a title shows at a known angle says which rotation it believes', () => {
  expect(believedBase(900, 108, 90)).toBe(1080);
  fc.assert(
    fc.property(degrees, degrees, fc.integer({ min: 10, max: 400 }), (baseDeg, titleDeg, at) => {
      const { gain } = matchRotation({ baseDeg, titleDeg, carDeg: 900, isStretch: false });
      expect(believedBase(baseDeg, at * gain, at)).toBeCloseTo(titleDeg, 6);
    }),
  );
});

it('a bump stop is never above the base’s rotation', () => {
  fc.assert(
    fc.property(degrees, degrees, (baseDeg, carDeg) => {
      const { bumpStopDeg, overtravelDeg } = matchRotation({
        baseDeg,
        titleDeg: 900,
        carDeg,
        isStretch: false,
      });
      expect(bumpStopDeg).toBeLessThanOrEqual(baseDeg);
      expect(overtravelDeg >= 0).toBe(bumpStopDeg === carDeg);
    }),
  );
});

it('a hairpin asks for its hand angle, more with understeer, and for no more than 95 % of the lock', () => {
  const corner = { radiusM: 6, wheelbaseM: 2.6, ratio: 14, carDeg: 900 };
  expect(hairpinHand(corner).handDeg).toBeCloseTo(328.0016993224356, 10);
  expect(hairpinHand(corner).isEnough).toBe(true);
  expect(hairpinHand({ ...corner, carDeg: 690 }).isEnough).toBe(false);
  expect(hairpinHand({ ...corner, speedMps: 6, understeer: 0.002 }).handDeg).toBeGreaterThan(337);
});

it('at speed a car that understeers asks for K·v²/R more', () => {
  const corner = { radiusM: 10, wheelbaseM: 2.5, ratio: 16, carDeg: 900 };
  const more =
    hairpinHand({ ...corner, speedMps: 10, understeer: 0.002 }).handDeg - hairpinHand(corner).handDeg;
  expect(more).toBeCloseTo(((0.002 * 100) / 10) * (180 / Math.PI) * 16, 9);
});
