import fc from 'fast-check';
import { lowPass, magnitude, section } from './biquad';
import { seededRandom } from './random';
import { upsample } from './resample';
import { crossSpectra, segmentsOf } from './spectra';

const RATE = 1000;
const SEGMENT = 512;
const noise = (seed: number, n = 60_000) => {
  const random = seededRandom(seed);
  return Float64Array.from({ length: n }, () => random.normal());
};
const cut = (values: Float64Array) => segmentsOf(values, SEGMENT);
const power = (values: Float64Array) => values.reduce((sum, v) => sum + v * v, 0) / values.length;

describe('cross spectra', () => {
  it('hold all the power there is', () => {
    const x = noise(1);
    const { xx, stepHz } = crossSpectra(cut(x), cut(x), RATE);
    expect(xx.reduce((sum, v) => sum + v * stepHz, 0)).toBeCloseTo(power(x), 1);
  });

  it('find the response of a filter, and call noise of another source unrelated', () => {
    const x = noise(2);
    const filter = lowPass(60, RATE);
    const run = section(filter);
    const added = noise(3);
    const y = x.map((v, i) => run.next(v) + 0.5 * added[i]!);
    const { xx, yy, crossSquared, stepHz } = crossSpectra(cut(x), cut(y), RATE);
    for (const hz of [10, 40, 60, 90]) {
      const k = Math.round(hz / stepHz);
      expect(Math.sqrt(crossSquared[k]!) / xx[k]!).toBeCloseTo(magnitude(filter, k * stepHz, RATE), 1);
      // What is left over has the density of the noise: 0.25 of that of x.
      const left = (yy[k]! - crossSquared[k]! / xx[k]!) / xx[k]!;
      expect(left).toBeGreaterThan(0.18);
      expect(left).toBeLessThan(0.33);
    }
  });

  it('refuse signals that do not belong together or are too short', () => {
    expect(() => crossSpectra(cut(noise(4)), cut(noise(4, SEGMENT)), RATE)).toThrow(/unequal/);
    expect(() => crossSpectra(cut(noise(4)), segmentsOf(noise(4), 2 * SEGMENT), RATE)).toThrow(/unequal/);
    expect(() => cut(noise(4, SEGMENT - 1))).toThrow(/less than one segment/);
  });
});

describe('a faster rate', () => {
  it('shows a tone as it would have been sampled, without an image of itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 35, noNaN: true }), (hz) => {
        const slow = Float64Array.from({ length: 400 }, (_, i) => Math.sin((2 * Math.PI * hz * i) / 100));
        const fast = upsample(slow, 100, RATE, 4000);
        for (let i = 500; i < 3500; i += 7)
          expect(fast[i]).toBeCloseTo(Math.sin((2 * Math.PI * hz * i) / RATE), 1.5);
      }),
      { numRuns: 20 },
    );
  });

  it('leaves a level a level up to its ends, and nothing nothing', () => {
    expect(Math.min(...upsample([3, 3, 3], 60, RATE, 50))).toBeCloseTo(3, 12);
    expect([...upsample([], 60, RATE, 2)]).toEqual([0, 0]);
  });
});
