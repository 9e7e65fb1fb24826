import fc from 'fast-check';
import { TITLES } from '@/catalog/titles';
import { carById, simulatedRigById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { gridValue, toCanonical, type MenuField } from '../response/menuSchema';
import { chainOf } from './chainOf';
import { minForceStep, upperShare, type MinForceBounds, type MinForceTry } from './minForcePlan';

/** As menus write it: percent of a quarter, a share in fine steps, clicks. */
const FIELDS: MenuField[] = (
  [
    { min: 0, max: 100, step: 1, full: 400 },
    { min: 0, max: 0.3, step: 0.005, full: 1 },
    { min: 0, max: 20, step: 1, full: 100 },
  ] as const
).map(({ full, ...range }) => ({
  key: 'minForce',
  label: 'Least',
  ...range,
  neutral: 0,
  maps: { kind: 'fraction', of: 'minForce', full },
}));

const MOST_TRIES = 60;

/** Answers until it is over; `wrongAt` is the one answer that is given the wrong way round. */
function play(field: MenuField, bounds: MinForceBounds, threshold: number, wrongAt = -1) {
  const tries: MinForceTry[] = [];
  let step = minForceStep(field, bounds, tries);
  while (step.kind === 'try') {
    if (tries.length > MOST_TRIES) throw new Error('it does not end');
    expect(step.value).toBeLessThanOrEqual(gridValue(field, bounds.upper, 'atMost') + 1e-9);
    const truth = toCanonical(field, step.value) > threshold;
    tries.push({ value: step.value, rocks: tries.length === wrongAt ? !truth : truth });
    step = minForceStep(field, bounds, tries);
  }
  return { tries, end: step };
}

const anyField = fc.constantFrom(...FIELDS);
const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });

it('finds the greatest value that stays still, whatever was predicted, in every title’s own steps', () => {
  fc.assert(
    fc.property(
      anyField,
      share(0.02, 0.25),
      share(0, 0.3),
      fc.option(share(0, 0.3)),
      (field, upper, threshold, predicted) => {
        const { tries, end } = play(field, { predicted, upper }, threshold);
        const top = gridValue(field, upper, 'atMost');
        if (end.kind !== 'found') throw new Error('a rim that is still without it is found still');
        expect(toCanonical(field, end.value)).toBeLessThanOrEqual(threshold + 1e-12);
        if (end.value < top) expect(toCanonical(field, end.value + field.step)).toBeGreaterThan(threshold);
        // A prediction that is wrong costs confirmations, never more than twice the halving and a few.
        expect(tries.length).toBeLessThanOrEqual(
          3 * Math.ceil(Math.log2((top - field.min) / field.step + 2)) + 4,
        );
      },
    ),
  );
});

it('is there at once where the prediction holds', () => {
  const field = FIELDS[0]!;
  const { tries, end } = play(field, { predicted: 0.08, upper: 0.25 }, 0.081);
  expect(tries[0]!.value).toBe(32);
  expect(end).toEqual({ kind: 'found', value: 32 });
  expect(tries.length).toBeLessThanOrEqual(5);
});

it('one mistaken answer drives it neither up to the bound nor down to nothing', () => {
  fc.assert(
    fc.property(
      anyField,
      share(0.04, 0.12),
      share(0.9, 1.1),
      fc.integer({ min: 0, max: 12 }),
      (field, threshold, off, wrongAt) => {
        const predicted = threshold * off;
        const { end } = play(field, { predicted, upper: 0.25 }, threshold, wrongAt);
        if (end.kind !== 'found') throw new Error('one mistake made it rock without any');
        const value = toCanonical(field, end.value);
        const step = toCanonical(field, field.min + field.step);
        // Beyond the safe bound two answers say still, and one of them would be true.
        expect(value).toBeLessThanOrEqual(Math.max(threshold, 1.25 * predicted) + step);
        expect(value).toBeGreaterThanOrEqual(0.6 * Math.min(threshold, predicted) - 2 * step);
      },
    ),
    { numRuns: 500 },
  );
});

it('says so where even the least rocks', () => {
  for (const predicted of [null, 0, 0.1])
    expect(play(FIELDS[0]!, { predicted, upper: 0.25 }, -1).end).toEqual({ kind: 'never-still' });
});

it('never goes beyond a bound over the friction of every rig, gentle on a strong base', () => {
  const [car, title] = [carById('marl-850'), TITLES[0]!];
  const start = (id: string) => {
    const { spec } = simulatedRigById(id);
    const facts = {
      car,
      rig: spec,
      rateHz: 100,
      menus: menusFor(spec, title, car),
      values: {},
      rotationDeg: null,
    };
    const chain = chainOf(facts);
    return {
      share: upperShare(chain),
      nm: upperShare(chain) * chain.base.strength * chain.hardware.ratedNm,
      chain,
    };
  };
  expect(start('wren').share).toBe(0.25);
  for (const id of ['wren', 'tern', 'gannet']) {
    const { nm, chain } = start(id);
    expect(nm).toBeGreaterThan(1.5 * chain.hardware.frictionNm);
    expect(nm).toBeLessThanOrEqual(0.6 + 1e-9);
  }
});
