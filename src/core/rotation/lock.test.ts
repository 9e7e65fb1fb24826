import { SMALL_CAR } from '../testing/smallWorld';
import { assistedDeg, lockAdvice, measuredOtherwise, type LockFacts } from './lockAdvice';
import { consistency, lateralPerDegree, steeredCar } from './sensitivity';

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

  it('a title that stretches has nothing to match', () => {
    expect(said(facts({ school: 'one', title: null, car: null }, { isStretch: true }))).toEqual([]);
  });

  it('a measurement contradicts the setting only beyond its own doubt', () => {
    expect(measuredOtherwise(facts({ measured: { deg: 1076, sigmaDeg: 3 } }))).toBe(false);
    expect(measuredOtherwise(facts({ measured: { deg: 900, sigmaDeg: 3 } }))).toBe(true);
    expect(measuredOtherwise(facts({}))).toBe(false);
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
