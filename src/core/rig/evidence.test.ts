import fc from 'fast-check';
import { assumedIn, basisOn, type Evidence } from './evidence';

const ORDER = ['measured', 'described', 'assumed'] as const;
// Few words, so that the same is often said twice.
const input = fc.record({
  says: fc.constantFrom('friction', 'torque', 'delay', 'rim'),
  evidence: fc.constantFrom<Evidence>(...ORDER),
});

it('is as good as its weakest input, in any order', () => {
  fc.assert(
    fc.property(fc.array(input, { minLength: 1 }), (inputs) => {
      const basis = basisOn(...inputs);
      const has = (evidence: Evidence) => inputs.some((one) => one.evidence === evidence);
      expect(basis.evidence).toBe(ORDER.findLast(has));
      expect(basisOn(...inputs.toReversed()).evidence).toBe(basis.evidence);
      const assumed = inputs.filter(({ evidence }) => evidence === 'assumed').map(({ says }) => says);
      expect(assumedIn(basis).toSorted()).toEqual([...new Set(assumed)].toSorted());
      expect(basis.inputs).toHaveLength(new Set(inputs.map(({ says }) => says)).size);
    }),
  );
});

it('a figure that rests on nothing is none', () => {
  expect(() => basisOn()).toThrow(RangeError);
});
