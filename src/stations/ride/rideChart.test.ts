import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { rideOption } from './rideChart';

it('tells the lines of a ride apart by hue, stroke and mark', () => {
  const trace = { stepM: 4, brake: [0, 0.5, 1], throttle: [1, 0.5, 0], speed: [100, 80, 60] };
  const ride = (rideOption(trace, palette, 'kmh') as unknown as Drawn).series;
  expect(new Set(ride.map((s) => `${s.lineStyle.color}/${String(s.lineStyle.type)}`)).size).toBe(3);
});

it('draws speed in the driver’s unit', () => {
  const trace = { stepM: 4, brake: [0], throttle: [1], speed: [40] };
  const drawn = (unit: 'kmh' | 'mph') =>
    (rideOption(trace, palette, unit) as unknown as { series: { name: string; data: number[][] }[] })
      .series[0]!;
  expect(drawn('kmh').name).toBe('Speed, km/h');
  expect(drawn('kmh').data[0]![1]).toBeCloseTo(144, 6);
  expect(drawn('mph').data[0]![1]).toBeCloseTo(89.5, 1);
});
