import fc from 'fast-check';
import type { MenuField } from '../response/menuSchema';
import { loadFirst } from './loadFirst';

const field = (key: string, more: Partial<MenuField> = {}): MenuField => ({
  ...{ key, label: key, min: 0, max: 100, step: 1, neutral: 50 },
  maps: { kind: 'percent', of: key } as unknown as MenuField['maps'],
  ...more,
});
const sides = fc
  .tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 100 }))
  .filter(([a, b]) => a !== b);

it('lies on the grid and is neither side, so that every load is heard to change something', () => {
  fc.assert(
    fc.property(sides, fc.constantFrom('damper', 'strength', 'gain'), (two, key) => {
      const first = loadFirst(field(key), two);
      expect(Number.isInteger(first) && first >= 0 && first <= 100).toBe(true);
      // Two neighbours at the very end leave nothing between them that pulls less.
      if (!(key !== 'damper' && Math.min(...two) === 0 && Math.max(...two) === 1))
        expect(two).not.toContain(first);
    }),
  );
});

it('never pulls harder than the stronger side', () => {
  fc.assert(
    fc.property(sides, fc.constantFrom('strength', 'gain', 'torqueLimit'), (two, key) => {
      expect(loadFirst(field(key, { neutral: 100 }), two)).toBeLessThanOrEqual(Math.max(...two));
    }),
  );
});

it('is neutral where it may be', () => {
  expect(loadFirst(field('damper'), [10, 20])).toBe(50);
  expect(loadFirst(field('damper'), [50, 20])).toBe(0);
  expect(loadFirst(field('strength'), [60, 75])).toBe(0);
  expect(loadFirst(field('strength'), [0, 75])).toBe(37);
});
