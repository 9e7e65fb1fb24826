import fc from 'fast-check';
import { CAUSEWAY_DIALECTS, HILL_AND_HOLLOW_DIALECTS, MILLSTONE_DIALECTS } from '@/catalog/dialects';
import { gridCount, gridPoint, type MenuSchema, type MenuField, type FieldMap } from './menuSchema';
import { layerValue, LEAST_TRAVEL, type ResponseLayer } from './layer';
import { layerFromSettings, type FieldValues } from './settings';
import { translate } from './translate';
import { tries } from '../testing/longRun';

const field = (
  key: string,
  maps: FieldMap,
  min: number,
  steps: number,
  step: number,
  neutral: number,
): MenuField => ({
  key,
  label: key,
  min,
  max: Number((min + steps * step).toFixed(9)),
  step,
  neutral,
  maps,
});

/** Dialects small enough that every combination can be tried, of every kind of map. */
const deadzone = fc.constantFrom(
  field('dz', { kind: 'deadzone-amount', full: 100 }, 0, 25, 1, 0),
  field('dz', { kind: 'deadzone-amount', full: 1 }, 0, 10, 0.05, 0),
);
const saturation = fc.constantFrom(
  field('sat', { kind: 'saturation-amount', full: 20, reach: 0.5 }, 0, 20, 1, 0),
  field('sat', { kind: 'saturation-end', full: 1 }, 0.6, 20, 0.02, 1),
);
const curve = fc.constantFrom(
  field('lin', { kind: 'gamma-log', base: 4, half: 10, sign: 1 }, 0, 20, 1, 10),
  field('lin', { kind: 'gamma-log', base: 3, half: 12, sign: -1 }, 0, 24, 1, 12),
  field('lin', { kind: 'gamma-direct' }, 0.5, 25, 0.1, 1),
  field('lin', { kind: 'blend', full: 20 }, -10, 30, 1, 0),
);
const dialect: fc.Arbitrary<MenuSchema> = fc
  .tuple(fc.option(deadzone), fc.option(saturation), fc.option(curve))
  .map((fields) => ({ name: 'made up', axis: 'brake', fields: fields.filter((f) => f !== null) }));
const valuesOf = (d: MenuSchema): fc.Arbitrary<FieldValues> =>
  fc
    .tuple(...d.fields.map((f) => fc.integer({ min: 0, max: gridCount(f) - 1 })))
    .map((indices) => Object.fromEntries(d.fields.map((f, i) => [f.key, gridPoint(f, indices[i]!)])))
    .filter((values) => {
      const layer = layerFromSettings(d, values);
      return layer.saturation - layer.deadzone >= LEAST_TRAVEL;
    });
const settings = dialect.chain((d) => fc.tuple(fc.constant(d), valuesOf(d)));

/** Greatest difference over the 201 points; stops looking once it is over a limit. */
function error(a: ResponseLayer, b: ResponseLayer, limit = Infinity): number {
  let most = 0;
  for (let i = 0; i <= 200 && most <= limit; i++)
    most = Math.max(most, Math.abs(layerValue(a, i / 200) - layerValue(b, i / 200)));
  return most;
}

/** The least error over every combination of the target's grid. */
function bruteForce(wanted: ResponseLayer, target: MenuSchema): number {
  let best = Infinity;
  const walk = (values: FieldValues, left: MenuField[]) => {
    const [next, ...rest] = left;
    if (!next) {
      const layer = layerFromSettings(target, values);
      if (layer.saturation - layer.deadzone >= LEAST_TRAVEL - 1e-9)
        best = Math.min(best, error(wanted, layer, best));
      return;
    }
    for (let i = 0; i < gridCount(next); i++) walk({ ...values, [next.key]: gridPoint(next, i) }, rest);
  };
  walk({}, target.fields);
  return best;
}

it('is as good as trying everything, and reports the error that it leaves', () => {
  fc.assert(
    fc.property(settings, dialect, ([source, values], target) => {
      const wanted = layerFromSettings(source, values);
      const { values: found, maxError } = translate(source, values, target);
      expect(maxError).toBeCloseTo(error(wanted, layerFromSettings(target, found)), 12);
      expect(maxError).toBeLessThanOrEqual(bruteForce(wanted, target) + 1e-9);
      for (const f of target.fields) {
        const steps = (found[f.key]! - f.min) / f.step;
        expect(steps).toBeCloseTo(Math.round(steps), 6);
      }
    }),
    { numRuns: tries(8, 25) },
  );
});

