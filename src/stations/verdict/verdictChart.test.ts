import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { verdictOption } from './verdictChart';

it('tells the two sides apart by hue and stroke', () => {
  const trace = { stepM: 4, brake: [0, 0.5, 1], throttle: [1, 0.5, 0], speed: [100, 80, 60] };
  const pair = (verdictOption(trace, trace, palette) as unknown as Drawn).series;
  expect(pair.map((s) => [s.name, s.lineStyle.color, s.lineStyle.type])).toEqual([
    ['A', '#sideA', 'solid'],
    ['B', '#sideB', 'dashed'],
  ]);
  expect(pair[0]!.data).toEqual([
    [0, 0],
    [4, 50],
    [8, 100],
  ]);
});
