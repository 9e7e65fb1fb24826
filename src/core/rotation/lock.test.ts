import { SMALL_CAR } from '../testing/smallWorld';
import { assistedDeg, lockAdvice, measuredOtherwise, type LockFacts } from './lockAdvice';
import { carAnswer, consistency, lateralPerDegree, steeredCar } from './sensitivity';

const GRID = { minDeg: 90, maxDeg: 1080, stepDeg: 10 };
const facts = (more: Partial<LockFacts>, rotation: Partial<LockFacts['rotation']> = {}): LockFacts => ({
  rotation: { baseDeg: 1080, titleDeg: 900, carDeg: 900, carOwnDeg: 380, isStretch: false, ...rotation },
  school: 'own',
  base: GRID,
  title: { minDeg: 200, maxDeg: 2520, stepDeg: 1 },
  car: { minDeg: 180, maxDeg: 1080, stepDeg: 1 },
  measured: null,
  ...more,
});
const said = (f: LockFacts) => lockAdvice(f).map(({ layer, toDeg }) => `${layer} ${toDeg}`);

describe('advice on the lock', () => {
  it('each car its own: base, title and bump stop go to the car’s lock, in the order of typing', () => {
    expect(said(facts({}))).toEqual(['base 380', 'title 380', 'car 380']);
    expect(lockAdvice(facts({}))[1]!.evidence).toMatch(/quarter turn shows as 213°/);
  });

  it('one rotation for all: the base stays, the title follows it, the bump stop marks the lock', () => {
    expect(said(facts({ school: 'one' }))).toEqual(['title 1080', 'car 380']);
    expect(said(facts({ school: 'one' }, { titleDeg: 1080, carDeg: 380 }))).toEqual([]);
  });

  it('never asks a base for more than it can turn, and offers less of it instead', () => {
    const truck = facts({}, { baseDeg: 900, carOwnDeg: 1260 });
    expect(said(truck)).toEqual(['base 1080', 'title 1080', 'car 1080']);
    expect(assistedDeg(truck)).toBe(270);
    expect(assistedDeg(facts({}))).toBeNull();
  });

  it('says why the base moves: to the car’s lock, back from turning into nothing, or as near as it comes', () => {
    const why = (f: LockFacts) => lockAdvice(f).find(({ layer }) => layer === 'base')!.evidence;
    expect(why(facts({}))).toContain('and 700° of turning into nothing go');
    expect(why(facts({}, { baseDeg: 300 }))).toContain('its whole lock can be reached');
    const short = { ...GRID, maxDeg: 360 };
    expect(why(facts({ base: short }, { baseDeg: 300 }))).toMatch(
      /the base ends at 360°: as near as it comes/,
    );
    // A base that ends exactly where the car does reaches all of it.
    expect(why(facts({ base: { ...GRID, maxDeg: 380 } }, { baseDeg: 300 }))).toContain('its whole lock');
  });

  it('the bump stop lies beyond the base only where the car does', () => {
    const why = (f: LockFacts) => lockAdvice(f).find(({ layer }) => layer === 'car')!.evidence;
    const beyond = 'never beyond the base’s';
    expect(why(facts({ base: { ...GRID, maxDeg: 360 } }))).toContain(`${beyond} 360°`);
    expect(why(facts({ base: { ...GRID, maxDeg: 380 } }))).not.toContain(beyond);
    expect(why(facts({}))).not.toContain(beyond);
  });

  it('what a menu can be set to ends on its last whole step', () => {
    const title = { minDeg: 200, maxDeg: 725, stepDeg: 100 };
    expect(said(facts({ school: 'one', title }))).toContain('title 700');
    expect(said(facts({ school: 'one', title: { ...title, minDeg: 1200, maxDeg: 1400 } }))).toContain(
      'title 1200',
    );
  });

  it('less rotation with help is for a base that cannot turn what the car does', () => {
    const reach = (maxDeg: number) => assistedDeg(facts({ base: { ...GRID, maxDeg } }));
    expect(reach(380)).toBeNull();
    expect(reach(370)).toBe(270);
  });

  it('a title that stretches has nothing to match', () => {
    expect(said(facts({ school: 'one' }, { isStretch: true, carDeg: 380 }))).toEqual([]);
    expect(said(facts({ school: 'one', title: null, car: null }, { isStretch: true }))).toEqual([]);
  });

  it('a measurement contradicts the setting only beyond its own doubt', () => {
    expect(measuredOtherwise(facts({ measured: { deg: 1076, sigmaDeg: 3 } }))).toBe(false);
    expect(measuredOtherwise(facts({ measured: { deg: 900, sigmaDeg: 3 } }))).toBe(true);
    expect(measuredOtherwise(facts({}))).toBe(false);
    // Two degrees, or 1.96 σ where that is more.
    const off = (deg: number, sigmaDeg: number) =>
      measuredOtherwise(facts({ measured: { deg: 1080 + deg, sigmaDeg } }));
    expect([off(2, 0.1), off(-2.1, 0.1), off(3.9, 2), off(-4, 2)]).toEqual([false, true, false, true]);
  });
});

