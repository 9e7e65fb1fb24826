import type { Smoothness } from '@/core/force/detail';
import { inks as palette } from '@/ui/testing/inks';
import { bandsOption, frontierOption } from './smoothChart';

type Series = { name: string; type: string; data: (number | null)[] | number[][] };
const seriesOf = (option: unknown) => (option as { series: Series[] }).series;
const smooth = (roughness: number, detail: number | null): Smoothness => ({
  bands: [
    { fromHz: 8, toHz: 20, kept: 0.5, addedNm: 0.01 },
    { fromHz: 60, toHz: 200, kept: null, addedNm: 0.2 },
  ],
  detail,
  shakesNm: 0.2,
  roughness,
  stepsPerMin: 0,
});
const points = [2.8, 1.2, 0.7].map((roughness, i) => ({
  interpolation: null,
  smoothing: i,
  roughness,
  detail: 0.9 - 0.2 * i,
  shakesNm: 0.2,
}));

it('shows the setting in force among all that are possible, and the one that was kept as a ghost', () => {
  const names = (kept: Smoothness | null) =>
    seriesOf(frontierOption(points, smooth(1.2, 0.7), kept, palette)).map(({ name }) => name);
  expect(names(null)).toEqual(['Possible', 'Smoothing', 'now']);
  expect(names(smooth(2.8, 0.9))).toEqual(['Possible', 'Smoothing', 'kept', 'now']);
  const now = seriesOf(frontierOption(points, smooth(1.2, 0.7), null, palette)).at(-1)!;
  expect(now.data).toEqual([[1.2, 70]]);
});

it('draws no bar where a title is too slow to say anything', () => {
  expect(seriesOf(bandsOption(smooth(1, 0.9), null, palette))[0]!.data).toEqual([50, null]);
});
