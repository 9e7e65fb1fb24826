import { inks as palette } from '@/ui/testing/inks';
import { CLIP_MARKS, forceOption } from './forceChart';

type Series = { name: string; type: string; data: (number | null)[] | number[][] };
const seriesOf = (option: unknown) => (option as { series: Series[] }).series;

it('marks every kind of clipping with a shape of its own, above the force', () => {
  const trace = { stepM: 4, level: [0.5, 1.2, -1.3], kind: [null, 'impact', 'sustained'] as const };
  const option = forceOption({ trace: { ...trace, kind: [...trace.kind] } }, null, palette);
  const marks = seriesOf(option).filter(({ type }) => type === 'scatter');
  expect(marks.map(({ name, data }) => [name, data.length])).toEqual([
    ['Clipped: held at the limit', 1],
    ['Clipped: a hit', 1],
    ['Clipped: short', 0],
  ]);
  expect(new Set(Object.values(CLIP_MARKS).map(({ symbol }) => symbol)).size).toBe(3);
});
