import { NEUTRAL_LAYER } from '../response/layer';
import { LINEARITY_FIELDS } from '../testing/linearityFields';
import { respond } from '../response/compose';
import { gridCount, gridPoint, toCanonical } from '../response/menuSchema';
import { curveOf } from '../response/settings';
import { calmCentre, settingAt, type CalmWish } from './calmCentre';

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

it('full lock is where the car’s bump stop is, or the end of the base where it never comes there', () => {
  expect(settingAt(WISH, 1080, 0).fullLockDeg).toBeCloseTo(450, 5);
  expect(settingAt(WISH, 540, 0).fullLockDeg).toBe(270);
});

it('a hairpin that the base does not reach has no hand angle, though the car could', () => {
  expect(settingAt(WISH, 90, 0).hairpinDeg).toBeNull();
  expect(settingAt(WISH, 360, 0).hairpinDeg).toBeCloseTo(road * 16, 5);
});

it('only the title bends; what the other layers do stays', () => {
  const layers = [
    { ...NEUTRAL_LAYER, deadzone: 0.004 },
    NEUTRAL_LAYER,
    { ...NEUTRAL_LAYER, saturation: 0.9 },
  ];
  const [base, title, car] = layers;
  const curve = curveOf(WISH.linearity, toCanonical(WISH.linearity, 40));
  const share = respond([base!, { ...title!, curve }, car!], 10 / 450);
  expect(settingAt({ ...WISH, layers }, 900, 40).centre).toBeCloseTo((share * 450) / 16 / 10, 12);
});

it('a direct title is never turned less than the car; one that stretches may be', () => {
  expect(calmCentre({ ...WISH, baseNowDeg: 540 })!.baseDeg).toBe(900);
  expect(calmCentre({ ...WISH, isStretch: true, baseNowDeg: 540, wanted: 1.6 / 16 })!.baseDeg).toBeLessThan(
    900,
  );
});

it.each([
  ['livelier, in a title that stretches', { isStretch: true, wanted: 1.3 / 16 }],
  ['calmer, from a base that turns less', { isStretch: true, baseNowDeg: 600, wanted: 0.8 / 16 }],
  ['much calmer, by the exponent itself', { linearity: LINEARITY_FIELDS.exponent, wanted: 0.6 / 16 }],
])('nothing on the grid costs less: %s', (_, change) => {
  const wish = { ...WISH, ...change };
  const { baseField, linearity } = wish;
  /** The miss, and two hundredths of how much of either range is changed. */
  const cost = (baseDeg: number, bend: number) => {
    const { centre, hairpinDeg } = settingAt(wish, baseDeg, bend);
    const turned = Math.abs(baseDeg - wish.baseNowDeg) / 1080;
    const bent = Math.abs(bend - linearity.neutral) / (linearity.max - linearity.min);
    return hairpinDeg === null ? Infinity : Math.abs(centre / wish.wanted - 1) + 0.02 * (turned + bent);
  };
  const found = calmCentre(wish)!;
  let least = Infinity;
  for (let p = 0; p < gridCount(baseField); p++)
    for (let l = 0; l < gridCount(linearity); l++) {
      const baseDeg = gridPoint(baseField, p);
      if (wish.isStretch || baseDeg >= wish.carDeg)
        least = Math.min(least, cost(baseDeg, gridPoint(linearity, l)));
    }
  expect(cost(found.baseDeg, found.linearity)).toBeCloseTo(least, 12);
});
