import fc from 'fast-check';
import { seededRandom } from '../numeric/random';
import { gainProbe } from './gainProbe';

/** Three minutes of bends; the force follows them at a strength, with noise, clipped at full scale. */
function ride(strength: number, seed: number, noise = 0.02) {
  const random = seededRandom(seed);
  const t_s = Float64Array.from({ length: 180 * 50 }, (_, i) => i / 50);
  const ay_mps2 = t_s.map((t) => 7 * Math.sin(2 * Math.PI * 0.12 * t) * (0.7 + 0.3 * Math.sin(t / 9)));
  const ffb = ay_mps2.map((a) => Math.max(-1, Math.min(1, -0.1 * strength * a + noise * random.normal())));
  return { notes: {}, columns: { t_s, ay_mps2, ffb } };
}
const found = (a: [number, number], b: [number, number]) => {
  const out = gainProbe({ value: a[0], log: ride(a[1], 1) }, { value: b[0], log: ride(b[1], 2) });
  if (!out.ok) throw new Error(out.problems[0]!.code);
  return out.value;
};

it('numbers that are factors are found to be, also where the stronger ride clips', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.3, max: 0.6, noNaN: true }),
      fc.double({ min: 1.3, max: 3, noNaN: true }),
      (low, times) => {
        const { ratio, verdict, expected } = found([100 * low, low], [100 * low * times, low * times]);
        expect(verdict).toBe('factor');
        expect(Math.abs(ratio / expected - 1)).toBeLessThan(0.05);
      },
    ),
    { numRuns: 20 },
  );
});

it('numbers with an offset, or that bend, are found to be none', () => {
  // 0 on this menu still leaves a third of the force.
  expect(found([50, 0.33 + 0.335], [100, 1])).toMatchObject({ expected: 2, verdict: 'other' });
  expect(found([50, 0.25], [100, 1])).toMatchObject({ verdict: 'other' });
});

it('claims neither where the rides cannot tell: uneven ones, or a force that is nearly a factor', () => {
  const uneven = (value: number, strength: number, seed: number) => {
    const { notes, columns } = ride(strength, seed);
    // From one part of the ride to the next the same corner asks for more, or less.
    const ffb = columns.ffb.map((force, i) => force * (1 + 0.3 * Math.sin(columns.t_s[i]! / 11 + seed)));
    return { value, log: { notes, columns: { ...columns, ffb } } };
  };
  expect(gainProbe(uneven(50, 0.5, 1), uneven(100, 0.95, 4))).toMatchObject({ value: { verdict: 'unsure' } });
  expect(found([50, 0.5], [100, 0.9])).toMatchObject({ verdict: 'unsure' });
});

it('says what is missing: two gains, corners, even laps', () => {
  const code = (a: Parameters<typeof gainProbe>[0], b: Parameters<typeof gainProbe>[0]) => {
    const out = gainProbe(a, b);
    return out.ok ? out.value.verdict : out.problems[0]!.code;
  };
  const log = ride(0.5, 1);
  expect(code({ value: 50, log }, { value: 50, log })).toBe('same-gain');
  expect(code({ value: 0, log }, { value: 50, log })).toBe('same-gain');
  const without = { notes: {}, columns: { t_s: log.columns.t_s, ffb: log.columns.ffb } };
  expect(code({ value: 50, log: without }, { value: 100, log })).toBe('no-corners');
  expect(code({ value: 50, log }, { value: 900, log: ride(9, 1) })).toBe('clipped');
  const wild = {
    ...log,
    columns: { ...log.columns, ffb: log.columns.t_s.map((t) => 0.5 * Math.sin(t * 3)) },
  };
  expect(['no-corners', 'unsure']).toContain(code({ value: 50, log }, { value: 100, log: wild }));
});
