import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { clippedTravel, travelOf } from './calibration';
import { coverDeadzone, rulingDeadzone, takeupDeadzone } from './deadzone';
import { despike } from './despike';
import { calibrateEnds, findStrokes } from './ends';
import { simulatedFoot } from './foot';
import { restNoise } from './noise';
import { pedalSensor } from './pedalSensor';
import { findPresses } from './presses';
import { findQuantum, resolutionBits } from './quantum';
import { runsFromLabels } from './recording';
import { roughAdvice } from './roughAdvice';
import { recommendSaturation } from './saturation';
import { isStationary, quickNoise } from './stationary';

const normals = (n: number, seed = 1) => {
  const random = seededRandom(seed);
  return Float64Array.from({ length: n }, () => random.normal());
};

describe('despike', () => {
  it('leaves a fast clean sweep alone and takes out what does not belong', () => {
    const sweep = Float64Array.from({ length: 200 }, (_, i) => 300 * i);
    expect(despike(sweep, 5, 1, 60000)).toMatchObject({ spikes: [], dropouts: [] });
    sweep[100] = 0;
    sweep[101] = 0;
    const { clean, dropouts } = despike(sweep, 5, 1, 60000);
    expect(dropouts).toEqual([100]);
    expect(Math.abs(clean[100]! - 30000)).toBeLessThan(1500);
  });

  it('takes a run of more than three samples for movement', () => {
    const level = new Float64Array(60).fill(1000);
    level.fill(4000, 20, 24);
    expect(despike(level, 5, 1, 60000)).toMatchObject({ spikes: [], dropouts: [] });
  });
});

describe('noise and stillness', () => {
  it('gives σ of quantised noise, where plain MAD jumps between 0 and 1.5 quanta', () => {
    for (const sigma of [0.3, 0.6, 1, 3]) {
      const raw = normals(4000, 3).map((z) => Math.round(z * sigma));
      const expected = Math.hypot(sigma, sigma < 0.4 ? 0 : Math.sqrt(1 / 12));
      expect(Math.abs(restNoise(raw, 1) - expected)).toBeLessThan(0.12);
    }
  });

  it('quick noise is the mean step by √π/2, between samples as far apart as is asked', () => {
    const half = Math.sqrt(Math.PI) / 2;
    expect(quickNoise([0, 4, 0, 4])).toBeCloseTo(4 * half, 12);
    expect(quickNoise([0, 4, 2, 8], 2)).toBeCloseTo(3 * half, 12);
    expect(quickNoise([7])).toBe(0);
    expect(quickNoise([7, 9], 5)).toBe(0);
  });

  it('a noisy axis can be still, a creeping one is not', () => {
    const noisy = normals(800).map((z) => 500 * z + 1000);
    expect(isStationary(noisy, 65535)).toBe(true);
    expect(quickNoise(noisy)).toBeGreaterThan(400);
    // Read at 1 kHz from a device that reports 62 times a second: each report stands there 16 times.
    const again = Float64Array.from({ length: 800 }, (_, i) => noisy[i >> 4]!);
    expect(isStationary(again, 65535)).toBe(true);
    const creeping = Float64Array.from({ length: 800 }, (_, i) => 1000 + i);
    expect(isStationary(creeping, 65535)).toBe(false);
  });
});

describe('quantum', () => {
  it('finds the step of counts and of a gamepad axis, and none behind a smoothing host', () => {
    const random = seededRandom(4);
    const steps = Array.from({ length: 500 }, () => Math.round(8 * random.normal()));
    expect(
      findQuantum(
        steps.map((s) => 64 * s),
        65535,
      ),
    ).toBe(64);
    expect(
      findQuantum(
        steps.map((s) => (2 / 4095) * s),
        2,
      ),
    ).toBeCloseTo(2 / 4095, 12);
    expect(findQuantum(normals(500), 100)).toBeNull();
    expect(
      findQuantum(
        normals(5000).map((z) => Number(z.toFixed(6))),
        4,
      ),
    ).toBeNull();
  });

  it('turns a span into bits', () => {
    expect(resolutionBits(55100, 1)).toBeCloseTo(15.75, 2);
  });
});