describe('sensitivity', () => {
  it('agrees with the formula, and grows with the square of the speed where the car is neutral', () => {
    const car = { wheelbaseM: 2.5, understeer: 0, ratio: 15 };
    expect(lateralPerDegree(car, 1, 20)).toBeCloseTo((400 / 2.5 / 15) * (Math.PI / 180), 12);
    expect(lateralPerDegree(car, 0.5, 40) / lateralPerDegree(car, 1, 20)).toBeCloseTo(2, 12);
    // At the characteristic speed √(wheelbase/K) understeer has halved it.
    const heavy = { ...car, understeer: 0.0025 };
    const v = Math.sqrt(car.wheelbaseM / heavy.understeer);
    expect(lateralPerDegree(heavy, 1, v) / lateralPerDegree(car, 1, v)).toBeCloseTo(0.5, 12);
    expect(steeredCar(SMALL_CAR).understeer).toBeGreaterThan(0);
  });

  it('a car that oversteers past its critical speed keeps a hundredth of its wheelbase to steer with', () => {
    const loose = { wheelbaseM: 2.5, understeer: -0.01, ratio: 15 };
    expect(lateralPerDegree(loose, 1, 40)).toBeCloseTo((1600 / 0.025 / 15) * (Math.PI / 180), 9);
  });

  it('an answer at several speeds is that of the car at its own lock', () => {
    const rotation = { baseDeg: 900, titleDeg: 450, isStretch: false };
    const answer = carAnswer(SMALL_CAR, rotation, [20, 40]);
    const own = steeredCar(SMALL_CAR);
    expect(answer).toMatchObject({
      car: SMALL_CAR.id,
      lockDeg: SMALL_CAR.lockDeg,
      ratio: SMALL_CAR.steeringRatio,
    });
    expect(answer.bumpStopDeg).toBe(Math.min(900, SMALL_CAR.lockDeg));
    expect(answer.lateral).toEqual({
      20: lateralPerDegree(own, 0.5, 20),
      40: lateralPerDegree(own, 0.5, 40),
    });
  });

  it('two that answer are enough to compare; one that does not is left out', () => {
    const two = [
      { name: 'a', lateral: 2 },
      { name: 'b', lateral: 4 },
    ];
    const still = { name: 'truck at standstill', lateral: 0 };
    expect(consistency([...two, still])).toEqual(consistency(two));
    expect(consistency(two)).toMatchObject({ medianMps2: 3, spread: 2 });
    expect(consistency([two[0]!, still])).toBeNull();
  });

  it('names what is more than 15 % off the median', () => {
    const found = consistency([
      { name: 'a', lateral: 1 },
      { name: 'b', lateral: 1.1 },
      { name: 'c', lateral: 1.4 },
    ])!;
    expect(found.medianMps2).toBe(1.1);
    expect(found.off.map((o) => o.name)).toEqual(['c']);
    expect(found.spread).toBeCloseTo(1.4, 12);
    expect(consistency([{ name: 'a', lateral: 1 }])).toBeNull();
  });
});
