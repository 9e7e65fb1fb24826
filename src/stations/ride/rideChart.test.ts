import { inks as palette, type Drawn } from '@/ui/testing/inks';
import { rideOption } from './rideChart';

it('tells the lines of a ride apart by hue, stroke and mark', () => {
  const trace = { stepM: 4, brake: [0, 0.5, 1], throttle: [1, 0.5, 0], speed: [100, 80, 60] };
  const ride = (rideOption(trace, palette) as unknown as Drawn).series;
  expect(new Set(ride.map((s) => `${s.lineStyle.color}/${String(s.lineStyle.type)}`)).size).toBe(3);
});