describe('ends', () => {
  it('strokes are cut in the middle of each stay below a tenth, once it was above nine tenths', () => {
    //                               0  1    2    3    4  5  6  7   8    9    10
    const values = Float64Array.of(0, 50, 100, 100, 50, 5, 0, 5, 50, 100, 50);
    const cuts = (v: Float64Array, from = 0) =>
      findStrokes(v, [{ label: 'sweep', from, to: v.length }]).map((one) => [one.from, one.to]);
    expect(cuts(values)).toEqual([
      [0, 6],
      [6, 11],
    ]);
    expect(cuts(values, 1)[0]![0]).toBe(1);
    // Exactly nine tenths is not up, and exactly a tenth is not down.
    expect(cuts(Float64Array.of(0, 90, 5, 90, 5, 100))).toHaveLength(1);
    expect(cuts(Float64Array.of(0, 100, 10, 100, 10, 100))).toHaveLength(1);
    expect(cuts(Float64Array.of(0, 100, 9, 90, 9, 100))).toEqual([
      [0, 3],
      [3, 6],
    ]);
  });

  const stroke = (low: number, high: number) => [
    ...Array.from({ length: 50 }, () => low),
    ...Array.from({ length: 50 }, (_, i) => low + ((high - low) * i) / 50),
    ...Array.from({ length: 50 }, () => high),
    ...Array.from({ length: 50 }, (_, i) => high - ((high - low) * i) / 50),
  ];

  it('splits several strokes in one run, and marks one that was broken off', () => {
    const values = Float64Array.from([...stroke(100, 9000), ...stroke(110, 9010), ...stroke(100, 8990)]);
    const strokes = findStrokes(values, [{ label: 'sweep', from: 0, to: values.length }]);
    expect(strokes.map((s) => [s.low, s.high])).toEqual([
      [100, 9000],
      [110, 9010],
      [100, 8990],
    ]);
    const short = Float64Array.from([...stroke(100, 9000), ...stroke(100, 3000)]);
    const runs = [
      { label: 'sweep', from: 0, to: 200 },
      { label: 'sweep', from: 200, to: 400 },
    ];
    expect(findStrokes(short, runs).map((s) => s.full)).toEqual([true, false]);
  });

  it('lie at the least repeat less 2σ where repeats agree, and no more than 3 % inward where they do not', () => {
    const ends = (highs: number[]) =>
      calibrateEnds(
        highs.map((high) => ({ from: 0, to: 1, low: 0, high, full: true })),
        10,
      );
    expect(ends([10000, 10000, 10000])).toMatchObject({ low: 20, high: 9980, highReached: 1 });
    expect(ends([10000, 9000, 9800]).high).toBeCloseTo(9600 - 0.03 * 9600, 6);
  });
});

describe('presses', () => {
  const press = (peak: number) => [...new Array<number>(20).fill(peak), ...new Array<number>(20).fill(0)];

  it('are split by hysteresis, and a resting foot above it does not join them', () => {
    const travel = Float64Array.from([...press(0.9), ...press(0.86)]);
    const runs = [{ label: 'press', from: 0, to: travel.length }];
    expect(findPresses(travel, runs).map((p) => p.peak)).toEqual([0.9, 0.86]);
    const dragging = travel.map((x) => Math.max(x, 0.08));
    expect(findPresses(dragging, runs, 0.08)).toHaveLength(2);
  });

  it('the recommended saturation stays between its floor and its cap', () => {
    expect(recommendSaturation([1, 0.3, 0.9, 0.4]).saturation).toBe(0.5);
    expect(recommendSaturation([1.2, 1.2, 1.2, 1.2]).saturation).toBe(1);
    const { saturation, reachAfter, reachNow } = recommendSaturation([0.85, 0.86, 0.88, 0.87, 0.86, 0.88]);
    expect(saturation).toBeLessThan(0.85);
    expect(reachAfter).toBeGreaterThan(0.95);
    expect(reachNow).toBeLessThan(0.01);
    expect(() => recommendSaturation([0.9, 0.9, 0.9])).toThrow(/4 presses/);
  });
});

