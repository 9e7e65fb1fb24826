import { inUnit, SPEED_UNITS, speedText } from './speedUnit';

it('a speed is the same in every unit', () => {
  expect(SPEED_UNITS.map((unit) => speedText(40, unit))).toEqual(['144 km/h', '89 mph', '40 m/s']);
  // A mile is 1609.344 m.
  expect(inUnit(1609.344 / 3600, 'mph')).toBeCloseTo(1, 12);
});
