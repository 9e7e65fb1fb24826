import { titleById } from '@/catalog/find';
import { layerFromSettings } from '@/core/response/settings';
import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { curvePoints, shapeOption } from './shapeChart';

const dialect = titleById('causeway').dialects.brake;
const neutral = layerFromSettings(dialect, {});

it('Shape draws the tried curve over the kept one, and where the foot rests and presses', () => {
  const tried = [layerFromSettings(dialect, { deadzone: 5, saturation: 17 })];
  expect(curvePoints(tried).at(-1)).toEqual([100, 100]);
  const { series } = shapeOption(
    tried,
    [neutral],
    { axis: 'brake', cover: 0.036, press: null, ridden: [0, 0.5, 0.5], pressed: [1, 0, 0] },
    palette,
  ) as unknown as Drawn & {
    series: { markLine?: { data: { xAxis: number }[] } }[];
  };
  expect(series.map((s) => [s.name, s.lineStyle?.color])).toEqual([
    ['Newest ride', undefined],
    ['Newest capture', '#brake'],
    ['Slope', '#muted'],
    ['Kept', '#muted'],
    ['Tried', '#brake'],
  ]);
  expect(series[0]!.data.map(([, height]) => height)).toEqual([0, 22, 22]);
  expect(series[4]!.markLine!.data.map((d) => d.xAxis.toFixed(2))).toEqual(['3.60']);
});