describe('dead zone', () => {
  it('hides P99.5 of the resting foot with a margin, or starts at the take-up; the larger rules', () => {
    const cover = Float64Array.from({ length: 1000 }, (_, i) => 0.02 + (0.02 * i) / 999);
    expect(coverDeadzone(cover, 0.0001)).toBeCloseTo(0.0399 + 0.005, 3);
    expect(coverDeadzone(cover, 0.01)).toBeCloseTo(0.0399 + 0.03, 3);
    const takeup = Float64Array.from([0, 0.04, 0.08, 0.08, 0.08]);
    expect(takeupDeadzone([takeup, takeup])).toBeCloseTo(0.08, 9);
    expect(takeupDeadzone([new Float64Array(9)])).toBeNull();
    expect(rulingDeadzone(0.05, 0.08)).toEqual({ deadzone: 0.08, from: 'takeup' });
    expect(rulingDeadzone(0.09, 0.08)).toEqual({ deadzone: 0.09, from: 'cover' });
    expect(rulingDeadzone(null, null)).toBeNull();
  });

  it('hides a rough spot from the nearer side, and says so where that is not worth its travel', () => {
    expect(roughAdvice({ from: 0.01, to: 0.04, ratio: 5 }, 'throttle')).toMatch(
      /^A dead zone of 4.0 % .* plaster/,
    );
    expect(roughAdvice({ from: 0.94, to: 0.97, ratio: 5 }, 'throttle')).toMatch(
      /^A range that ends at 94.0 %/,
    );
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.95, noNaN: true }), (from) => {
        const spot = { from, to: from + 0.05, ratio: 5 };
        const cost = Math.min(spot.to, 1 - from);
        expect(/sensor must be replaced/.test(roughAdvice(spot, 'throttle'))).toBe(cost > 0.1);
        // Neither a dead zone nor a shorter range hides a place of a wheel's track.
        expect(roughAdvice(spot, 'steering')).toMatch(/^No setting hides it.*sensor must be replaced/);
      }),
    );
  });
});

it('travel runs from released to pressed, also on an inverted axis', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1000 }),
      fc.integer({ min: 2000, max: 9000 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (low, high, x) => {
        const raw = low + x * (high - low);
        expect(travelOf({ released: low, pressed: high }, raw)).toBeCloseTo(x, 9);
        expect(travelOf({ released: high, pressed: low }, raw)).toBeCloseTo(1 - x, 9);
        expect(clippedTravel({ released: low, pressed: high }, high + 50)).toBe(1);
      },
    ),
  );
});

it('groups labels into runs', () => {
  expect(runsFromLabels(['rest', 'rest', 'idle', 'rest'])).toEqual([
    { label: 'rest', from: 0, to: 2 },
    { label: 'idle', from: 2, to: 3 },
    { label: 'rest', from: 3, to: 4 },
  ]);
});

describe('the simulated foot and sensor', () => {
  const habits = { restTravel: 0.03, restWander: 0.002, pressTravel: 0.87, pressSpread: 0.01 };

  it('rests, presses and sweeps as told, and comes up before it begins anew', () => {
    const foot = simulatedFoot(habits, seededRandom(1));
    const run = (seconds: number) => Array.from({ length: seconds * 1000 }, () => foot.step(0.001));
    foot.intend('rest');
    expect(run(2).at(-1)!).toBeCloseTo(0.03, 1);
    foot.intend('sweep');
    expect(Math.max(...run(4))).toBeCloseTo(1, 6);
    run(0.9);
    foot.intend('press');
    const presses = run(6);
    const firstUp = presses.findIndex((x) => x < 0.01);
    const firstPress = presses.findIndex((x, i) => i > firstUp && x > 0.8);
    expect(firstUp).toBeGreaterThanOrEqual(0);
    expect(firstPress).toBeGreaterThan(firstUp);
    foot.intend('off');
    expect(run(1).at(-1)).toBe(0);
  });

  it('quantises, clips to its range, and gives the same bits for the same seed', () => {
    const hardware = { released: 100, pressed: 1000, sigma: 5, quantum: 8, rangeMin: 0, rangeMax: 1023 };
    const read = () => {
      const sense = pedalSensor(hardware, seededRandom(6), 1000);
      return Array.from({ length: 50 }, (_, i) => sense(i / 1000, i / 25));
    };
    expect(read()).toEqual(read());
    expect(read().every((raw) => raw >= 0 && raw <= 1023 && (raw % 8 === 0 || raw === 1023))).toBe(true);
  });
});
