import { inks as palette } from '@/ui/testing/inks';
import { jndOption } from './answerChart';

interface Named {
  yAxis: { max: number };
  series: {
    data: number[][];
    markArea?: { data: { yAxis: number }[][] };
    markLine?: { data: { yAxis: number }[] };
  }[];
}

const PAIRS = [30, 40, 50].map((apart, place) => ({ place, apart, isRight: place !== 1 }));
const drawn = (told: { jnd: number; low: number; high: number }) =>
  jndOption(PAIRS, told, 56, 'apart', palette) as unknown as Named;

it('shows each pair by whether the greater ride was named, and what is just noticed in its interval', () => {
  const {
    series: [right, wrong],
  } = drawn({ jnd: 33, low: 25, high: 48 });
  expect(right!.data).toEqual([
    [1, 30],
    [3, 50],
  ]);
  expect(wrong!.data).toEqual([[2, 40]]);
  expect(right!.markArea!.data).toEqual([[{ yAxis: 25 }, { yAxis: 48 }]]);
  expect(right!.markLine!.data).toEqual([{ yAxis: 33 }]);
});

it('ends where the menu does, whatever the answers leave open', () => {
  const open = drawn({ jnd: 70, low: 36, high: 250 });
  expect(open.yAxis.max).toBe(56);
  expect(open.series[0]!.markArea!.data).toEqual([[{ yAxis: 36 }, { yAxis: 56 }]]);
  expect(open.series[0]!.markLine!.data).toEqual([]);
  expect(drawn({ jnd: 170, low: 60, high: 330 }).series[0]!.markArea!.data).toEqual([]);
});
