import fc from 'fast-check';
import { assumedIn, basisOn, type Evidence } from './evidence';

const ORDER = ['measured', 'described', 'assumed'] as const;
const input = fc.record({ says: fc.string({ minLength: 1 }), evidence: fc.constantFrom<Evidence>(...ORDER) });

it('is as good as its weakest input, in any order', () => {
  fc.assert(
    fc.property(fc.array(input, { minLength: 1 }), (inputs) => {
      const basis = basisOn(...inputs);
      const has = (evidence: Evidence) => inputs.some((one) => one.evidence === evidence);
      expect(basis.evidence).toBe(ORDER.findLast(has));
      expect(basisOn(...inputs.toReversed()).evidence).toBe(basis.evidence);
      expect(assumedIn(basis)).toHaveLength(inputs.filter(({ evidence }) => evidence === 'assumed').length);
    }),
  );
});

it('a figure that rests on nothing is none', () => {
  expect(() => basisOn()).toThrow(RangeError);
});
