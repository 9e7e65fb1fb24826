import fc from 'fast-check';
import { tabulated } from './tabulated';

it('lies within h²·max|f″|/8 of the function everywhere, and is the function beyond its end', () => {
  const [most, perUnit] = [4, 256];
  const sine = tabulated(Math.sin, most, perUnit);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 6, noNaN: true }), (x) => {
      const off = Math.abs(sine(x) - Math.sin(x));
      expect(off).toBeLessThanOrEqual(x >= most ? 0 : 1 / (8 * perUnit * perUnit) + 1e-15);
    }),
  );
});
