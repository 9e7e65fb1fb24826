import fc from 'fast-check';
import { CARS } from '@/catalog/cars';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { TRACKS } from '@/catalog/tracks';
import type { RotationInForce } from '@/core/settings/rotationOf';
import { menusFor } from '@/catalog/menusFor';
import { hairpinOf, lockFinding, type LockJudged } from './lock';
import { tries } from '@/core/testing/longRun';

const rotation = (over: Partial<RotationInForce> = {}): RotationInForce => ({
  baseDeg: 900,
  titleDeg: 900,
  carDeg: 900,
  carOwnDeg: 900,
  isStretch: false,
  ...over,
});
const { spec } = simulatedRigById('wren');
const view = (over: Partial<RotationInForce> = {}, trackId = 'saltmarsh-loop', carId = 'marl-850') => ({
  title: titleById('causeway'),
  trackId,
  ownTrack: null,
  car: carById(carId),
  rotation: rotation(over),
});
const steering = (deg: number | null, sigmaDeg = 3) => [
  {
    axis: 'steering' as const,
    name: 'Steering',
    capture: { madeAtMs: 1000, analysis: { axis: 'steering', rotationDeg: deg, rotationSigmaDeg: sigmaDeg } },
  },
];
const judged = (of: ReturnType<typeof view>, more: object = {}): LockJudged =>
  ({
    ...of,
    menus: menusFor(spec, of.title, of.car),
    schools: { rotation: 'one' },
    settings: {},
    origins: {},
    rig: { id: 'wren', name: 'Wren', spec },
    axes: steering(of.rotation.baseDeg),
    ...more,
  }) as unknown as LockJudged;
const said = (of: ReturnType<typeof view>, more: object = {}) => lockFinding(judged(of, more));

it('base, title and car that agree are said to agree, with what lies beyond the car’s lock', () => {
  expect(said(view())).toEqual({
    health: 'settled',
    reason: '900°, and 90° shows as 90°',
    heading: 'Base, title and car agree: 90° shows as 90°',
  });
  expect(said(view({ baseDeg: 1080, titleDeg: 1080 })).heading).toBe(
    'Base and title agree; 180° lie beyond the car’s lock',
  );
});

it('a base and a title that disagree are wrong before all else, with what a quarter turn shows', () => {
  const wrong = view({ titleDeg: 750 });
  expect(said(wrong)).toEqual({
    health: 'look',
    reason: '90° shows as 75°',
    heading: 'A quarter turn shows as 75°: base and title disagree',
  });
});

it('a title that stretches is no fault; it says over what', () => {
  const stretched = view({ baseDeg: 540, isStretch: true });
  const { health, reason } = said(stretched);
  expect(reason).toBe(hairpinOf(stretched).isEnough ? '1 change is open' : 'The hairpin does not fit');
  expect(health === 'look').toBe(!hairpinOf(stretched).isEnough);
});

it('a lock that is too short for the tightest corner is wrong, and the finding says which', () => {
  const short = view({ baseDeg: 180, titleDeg: 180, carDeg: 180, carOwnDeg: 180 });
  expect(hairpinOf(short).isEnough).toBe(false);
  expect(said(short)).toMatchObject({
    reason: 'The hairpin does not fit',
    heading: 'The hairpin of Saltmarsh Loop asks for more than the lock',
  });
});

it('is never settled on a rotation that nobody measured, nor against one that was', () => {
  expect(said(view(), { axes: steering(null) })).toMatchObject({
    health: 'under-way',
    reason: '900° as it is set, not measured',
  });
  const unknown = { ...spec, base: { ...spec.base, rotationDeg: null } };
  const rig = { id: 'x', name: 'X', spec: unknown };
  expect(said(view(), { axes: [], rig })).toMatchObject({
    health: 'under-way',
    reason: '900° assumed, not measured',
  });
  expect(said(view(), { axes: steering(871) })).toEqual({
    health: 'look',
    reason: 'Measured 871°, set to 900°',
    heading: 'Measured 871°, set to 900°: one of the two is old',
  });
});

it('a measurement from before the base was set speaks of what it was', () => {
  const set = (atMs: number) => ({
    axes: steering(1082),
    settings: { 'base/steering/rotation': 900 },
    origins: { 'base/steering/rotation': { atMs } },
  });
  expect(said(view(), set(2000))).toMatchObject({
    health: 'under-way',
    reason: '900° as it is set, not measured',
  });
  expect(said(view(), set(500))).toMatchObject({ health: 'look', reason: 'Measured 1082°, set to 900°' });
});

it('an open recommendation is no end', () => {
  const wide = view({ baseDeg: 900, titleDeg: 900, carOwnDeg: 540 });
  expect(said(wide, { schools: { rotation: 'own' } })).toMatchObject({ health: 'under-way' });
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
    { numRuns: tries(25, 100) },
  );
});
