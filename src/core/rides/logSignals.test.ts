import { below, lateralOf, rateOf } from './logSignals';

const of = (n: number, value: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => value(i));

it('takes lateral acceleration as it was logged, else from yaw rate and speed', () => {
  const t_s = of(3, (i) => i);
  const yaw = { t_s, yaw_radps: of(3, () => 0.2), speed_mps: of(3, (i) => 10 * i) };
  expect([...lateralOf(yaw)!]).toEqual([0, 2, 4]);
  expect([...lateralOf({ ...yaw, ay_mps2: of(3, () => 7) })!]).toEqual([7, 7, 7]);
  expect(lateralOf({ t_s, speed_mps: yaw.speed_mps })).toBeNull();
});

it('a pause does not slow a log down', () => {
  expect(rateOf({ t_s: of(200, (i) => i / 100 + (i > 90 ? 3600 : 0)) })).toBeCloseTo(100, 6);
  expect(rateOf({ t_s: of(1, () => 0) })).toBe(0);
});

it('keeps what is slow in its place and drops what is fast', () => {
  const slow = (i: number) => Math.sin((2 * Math.PI * 0.3 * i) / 100);
  const out = below(
    of(2000, (i) => slow(i) + Math.sin((2 * Math.PI * 20 * i) / 100)),
    2,
    100,
  );
  for (let i = 300; i < 1700; i++) expect(Math.abs(out[i]! - slow(i))).toBeLessThan(0.02);
});
