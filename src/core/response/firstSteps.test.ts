import fc from 'fast-check';
import { firstSteps } from './firstSteps';
import type { ResponseLayer } from './layer';

const layer = (deadzone: number, gamma: number): ResponseLayer => ({
  deadzone,
  saturation: 1,
  curve: { kind: 'power', gamma },
});

it('gives one level each where nothing is shaped', () => {
  const steps = firstSteps([layer(0, 1)], 255, 10);
  expect(steps).toHaveLength(11);
  expect(steps[0]).toEqual({ at: 0, out: 0 });
  expect(steps[10]!.out).toBeCloseTo(10 / 255, 12);
});

it('starts just before the first level that gives anything, and never steps down', () => {
  const share = fc.double({ min: 0, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(
      share,
      fc.double({ min: 0.2, max: 5, noNaN: true }),
      fc.integer({ min: 8, max: 65535 }),
      (d, gamma, levels) => {
        const steps = firstSteps([layer(d, gamma)], levels, 20);
        expect(steps[0]!.out).toBe(0);
        // A very calm curve may need more than these levels to leave zero; a linear one never does.
        if (gamma <= 1) expect(steps.at(-1)!.out).toBeGreaterThan(0);
        steps.slice(1).forEach((step, i) => expect(step.out).toBeGreaterThanOrEqual(steps[i]!.out));
      },
    ),
  );
});
