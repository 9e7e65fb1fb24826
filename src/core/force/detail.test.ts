import { lowPass, magnitude } from '../numeric/biquad';
import { seededRandom } from '../numeric/random';
import { meantSignal, smoothnessOf } from './detail';
import type { ForceInputs } from './forceInputs';
import { plainBase, PLAIN_TITLE, type BaseForce } from './forceSettings';
import { frontier, type SmoothPoint } from './smoothing';
import fc from 'fast-check';

const BASE_HZ = 1000;
const hardware = {
  ratedNm: 8,
  frictionNm: 0,
  delayS: 0.004,
  inertiaKgM2: 0.01,
  viscousNms: 0,
  topRadps: null,
  rotationDeg: 900,
};

/** Some time with the hands still and a force that is noise, as a title of that rate gives it. */
function ridden(rateHz: number, over: Partial<BaseForce> = {}, gain = 1, seconds = 60) {
  const n = seconds * rateHz;
  const zero = () => new Float64Array(n);
  const random = seededRandom(5);
  let slow = 0;
  const sum = Float64Array.from({ length: n }, () => (slow = 0.7 * slow + 0.06 * random.normal()));
  const inputs: ForceInputs = {
    rateHz,
    t: Float64Array.from({ length: n }, (_, i) => i / rateHz),
    distanceM: zero(),
    lap: zero(),
    speedMps: zero().fill(30),
    lateralMps2: zero(),
    hand: zero(),
    momentMechanical: zero(),
    momentPneumatic: zero(),
    slipFront: zero(),
    kappaFront: zero(),
    kappaRear: zero(),
    brake: zero(),
    surface: zero(),
  };
  const given = sum.map((v) => Math.max(-1, Math.min(1, gain * v)));
  const meant = meantSignal(inputs, { given }, BASE_HZ);
  const base = { ...plainBase(hardware.ratedNm), strength: 0.5, ...over };
  return smoothnessOf(meant, { title: { ...PLAIN_TITLE, rateHz, gain }, base, hardware });
}
const kept = (of: ReturnType<typeof ridden>, fromHz: number) =>
  of.bands.find((band) => band.fromHz === fromHz)!.kept;

describe('detail', () => {
  it('of a fast title arrives whole, whatever gain, strength and delay do', () => {
    const plain = ridden(500);
    expect(kept(plain, 2)).toBeCloseTo(1, 2);
    expect(kept(plain, 8)).toBeCloseTo(1, 1);
    expect(ridden(500, {}, 0.5).detail).toBeCloseTo(plain.detail!, 6);
    expect(ridden(500, { strength: 0.9 }).detail).toBeCloseTo(plain.detail!, 6);
  });

  it('is taken away by a low-pass as its response says', () => {
    const plain = ridden(500);
    const smooth = ridden(500, { smoothHz: 20 });
    const at = (hz: number) => magnitude(lowPass(20, BASE_HZ), hz, BASE_HZ);
    const ratio = kept(smooth, 8)! / kept(plain, 8)!;
    expect(ratio).toBeGreaterThan(at(20));
    expect(ratio).toBeLessThan(at(8));
    expect(kept(smooth, 60)).toBeLessThan(0.15);
  });

  it('is not what a slow title’s steps put above its own Nyquist frequency: that is added', () => {
    const held = ridden(60);
    const smooth = ridden(60, { smoothHz: 25 });
    expect(kept(held, 60)).toBeNull();
    const added = (of: ReturnType<typeof ridden>) => of.bands.find(({ fromHz }) => fromHz === 60)!.addedNm;
    expect(added(held)).toBeGreaterThan(4 * added(smooth));
  });
});

it('a held signal is rougher than it was meant; a low-pass takes that away, and in the end more', () => {
  const at = (smoothHz: number | null) => ridden(100, { smoothHz }).roughness;
  const line = [null, 160, 80, 40, 20].map(at);
  expect(line[0]).toBeGreaterThan(2);
  expect(line).toEqual(line.toSorted((a, b) => b - a));
  expect(line.at(-1)).toBeLessThan(1);
});

it('what shakes the stand grows with strength, is what a tone’s power says, and is less behind a low-pass', () => {
  const at = (over: Partial<BaseForce>, rateHz = 500) => ridden(rateHz, over).shakesNm!;
  expect(at({ strength: 0.8 }) / at({ strength: 0.4 })).toBeCloseTo(2, 6);
  // The signal is a first-order noise: the part of its variance that lies between 20 and 200 Hz.
  const power = (hz: number) => 1 / (1 + 0.7 ** 2 - 1.4 * Math.cos((2 * Math.PI * hz) / 500));
  const sum = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, i) => power(from + i)).reduce((a, b) => a + b, 0);
  const rms = 0.06 / Math.sqrt(1 - 0.7 ** 2);
  const wanted = 0.5 * hardware.ratedNm * rms * Math.sqrt(sum(20, 200) / sum(0, 250));
  // The hold of each sample takes some of its top away.
  expect(at({}) / wanted).toBeGreaterThan(0.85);
  expect(at({}) / wanted).toBeLessThan(1.1);
  expect(at({ smoothHz: 20 })).toBeLessThan(0.5 * at({}));
  // A slow title shakes by its steps.
  expect(at({}, 60)).toBeGreaterThan(at({ smoothHz: 25 }, 60));
});

it('a ride too short to tell has no detail, and no figure is made up', () => {
  expect(ridden(100, {}, 1, 1)).toMatchObject({ bands: [], detail: null });
  expect(ridden(100, {}, 1, 0)).toEqual({
    ...{ bands: [], detail: null, shakesNm: null },
    ...{ roughness: 0, stepsPerMin: 0 },
  });
});

it('the frontier holds every setting than which none is both smoother and richer, and no other', () => {
  const figure = fc.integer({ min: 0, max: 20 }).map((v) => v / 10);
  const point = fc.record({ detail: figure, roughness: figure }).map((p): SmoothPoint => ({
    interpolation: null,
    smoothing: null,
    shakesNm: 0,
    ...p,
  }));
  const beats = (a: SmoothPoint, b: SmoothPoint) =>
    a.detail >= b.detail && a.roughness <= b.roughness && (a.detail > b.detail || a.roughness < b.roughness);
  fc.assert(
    fc.property(fc.array(point, { minLength: 1, maxLength: 20 }), (points) => {
      const best = frontier(points);
      for (const one of best) expect(points.some((other) => beats(other, one))).toBe(false);
      for (const one of points)
        expect(
          best.some((b) => beats(b, one) || (b.detail === one.detail && b.roughness === one.roughness)),
        ).toBe(true);
    }),
  );
});
