import { carById } from '@/catalog/find';
import { GRAVITY, wheelbaseOf } from '../vehicle/carSpec';
import { plainBase, PLAIN_TITLE } from './forceSettings';
import type { ForceChain } from './handsOff';
import { onCentre } from './onCentre';

const car = carById('marl-850');
/** A base that adds nothing of its own. */
const ideal: ForceChain = {
  car,
  title: { ...PLAIN_TITLE, rateHz: 1000 },
  base: plainBase(10),
  hardware: {
    ratedNm: 10,
    frictionNm: 0,
    delayS: 0,
    inertiaKgM2: 1e-6,
    viscousNms: 0,
    topRadps: null,
    rotationDeg: 900,
  },
};
const withTitle = (over: Partial<ForceChain['title']>) => ({ ...ideal, title: { ...ideal.title, ...over } });
const withBase = (over: Partial<ForceChain['base']>) => ({ ...ideal, base: { ...ideal.base, ...over } });
const withHardware = (over: Partial<ForceChain['hardware']>) => ({
  ...ideal,
  hardware: { ...ideal.hardware, ...over },
});
const plain = onCentre(ideal);

describe('the on-centre weave', () => {
  it('weighs per g what the front axle’s force and both trails make of it', () => {
    const frontN = (car.massKg * GRAVITY * car.rearM) / wheelbaseOf(car);
    const trail = car.casterTrailM + (car.pneumaticTrailM * frontN) / 2 / car.nominalLoadN;
    const columnNm = (frontN * trail) / (car.steeringRatio * car.steeringAssist);
    const wanted = (columnNm / car.fullScaleNm) * ideal.hardware.ratedNm;
    expect(plain.gradientNmPerG / wanted).toBeGreaterThan(0.93);
    expect(plain.gradientNmPerG / wanted).toBeLessThan(1.03);
  });

  it('goes to ±0.2 g', () => {
    expect(Math.max(...plain.loop.map(({ g }) => g))).toBeCloseTo(0.2, 2);
  });

  it('tells the jump of minimum force apart from the gradient', () => {
    const lifted = onCentre(withTitle({ minForce: 0.1 }));
    expect(lifted.minForceStepNm).toBeCloseTo(2 * 0.1 * 10, 12);
    expect(lifted.gradientNmPerG).toBeCloseTo(0.9 * plain.gradientNmPerG, 1);
    expect(plain.minForceStepNm).toBe(0);
  });

  it('adds friction once for each way to the loop over the hand’s angle', () => {
    const rubbed = onCentre(withHardware({ frictionNm: 0.2 }));
    const grown = rubbed.hysteresisByAngle - plain.hysteresisByAngle;
    expect(grown).toBeGreaterThan(2 * 0.2 * 0.9);
    expect(grown).toBeLessThan(2 * 0.2 * 1.001);
    expect(rubbed.deadBandG).toBeGreaterThan(plain.deadBandG);
  });

  it('a filter narrows the loop over the car’s answer by its lag alone: over the hand’s angle nothing got better', () => {
    const smooth = onCentre(withBase({ smoothHz: 12 }));
    expect(smooth.hysteresisByG).toBeLessThan(plain.hysteresisByG);
    expect(Math.abs(smooth.hysteresisByAngle)).toBeGreaterThan(Math.abs(plain.hysteresisByAngle));
    expect(smooth.gradientNmPerG).toBeCloseTo(plain.gradientNmPerG, 0);
  });

  it('of a title without any force has nothing in the hands', () => {
    const silent = onCentre(withTitle({ gain: 0 }));
    expect(silent.gradientNmPerG).toBeCloseTo(0, 3);
  });
});
