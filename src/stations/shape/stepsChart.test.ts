import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { stepsOption } from './stepsChart';

it('the first steps of a sensor are stairs, in degrees of the hands for a wheel', () => {
  const steps = [
    { at: 0, out: 0 },
    { at: 0.01, out: 0.02 },
  ];
  const drawn = stepsOption({ axis: 'steering', steps, kept: steps, fullAtDeg: 450 }, palette);
  const { series } = drawn as unknown as { series: (Drawn['series'][number] & { step: string })[] };
  expect(series[1]!.data).toEqual([
    [0, 0],
    [4.5, 2],
  ]);
  expect(series.map((s) => [s.name, s.step])).toEqual([
    ['Kept', 'end'],
    ['Tried', 'end'],
  ]);
});
