import fc from 'fast-check';
import { NEUTRAL_LAYER, type ResponseLayer } from '../response/layer';
import { respond } from '../response/compose';
import { footPart, slopeAt, travelAt } from './footPart';

const power = (gamma: number): ResponseLayer[] => [{ ...NEUTRAL_LAYER, curve: { kind: 'power', gamma } }];

it('on a straight line all of a spread is the foot', () => {
  const part = footPart([NEUTRAL_LAYER], 0.4, 0.03);
  expect(part.travel).toBeCloseTo(0.4, 3);
  expect(part.slope).toBeCloseTo(1, 6);
  expect(part.straight).toBeCloseTo(0.03, 6);
  expect(part.settingShare).toBeCloseTo(0, 6);
});

it('of a power the slope is γ·x^(γ − 1), and a slope of 2.5 adds 84 % of the variance', () => {
  const x = 0.7;
  const layers = power(2);
  expect(slopeAt(layers, x)).toBeCloseTo(2 * x, 2);
  expect(footPart(layers, x * x, 0.07).straight).toBeCloseTo(0.07 / (2 * x), 3);
  // Slope 2.5: 1 − 1/6.25.
  const steep: ResponseLayer[] = [{ ...NEUTRAL_LAYER, deadzone: 0.3, saturation: 0.7 }];
  expect(footPart(steep, 0.5, 1).slope).toBeCloseTo(2.5, 6);
  expect(footPart(steep, 0.5, 1).settingShare).toBeCloseTo(0.84, 6);
});

it('the travel of an output gives that output again', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 3, noNaN: true }),
      fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      (gamma, output) => {
        const layers = power(gamma);
        expect(Math.abs(respond(layers, travelAt(layers, output)) - output)).toBeLessThan(0.03);
      },
    ),
  ));
