import fc from 'fast-check';
import { effectiveResponse, respond } from './compose';
import { curveInverse, curveValue, type Curve } from './curve';
import { gridValue, toCanonical, type MenuField } from './menuSchema';
import type { ResponseLayer } from './layer';

const points = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 99 }), fc.double({ min: 0, max: 1, noNaN: true })), {
    maxLength: 6,
  })
  .map((raw): Curve => {
    const xs = [...new Set(raw.map(([x]) => x))].sort((a, b) => a - b);
    const ys = raw.map(([, y]) => y).sort((a, b) => a - b);
    return {
      kind: 'points',
      points: [[0, 0], ...xs.map((x, i): [number, number] => [x / 100, ys[i]!]), [1, 1]],
    };
  });
const curve: fc.Arbitrary<Curve> = fc.oneof(
  fc.double({ min: 0.2, max: 5, noNaN: true }).map((gamma): Curve => ({ kind: 'power', gamma })),
  fc.double({ min: -0.5, max: 1, noNaN: true }).map((k): Curve => ({ kind: 'blend', k })),
  points,
);
const layer: fc.Arbitrary<ResponseLayer> = fc
  .tuple(fc.double({ min: 0, max: 0.4, noNaN: true }), fc.double({ min: 0.5, max: 1, noNaN: true }), curve)
  .map(([deadzone, saturation, c]) => ({ deadzone, saturation, curve: c }));

it('every legal curve is monotone with fixed ends', () => {
  fc.assert(
    fc.property(curve, (c) => {
      expect(curveValue(c, 0)).toBe(0);
      expect(curveValue(c, 1)).toBe(1);
      let before = 0;
      for (let i = 1; i <= 100; i++) {
        const y = curveValue(c, i / 100);
        expect(y).toBeGreaterThanOrEqual(before - 1e-12);
        before = y;
      }
    }),
  );
});

it('the inverse lands on the value', () => {
  fc.assert(
    fc.property(curve, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (c, v) => {
      expect(curveValue(c, curveInverse(c, v, 'lower'))).toBeCloseTo(v, 6);
      expect(curveInverse(c, v, 'upper')).toBeGreaterThanOrEqual(curveInverse(c, v, 'lower') - 1e-9);
    }),
  );
});

it('composed layers are odd, and begin and end where the effective response says', () => {
  fc.assert(
    fc.property(fc.array(layer, { minLength: 1, maxLength: 3 }), (layers) => {
      const { deadzone, saturation } = effectiveResponse(layers);
      expect(respond(layers, -0.7)).toBe(0 - respond(layers, 0.7));
      expect(respond(layers, Math.max(0, deadzone - 1e-9))).toBe(0);
      expect(respond(layers, Math.min(1, saturation + 1e-9))).toBeCloseTo(1, 9);
    }),
  );
});

it('two layers give the figures worked out by hand', () => {
  const layers: ResponseLayer[] = [
    { deadzone: 0.05, saturation: 0.95, curve: { kind: 'power', gamma: 1 } },
    { deadzone: 0.1, saturation: 0.9, curve: { kind: 'blend', k: 0.5 } },
  ];
  expect(respond(layers, 0.5)).toBeCloseTo(0.3125, 12);
  expect(respond(layers, -0.7)).toBeCloseTo(-0.6241426611796983, 12);
  const e = effectiveResponse(layers);
  expect([e.slopeStart, e.slopeMiddle, e.slopeEnd, e.travel].map((v) => Number(v!.toFixed(9)))).toEqual([
    0.5, 0.875, 2, 0.72,
  ]);
});

it('slopes stay true where zero meets infinity', () => {
  const power = (gamma: number): ResponseLayer => ({
    deadzone: 0,
    saturation: 1,
    curve: { kind: 'power', gamma },
  });
  expect(effectiveResponse([power(0.5)]).slopeStart).toBeNull();
  expect(effectiveResponse([power(2)]).slopeStart).toBe(0);
  expect(effectiveResponse([power(0.5), power(2)]).slopeStart).toBeCloseTo(1, 12);
});

it('a menu value is put on its own grid, never rounded to the failing side', () => {
  const amount: MenuField = {
    key: 's',
    label: 'S',
    min: 0,
    max: 100,
    step: 1,
    neutral: 0,
    maps: { kind: 'saturation-amount', full: 100, reach: 1 },
  };
  const decimal: MenuField = {
    key: 'd',
    label: 'D',
    min: 0,
    max: 1,
    step: 0.05,
    neutral: 0,
    maps: { kind: 'deadzone-amount', full: 1 },
  };
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), (x) => {
      expect(toCanonical(amount, gridValue(amount, x, 'atMost'))).toBeLessThanOrEqual(x + 1e-7);
      expect(toCanonical(decimal, gridValue(decimal, x, 'atLeast'))).toBeGreaterThanOrEqual(
        Math.min(1, x) - 1e-7,
      );
    }),
  );
  expect(gridValue(amount, 0.83)).toBe(17);
  expect(gridValue(decimal, 0.15)).toBe(0.15);
});
