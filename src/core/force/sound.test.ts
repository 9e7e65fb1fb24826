import fc from 'fast-check';
import { inTurn, SOUND_HZ, soundOf } from './sound';

const rms = (values: Float32Array) => Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);
const torque = (nm: number, hz: number) =>
  Float64Array.from({ length: 4000 }, (_, i) => nm * Math.sin((2 * Math.PI * hz * i) / 1000));

it('is equally loud however strong the base is, and never louder than its bound', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 25, noNaN: true }),
      fc.double({ min: 0.2, max: 150, noNaN: true }),
      (nm, hz) => {
        const sound = soundOf(torque(nm, hz), 1000);
        expect(sound).toHaveLength(4 * SOUND_HZ);
        expect(rms(sound)).toBeCloseTo(0.1, 2);
        expect(Math.max(...sound)).toBeLessThanOrEqual(0.5);
      },
    ),
    { numRuns: 12 },
  );
});

it('is silent where there is no torque', () => {
  expect(soundOf(new Float64Array(100), 1000).every((v) => v === 0)).toBe(true);
});

it('puts the same piece of road of one after that of the other, quiet in between', () => {
  const of = (level: number) => new Float32Array(2 * SOUND_HZ).fill(level);
  const both = inTurn(of(0.2), of(-0.2), 1);
  expect(both).toHaveLength(4 * SOUND_HZ);
  const middles = [0.5, 1.5, 2.5, 3.5].map((s) => Math.sign(both[s * SOUND_HZ]!));
  expect(middles).toEqual([1, -1, 1, -1]);
  expect(both[SOUND_HZ]).toBeCloseTo(0, 6);
});
