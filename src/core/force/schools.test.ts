import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import type { SettingValues } from '../settings/setting';
import { canonicalFacts } from './canonicalFacts';
import { chainOf, hardwareOf, type ChainFacts } from './chainOf';
import type { Smoothness } from './detail';
import { plainBase, PLAIN_TITLE } from './forceSettings';
import { handsOff, restDeg } from './handsOff';
import { smoothingAdvice, type SmoothingSchool, type SmoothPoint } from './smoothing';
import { springAdvice } from './springAdvice';

function factsOf(rig: string, values: SettingValues): ChainFacts {
  const { spec } = simulatedRigById(rig);
  const [title, car] = [titleById('causeway'), carById('marl-850')];
  return {
    car,
    rig: spec,
    rateHz: title.forceHz,
    menus: menusFor(spec, title, car),
    values,
    rotationDeg: null,
  };
}

describe('smoothing', () => {
  /** More of it is smoother and poorer; 3 is the first that is smooth enough. */
  const points = [2.8, 1.8, 1.4, 1.2, 1, 0.8].map((roughness, i): SmoothPoint => ({
    interpolation: null,
    smoothing: i,
    roughness,
    detail: 0.9 - 0.02 * i ** 2,
    shakesNm: 0.3 - 0.04 * i,
  }));
  const now = (smoothing: number): Smoothness => ({
    bands: [],
    stepsPerMin: 0,
    roughness: points[smoothing]!.roughness,
    detail: points[smoothing]!.detail,
    shakesNm: points[smoothing]!.shakesNm,
  });
  const advice = (smoothing: number, school: SmoothingSchool) =>
    smoothingAdvice(
      factsOf('tern', { 'base/steering/smoothing': smoothing }),
      points,
      now(smoothing),
      school,
    );

  it('is the least that hides the title’s steps, from above and from below', () => {
    expect(advice(0, 'smooth')).toMatchObject({ label: 'Polish', from: 0, to: 2 });
    expect(advice(5, 'smooth')).toMatchObject({ from: 5, to: 2 });
    expect(advice(2, 'smooth')).toBeNull();
  });

  it('is left where less of it would give back nothing that a hand can tell', () => {
    const flat = points.map((point) => ({ ...point, detail: 0.97 - 0.001 * point.smoothing! }));
    const facts = factsOf('tern', { 'base/steering/smoothing': 3 });
    expect(smoothingAdvice(facts, flat, { ...now(3), detail: flat[3]!.detail }, 'smooth')).toBeNull();
  });

  it('is none at all for who wants it raw', () => {
    expect(advice(3, 'raw')).toMatchObject({ from: 3, to: 0 });
    expect(advice(0, 'raw')).toBeNull();
  });

  it('for a house asleep is what shakes least at the same detail, and no more for having been taken', () => {
    const quiet = advice(0, 'quiet');
    // Two steps would take 9 % of the detail.
    expect(quiet).toMatchObject({ from: 0, to: 1, evidence: /0\.30 → 0\.26 N·m, detail .* 90 % → 88 %/ });
    expect(advice(1, 'quiet')).toBeNull();
    // Who smooths more than that is not led back to more shaking.
    expect(advice(4, 'quiet')).toBeNull();
  });

  it('is quieter by interpolation where that costs less detail, one change at a time', () => {
    const both = [1, 2, 3].flatMap((interpolation) =>
      points.map((point) => ({ ...point, interpolation, shakesNm: point.shakesNm / interpolation })),
    );
    const facts = canonicalFacts(
      {
        title: { ...PLAIN_TITLE, rateHz: 100 },
        base: plainBase(6),
        hardware: hardwareOf(simulatedRigById('tern').spec, null),
      },
      carById('marl-850'),
    );
    const found = smoothingAdvice(facts, both, now(0), 'quiet');
    expect(found).toMatchObject({ key: { field: 'interpolation' }, from: 1, to: 3 });
  });

  it('is not spoken of where the base has none', () => {
    expect(smoothingAdvice(factsOf('wren', {}), points, now(0), 'smooth')).toBeNull();
  });
});

describe('a centre spring', () => {
  const calmOf = (facts: ChainFacts) => ({ roll: handsOff(chainOf(facts), 5.5) });
  const advice = (values: SettingValues, school: 'off' | 'some') => {
    const facts = factsOf('wren', values);
    return springAdvice(facts, chainOf(facts), calmOf(facts), school);
  };

  it('is taken away for who wants none', () => {
    expect(advice({ 'title/steering/titleSpring': 20 }, 'off')).toMatchObject({
      label: 'Homing',
      from: 20,
      to: 0,
    });
    expect(advice({}, 'off')).toBeNull();
  });

  it('is the least that halves what friction leaves, and the rim does come back with it', () => {
    const facts = factsOf('wren', {});
    expect(calmOf(facts).roll.verdict).toBe('sticks');
    const found = advice({}, 'some')!;
    expect(found.to).toBeGreaterThan(0);
    const rest = (spring: number) =>
      restDeg(chainOf({ ...facts, values: { 'title/steering/titleSpring': spring } }), 5.5);
    expect(rest(found.to)).toBeLessThan(rest(0) / 2);
    expect(rest(found.to - 5)).toBeGreaterThan(rest(0) / 2);
    expect(found.evidence).toContain(`${rest(found.to).toFixed(1)}°`);
  });
});
