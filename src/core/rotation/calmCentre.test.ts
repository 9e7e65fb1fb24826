import { NEUTRAL_LAYER } from '../response/layer';
import { LINEARITY_FIELDS } from '../testing/linearityFields';
import { calmCentre, type CalmWish } from './calmCentre';

const WISH: CalmWish = {
  wanted: 1 / 16,
  baseNowDeg: 900,
  baseField: {
    key: 'rotation',
    label: 'Rotation',
    min: 90,
    max: 1080,
    step: 10,
    neutral: 900,
    maps: { kind: 'degrees', of: 'rotation' },
  },
  linearity: LINEARITY_FIELDS.amount,
  layers: [NEUTRAL_LAYER, NEUTRAL_LAYER, NEUTRAL_LAYER],
  titleLayer: 1,
  isStretch: false,
  carDeg: 900,
  ratio: 16,
  hairpin: { radiusM: 12.5, wheelbaseM: 2.34 },
};
const road = (Math.atan(2.34 / 12.5) * 180) / Math.PI;

it('asking for what one-to-one and linear gives changes nothing', () => {
  const found = calmCentre(WISH)!;
  expect(found).toMatchObject({ baseDeg: 900, linearity: 0 });
  expect(found.centre).toBeCloseTo(1 / 16, 9);
  expect(found.hairpinDeg).toBeCloseTo(road * 16, 3);
  expect(found.fullLockDeg).toBeCloseTo(450, 3);
});

it('half as lively is met on the grid, and lock and hairpin stay within the turn', () => {
  const found = calmCentre({ ...WISH, wanted: 0.5 / 16 })!;
  expect(found.centre * 16).toBeGreaterThan(0.47);
  expect(found.centre * 16).toBeLessThan(0.53);
  expect(found.fullLockDeg).toBeLessThanOrEqual(found.baseDeg / 2);
  expect(found.hairpinDeg!).toBeGreaterThan(road * 16);
  expect(found.hairpinDeg!).toBeLessThan(found.baseDeg / 2);
});

it('a title that stretches calms by turning further; a car that cannot turn the hairpin is told', () => {
  const stretched = calmCentre({ ...WISH, isStretch: true, wanted: 0.9 / 16 })!;
  expect(stretched.centre * 16).toBeCloseTo(0.9, 1);
  expect(calmCentre({ ...WISH, carDeg: 300 })).toBeNull();
});
