import fc from 'fast-check';
import { TITLES } from '@/catalog/titles';
import { carById, simulatedRigById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { gridValue, toCanonical, type DialectField } from '../response/dialect';
import { chainOf } from './chainOf';
import { minForceStep, upperShare, type MinForceTry } from './minForcePlan';

/** As menus write it: percent of a quarter, a share in fine steps, clicks. */
const FIELDS: DialectField[] = (
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

it('finds the greatest value that stays still, in every title’s own steps and few tries', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...FIELDS),
      fc.double({ min: 0.02, max: 0.25, noNaN: true }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      (field, upperTo, threshold) => {
        const upper = gridValue(field, upperTo, 'atMost');
        const tries: MinForceTry[] = [];
        let step = minForceStep(field, upperTo, tries);
        while (step.kind === 'try') {
          expect(tries.map(({ value }) => value)).not.toContain(step.value);
          tries.push({ value: step.value, rocks: toCanonical(field, step.value) > threshold });
          step = minForceStep(field, upperTo, tries);
        }
        const steps = (upper - field.min) / field.step + 1;
        expect(tries.length).toBeLessThanOrEqual(Math.ceil(Math.log2(steps)) + 1);
        if (step.kind !== 'found') throw new Error('a rim that is still without it is found still');
        expect(toCanonical(field, step.value)).toBeLessThanOrEqual(threshold + 1e-12);
        const above = step.value + field.step;
        if (step.value < upper) expect(toCanonical(field, above)).toBeGreaterThan(threshold);
      },
    ),
  );
});

it('says so where even the least rocks', () => {
  const field = FIELDS[0]!;
  const tries: MinForceTry[] = [];
  let step = minForceStep(field, 0.25, tries);
  while (step.kind === 'try') {
    tries.push({ value: step.value, rocks: true });
    step = minForceStep(field, 0.25, tries);
  }
  expect(step).toEqual({ kind: 'never-still' });
});

it('starts over the friction of every rig, and lets no strong base pull hard to begin with', () => {
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
