import fc from 'fast-check';
import { lowPass, magnitude, peaking, section, zeroPhase } from './biquad';

const RATE = 1000;
/** Steady amplitude of a section at a frequency, from running it: RMS over whole periods. */
function ridden(biquad: ReturnType<typeof lowPass>, hz: number): number {
  const run = section(biquad);
  let energy = 0;
  for (let i = 0; i < 6000; i++) {
    const y = run.next(Math.sin((2 * Math.PI * hz * i) / RATE));
    if (i >= 3000) energy += y * y;
  }
  return Math.sqrt((2 * energy) / 3000);
}

it('a Butterworth low-pass follows 1/√(1 + (tan/tan)⁴) exactly', () => {
  for (const hz of [1, 4, 8, 16, 100, 400]) {
    const warp = (f: number) => Math.tan((Math.PI * f) / RATE);
    const wanted = 1 / Math.sqrt(1 + (warp(hz) / warp(8)) ** 4);
    expect(magnitude(lowPass(8, RATE), hz, RATE)).toBeCloseTo(wanted, 12);
  }
});

it('what a section does to a tone is what its response says', () => {
  for (const biquad of [lowPass(20, RATE), peaking(24, RATE, 1.4, 2), peaking(24, RATE, 1.4, 0.5)])
    for (const hz of [5, 20, 24, 60]) expect(ridden(biquad, hz)).toBeCloseTo(magnitude(biquad, hz, RATE), 6);
});

it('a band gives its gain in the middle, 1 at both ends, and a cut undoes its boost', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 10, noNaN: true }),
      fc.constantFrom(6, 12, 24, 48, 96),
      fc.double({ min: 1, max: 400, noNaN: true }),
      (gain, middle, hz) => {
        const boost = peaking(middle, RATE, 1.4, gain);
        expect(magnitude(boost, middle, RATE)).toBeCloseTo(gain, 9);
        expect(magnitude(boost, 0, RATE)).toBeCloseTo(1, 9);
        const both = magnitude(boost, hz, RATE) * magnitude(peaking(middle, RATE, 1.4, 1 / gain), hz, RATE);
        expect(both).toBeCloseTo(1, 9);
      },
    ),
  );
});

it('forward and backward keeps a level, squares the response and shifts nothing', () => {
  expect([...zeroPhase(new Float64Array(50).fill(0.7), lowPass(8, RATE), 100)]).toEqual(
    expect.arrayContaining([expect.closeTo(0.7, 9)]),
  );
  const tone = Float64Array.from({ length: 4000 }, (_, i) => Math.sin((2 * Math.PI * 8 * i) / RATE));
  const out = zeroPhase(tone, lowPass(8, RATE), 300);
  for (let i = 1000; i < 3000; i += 37) expect(out[i]).toBeCloseTo(0.5 * tone[i]!, 6);
});

it('refuses a corner beyond half the rate', () => {
  expect(() => lowPass(30, 60)).toThrow(/60 samples a second/);
});
