import { SURFACES } from '../rides/rideLog';
import { effectSources, EFFECTS, KERB_LEVEL } from './effects';

const on = (surface: (typeof SURFACES)[number], speedMps = 20) => ({
  speedMps,
  surface: SURFACES.indexOf(surface),
  brake: 0,
  kappaFront: 0,
  kappaRear: 0,
});

it('a kerb of teeth half a metre apart is felt speed over pitch times a second', () => {
  const { kerb } = effectSources(1);
  const dt = 1 / 1000;
  for (let i = 1; i <= 200; i++)
    expect(kerb(on('kerb'), dt)).toBeCloseTo(KERB_LEVEL * Math.sin(2 * Math.PI * 40 * i * dt), 9);
});

it('where a car left a kerb the next goes on, and beside it nothing is felt of it', () => {
  const { kerb } = effectSources(1);
  const first = kerb(on('kerb'), 0.001);
  expect(kerb(on('road'), 0.001)).toBe(0);
  expect(kerb(on('kerb'), 0.001)).toBeCloseTo(KERB_LEVEL * Math.sin(2 * Math.PI * 40 * 0.002), 9);
  expect(first).toBeCloseTo(KERB_LEVEL * Math.sin(2 * Math.PI * 40 * 0.001), 9);
});

it('a car that stands feels no effect, on whatever ground', () => {
  const sources = effectSources(3);
  for (const surface of SURFACES)
    for (const name of EFFECTS)
      for (let i = 0; i < 5; i++) expect(Math.abs(sources[name](on(surface, 0), 0.01))).toBe(0);
});
