import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { carById, titleById } from '@/catalog/find';
import { TRACKS } from '@/catalog/tracks';
import type { RotationInForce } from '@/core/settings/rotationOf';
import { hairpinOf, isLockWrong, lockFinding, lockReason } from './lock';

fc.configureGlobal({ seed: 7 });

const rotation = (over: Partial<RotationInForce> = {}): RotationInForce => ({
  baseDeg: 900,
  titleDeg: 900,
  carDeg: 900,
  carOwnDeg: 900,
  isStretch: false,
  ...over,
});
const view = (over: Partial<RotationInForce> = {}, trackId = 'saltmarsh-loop', carId = 'marl-850') => ({
  title: titleById('causeway'),
  trackId,
  car: carById(carId),
  rotation: rotation(over),
});

it('base, title and car that agree are said to agree, with what lies beyond the car’s lock', () => {
  expect(lockFinding(view())).toBe('Base, title and car agree: 90° shows as 90°');
  expect(lockFinding(view({ baseDeg: 1080, titleDeg: 1080 }))).toBe(
    'Base and title agree; 180° lie beyond the car’s lock',
  );
  expect(lockReason(view())).toBe('900°, and 90° shows as 90°');
});

it('a base and a title that disagree are wrong before all else, with what a quarter turn shows', () => {
  const wrong = view({ titleDeg: 750 });
  expect(lockFinding(wrong)).toBe('A quarter turn shows as 75°: base and title disagree');
  expect([lockReason(wrong), isLockWrong(wrong)]).toEqual(['90° shows as 75°', true]);
});

it('a title that stretches is no fault; it says over what', () => {
  const stretched = view({ baseDeg: 540, isStretch: true });
  expect(lockReason(stretched)).toBe('540° over 900°');
  expect(isLockWrong(stretched)).toBe(!hairpinOf(stretched).isEnough);
});

it('a lock that is too short for the tightest corner is wrong, and the finding says which', () => {
  const short = view({ baseDeg: 180, titleDeg: 180, carDeg: 180, carOwnDeg: 180 });
  expect(hairpinOf(short).isEnough).toBe(false);
  expect(lockFinding(short)).toBe('The hairpin of Saltmarsh Loop asks for more than the lock');
  expect(lockReason(short)).toBe('The hairpin does not fit');
});

it('on every road with every car: more lock never makes a corner impossible, and the hands turn as the gain says', () => {
  const some = fc.record({
    track: fc.constantFrom(...TRACKS),
    car: fc.constantFrom(...CARS),
    deg: fc.integer({ min: 180, max: 1440 }),
    more: fc.integer({ min: 0, max: 720 }),
  });
  fc.assert(
    fc.property(some, ({ track, car, deg, more }) => {
      const at = (lock: number) =>
        hairpinOf(view({ baseDeg: lock, titleDeg: lock, carDeg: lock, carOwnDeg: lock }, track.id, car.id));
      if (at(deg).isEnough) expect(at(deg + more).isEnough).toBe(true);
      // A title that counts only half of the turn asks the hands for twice as much.
      const half = hairpinOf(view({ baseDeg: deg, titleDeg: deg / 2, carDeg: deg }, track.id, car.id));
      expect(half.handDeg).toBeCloseTo(2 * at(deg).handDeg, 6);
      expect(at(deg).isEasy).toBe(at(deg).handDeg <= 180);
    }),
  );
});
