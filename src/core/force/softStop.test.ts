import fc from 'fast-check';
import { toCanonical, type MenuField } from '../response/menuSchema';
import { softStop } from './softStop';

const field: MenuField = {
  ...{ key: 'softStop', label: 'Fence', min: 0, max: 10, step: 1, neutral: 5 },
  maps: { kind: 'fraction', of: 'softStop', full: 10 },
};
const torque = fc.double({ min: 0.1, max: 25, noNaN: true });

it('is the first step of the menu that pushes half again as hard as corners, where one does', () => {
  fc.assert(
    fc.property(torque, torque, (cornerNm, mostNm) => {
      const { to, wantedNm } = softStop(field, cornerNm, mostNm);
      expect(wantedNm).toBeCloseTo(1.5 * cornerNm, 9);
      if (to === null) return expect(mostNm).toBeLessThan(wantedNm);
      expect(toCanonical(field, to) * mostNm).toBeGreaterThanOrEqual(wantedNm - 1e-9);
      if (to > field.min) expect(toCanonical(field, to - 1) * mostNm).toBeLessThan(wantedNm);
    }),
  );
});

it('is told of a base and a car', () => {
  expect(softStop(field, 2, 6)).toEqual({ to: 5, wantedNm: 3, mostNm: 6 });
  expect(softStop(field, 5, 6)).toMatchObject({ to: null, wantedNm: 7.5 });
});
