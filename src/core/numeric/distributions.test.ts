import { seededRandom } from './random';
import { chanceOfReaching, toleranceFactor } from './distributions';

describe('tolerance factor', () => {
  // Published values for 95 % coverage at 90 % confidence, one-sided.
  it.each([
    [4, 3.957],
    [5, 3.4],
    [8, 2.754],
    [10, 2.568],
  ])('for %i samples is %d', (n, k) => {
    expect(toleranceFactor(n)).toBeCloseTo(k, 2);
  });

  it('passes smoothly into the large-sample form', () => {
    const below = toleranceFactor(100);
    const above = toleranceFactor(101);
    expect(below - above).toBeGreaterThan(0);
    expect(below - above).toBeLessThan(0.01);
    expect(toleranceFactor(1e6)).toBeCloseTo(1.645, 2);
  });

  it('lets 95 of 100 later values pass in about 90 of 100 samples', () => {
    const random = seededRandom(5);
    const n = 6;
    const k = toleranceFactor(n);
    let kept = 0;
    const trials = 4000;
    for (let i = 0; i < trials; i++) {
      const x = Array.from({ length: n }, () => random.normal());
      const mean = x.reduce((a, b) => a + b) / n;
      const sd = Math.sqrt(x.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1));
      if (mean - k * sd <= -1.6449) kept++;
    }
    expect(kept / trials).toBeGreaterThan(0.88);
    expect(kept / trials).toBeLessThan(0.92);
  });
});

describe('chance of reaching', () => {
  it('is a half at the mean and certain without spread', () => {
    expect(chanceOfReaching(0.8, 0.8, 0.02, 6)).toBeCloseTo(0.5, 6);
    expect(chanceOfReaching(0.8, 0.9, 0, 6)).toBe(1);
    expect(chanceOfReaching(1, 0.9, 0, 6)).toBe(0);
  });

  it('is calibrated: predicted chances come true', () => {
    const random = seededRandom(9);
    let predicted = 0;
    let reached = 0;
    const trials = 4000;
    for (let i = 0; i < trials; i++) {
      const x = Array.from({ length: 5 }, () => random.normal());
      const mean = x.reduce((a, b) => a + b) / 5;
      const sd = Math.sqrt(x.reduce((s, v) => s + (v - mean) ** 2, 0) / 4);
      predicted += chanceOfReaching(mean - 1.2 * sd, mean, sd, 5);
      if (random.normal() >= mean - 1.2 * sd) reached++;
    }
    expect(Math.abs(predicted - reached) / trials).toBeLessThan(0.025);
  });
});
