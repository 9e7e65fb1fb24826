import fc from 'fast-check';
import { respond } from './compose';
import { toCanonical, type MenuField, type FieldMap, type ResponseParameter } from './menuSchema';
import { probeField } from './probe';
import { layerFromSettings } from './settings';

const field = (maps: FieldMap, more: Partial<MenuField> = {}): MenuField => ({
  key: 'x',
  label: 'X',
  min: 0,
  max: 100,
  step: 1,
  neutral: 0,
  maps,
  ...more,
});

/** What a title with this field displays at three inputs, read to whole percents. */
function read(planted: MenuField, value: number) {
  const layer = layerFromSettings({ name: 'T', axis: 'brake', fields: [planted] }, { x: value });
  return [0.25, 0.5, 0.75].map((input) => ({
    input,
    shown: Math.round(100 * respond([layer], input)) / 100,
  }));
}
function found(planted: MenuField, parameter: ResponseParameter, value: number) {
  return probeField(planted, parameter, value, read(planted, value))[0]!;
}

it.each<[string, MenuField, ResponseParameter, number, 'calmer' | 'livelier' | null]>([
  ['an amount of dead zone', field({ kind: 'deadzone-amount', full: 100 }), 'deadzone', 12, null],
  ['clicks of dead zone', field({ kind: 'deadzone-amount', full: 50 }, { max: 20 }), 'deadzone', 8, null],
  [
    'saturation as an end point',
    field({ kind: 'saturation-end', full: 100 }, { neutral: 100 }),
    'saturation',
    80,
    null,
  ],
  [
    'saturation as an amount',
    field({ kind: 'saturation-amount', full: 100, reach: 1 }),
    'saturation',
    20,
    null,
  ],
  [
    'half a saturation',
    field({ kind: 'saturation-amount', full: 20, reach: 0.5 }, { max: 20 }),
    'saturation',
    12,
    null,
  ],
  [
    'gamma, written out',
    field({ kind: 'gamma-direct' }, { min: 0.5, max: 3, step: 0.05, neutral: 1 }),
    'curve',
    2,
    'calmer',
  ],
  ['more is calmer', field({ kind: 'gamma-log', base: 4, half: 100, sign: 1 }), 'curve', 60, 'calmer'],
  [
    'more is livelier',
    field({ kind: 'gamma-log', base: 3, half: 10, sign: -1 }, { max: 20, neutral: 10 }),
    'curve',
    16,
    'livelier',
  ],
])('recovers %s from three readings to whole percents', (_, planted, parameter, value, direction) => {
  const probed = found(planted, parameter, value);
  expect(probed.maps.kind).toBe(planted.maps.kind);
  expect(probed.direction).toBe(direction);
  expect(probed.residual).toBeLessThan(0.012);
  expect(toCanonical({ ...planted, maps: probed.maps }, value)).toBeCloseTo(toCanonical(planted, value), 1);
});

it('recovers any gamma on any scale from exact readings', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1.5, max: 5, noNaN: true }),
      fc.constantFrom<1 | -1>(1, -1),
      fc.integer({ min: 20, max: 100 }),
      (base, sign, value) => {
        const planted = field({ kind: 'gamma-log', base, half: 100, sign });
        const layer = layerFromSettings({ name: 'T', axis: 'brake', fields: [planted] }, { x: value });
        const readings = [0.2, 0.5, 0.8].map((input) => ({ input, shown: respond([layer], input) }));
        const best = probeField(planted, 'curve', value, readings).find((p) => p.maps.kind === 'gamma-log')!;
        expect(best.residual).toBeLessThan(0.01);
        expect(toCanonical({ ...planted, maps: best.maps }, value) / toCanonical(planted, value)).toBeCloseTo(
          1,
          1,
        );
      },
    ),
    { numRuns: 40 },
  );
});

it('a cubic blend and a power are told apart where the readings can, and the blend’s residual says so', () => {
  const planted = field({ kind: 'blend', full: 100 });
  const kinds = probeField(planted, 'curve', 100, read(planted, 100));
  expect(kinds.map((p) => p.maps.kind)).toContain('blend');
  expect(kinds.find((p) => p.maps.kind === 'blend')!.residual).toBeLessThan(0.012);
});

it('nothing is seen at neutral, or with two readings', () => {
  const planted = field({ kind: 'deadzone-amount', full: 100 });
  expect(probeField(planted, 'deadzone', 0, read(planted, 0))).toEqual([]);
  expect(probeField(planted, 'deadzone', 10, read(planted, 10).slice(1))).toEqual([]);
});
