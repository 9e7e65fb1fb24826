import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { historyOption } from './historyChart';

it('History draws the noise towards its dead zone, the trend on to the date, and the end below', () => {
  const points = Array.from({ length: 6 }, (_, i) => ({
    atMs: i * 7 * 86_400_000,
    noise: 0.002 + 0.001 * i,
    low: 0,
    high: 1 - 0.006 * i,
    roughSpots: [],
  }));
  const line = { perDay: 0, interval: [0, 0] as [number, number], through: { atMs: 0, value: 0.01 } };
  const outgrows = { atMs: 8 * 7 * 86_400_000, earliestMs: 0, latestMs: null };
  const option = historyOption(
    { points, noise: line, high: line, low: null, outgrows },
    'throttle',
    0.03,
    palette,
  );
  const { series } = option as unknown as Drawn;
  expect(series.map((s) => s.name)).toEqual([
    'Noise, 3σ',
    'Trend of the noise',
    'Full end',
    'Trend of the end',
  ]);
  expect(series[1]!.data.at(-1)![0]).toBe(outgrows.atMs);
  expect(series[0]!.data[5]![1]).toBeCloseTo(2.1, 9);
});