it('on grids too large to try, no combination two steps around is better by 0.001', () => {
  const fine = (d: MenuSchema): MenuSchema => ({ ...d, name: 'fine' });
  const coarse = { ...MILLSTONE_DIALECTS.brake, name: 'clicks' };
  fc.assert(
    fc.property(
      valuesOf(coarse),
      fc.constantFrom(CAUSEWAY_DIALECTS.brake, HILL_AND_HOLLOW_DIALECTS.brake),
      (values, target) => {
        const wanted = layerFromSettings(coarse, values);
        const { values: found, maxError } = translate(coarse, values, fine(target));
        // No neighbour two steps around is better by more than that.
        const steps = [-2, -1, 0, 1, 2];
        for (const a of steps)
          for (const b of steps)
            for (const c of steps) {
              const near = Object.fromEntries(
                target.fields.map((f, k) => {
                  const index = Math.round((found[f.key]! - f.min) / f.step) + [a, b, c][k]!;
                  return [f.key, gridPoint(f, index)];
                }),
              );
              const layer = layerFromSettings(target, near);
              if (layer.saturation - layer.deadzone < LEAST_TRAVEL) continue;
              if (error(wanted, layer, maxError) < maxError - 0.001) throw new Error('a neighbour is better');
            }
      },
    ),
    { numRuns: tries(2, 5) },
  );
});

it('the same dialect gives the same values; there and back is no worse than there', () => {
  fc.assert(
    fc.property(settings, dialect, ([source, values], target) => {
      expect(translate(source, values, source)).toEqual({
        values,
        maxError: 0,
        atTravel: 0,
        notExpressible: [],
      });
      const there = translate(source, values, target);
      const back = translate(target, there.values, source);
      expect(back.maxError).toBeLessThanOrEqual(there.maxError + 1e-9);
    }),
    { numRuns: tries(8, 25) },
  );
});

it('the example of the published format', () => {
  const source: MenuSchema = {
    name: 'Made-up title',
    axis: 'brake',
    fields: [
      field('dz', { kind: 'deadzone-amount', full: 100 }, 0, 100, 1, 0),
      field('sat', { kind: 'saturation-amount', full: 100, reach: 1 }, 0, 100, 1, 0),
      field('lin', { kind: 'gamma-log', base: 4, half: 50, sign: 1 }, 0, 100, 1, 50),
    ],
  };
  const target: MenuSchema = {
    name: 'Plain',
    axis: 'brake',
    fields: [
      field('start', { kind: 'deadzone-amount', full: 1 }, 0, 100, 0.01, 0),
      field('stop', { kind: 'saturation-end', full: 1 }, 0, 100, 0.01, 1),
    ],
  };
  expect(translate(source, { dz: 5, sat: 12, lin: 50 }, target)).toEqual({
    values: { start: 0.05, stop: 0.88 },
    maxError: 0,
    atTravel: 0,
    notExpressible: [],
  });
  const curved = translate(source, { dz: 5, sat: 12, lin: 80 }, target);
  expect(curved.maxError).toBeGreaterThan(0.05);
  expect(curved.notExpressible).toEqual([{ parameter: 'curve', why: 'Plain has no field for it.' }]);
});

it('copied as they stand, a title’s numbers mean something else; translated, the pedal stays the same', () => {
  const { brake: causeway } = CAUSEWAY_DIALECTS;
  const { brake: clicks } = MILLSTONE_DIALECTS;
  const values = { deadzone: 4, saturation: 16, linearity: 10 };
  const copied = error(
    layerFromSettings(causeway, values),
    layerFromSettings(clicks, { ...values, saturation: 16, linearity: 10 }),
  );
  const { values: found, maxError } = translate(causeway, values, clicks);
  expect(copied).toBeGreaterThan(0.2);
  expect(maxError).toBeLessThan(0.03);
  expect(found).toMatchObject({ deadzone: 2 });
});

it('other settings go to their nearest value; what has no field or lies beyond its end is named', () => {
  const source: MenuSchema = {
    name: 'From',
    axis: 'force',
    fields: [
      field('rot', { kind: 'degrees', of: 'rotation' }, 180, 240, 10, 900),
      field('damp', { kind: 'fraction', of: 'damper', full: 100 }, 0, 100, 1, 0),
      field('spring', { kind: 'fraction', of: 'spring', full: 100 }, 0, 100, 1, 0),
    ],
  };
  const target: MenuSchema = {
    name: 'To',
    axis: 'force',
    fields: [
      field('turn', { kind: 'degrees', of: 'rotation' }, 180, 18, 40, 900),
      field('d', { kind: 'fraction', of: 'damper', full: 20 }, 0, 20, 1, 0),
      field('g', { kind: 'gain', of: 'gain' }, 50, 10, 10, 100),
    ],
  };
  const { values, notExpressible } = translate(source, { rot: 1080, damp: 33, spring: 5 }, target);
  expect(values).toEqual({ turn: 900, d: 7, g: 100 });
  expect(notExpressible).toEqual([
    { parameter: 'rotation', why: 'To goes no further than 900.' },
    { parameter: 'spring', why: 'To has no field for it.' },
  ]);
});
