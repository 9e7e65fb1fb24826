import fc from 'fast-check';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { sortedQuantile } from '../numeric/order';
import { readDialectJson } from '../formats/dialectJson';
import type { MenuSchema } from '../response/menuSchema';
import type { Menus } from '../settings/menus';
import { SMALL_PLAN } from '../testing/smallWorld';
import { chainOf, type ChainFacts } from './chainOf';
import { effectsUnscaledByGain, couplingsOf, deadControls } from './coupling';
import { gainAdvice } from './forceAdvice';
import { forceField } from './forceParameters';
import { driveForForce } from './forceQuestions';
import { judgeForce } from './judgeForce';
import { gainThen } from './loggedCar';
import { titleSignal } from './titleSignal';

const { spec } = simulatedRigById('tern');
const [title, car] = [titleById('causeway'), carById('marl-850')];
const plain = menusFor(spec, title, car);

/** The same menus, where some effects of the title stand beside its gain. */
function beside(...keys: string[]): Menus {
  const dialect = plain.title.steering!.dialect;
  const fields = dialect.fields.map((field) =>
    keys.includes(field.key) ? { ...field, apart: true as const } : field,
  );
  return {
    ...plain,
    title: { ...plain.title, steering: { ...plain.title.steering!, dialect: { ...dialect, fields } } },
  };
}
const factsOf = (menus: Menus, gain: number): ChainFacts => ({
  ...{ car, rig: spec, rateHz: 100, menus, rotationDeg: null },
  values: { 'title/steering/gain': gain, 'title/steering/roadEffect': 60, 'title/steering/kerbEffect': 80 },
});
const ride = driveForForce({ ...SMALL_PLAN, car }, 100);
const kerbs = beside('kerbEffect', 'roadEffect');

it('what stands beside the gain is as strong at any of it, down to none; the tyres follow it', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100 }), (gain) => {
      const at = (menus: Menus, value: number) => {
        const { title } = chainOf(factsOf(menus, value));
        return {
          gain: title.gain,
          kerb: title.gain * title.effects.kerb,
          slip: title.gain * title.effects.slip,
        };
      };
      expect(at(kerbs, gain).kerb).toBeCloseTo(at(kerbs, 50).kerb, 9);
      expect(at(plain, gain).kerb).toBeCloseTo((gain / 50) * at(plain, 50).kerb, 9);
      expect(at(kerbs, gain).slip).toBeCloseTo(at(plain, gain).slip, 9);
      expect(at(kerbs, gain).gain).toBeCloseTo(at(plain, gain).gain, 5);
    }),
  );
});

it('is heard in the signal as such', () => {
  const partsAt = (gain: number) => {
    const { title } = chainOf(factsOf(kerbs, gain));
    const { main, effects } = titleSignal(ride.inputs, car, title, ride.seed);
    const rms = (values: Float64Array) =>
      title.gain * Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length);
    return { tyres: rms(main), road: rms(effects.road) };
  };
  const [half, all] = [partsAt(25), partsAt(50)];
  expect(half.road).toBeGreaterThan(0);
  expect(half.road).toBeCloseTo(all.road, 9);
  expect(half.tyres).toBeCloseTo(all.tyres / 2, 9);
});

it('another gain is judged as if it had been driven', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 100 }), fc.integer({ min: 5, max: 100 }), (now, other) => {
      const judged = judgeForce(ride.inputs, chainOf(factsOf(kerbs, now)), ride.seed);
      const chain = chainOf(factsOf(kerbs, other));
      const there = judgeForce(ride.inputs, chain, ride.seed);
      const { signal, sorted } = judged.at!(chain.title.gain);
      expect(
        Math.max(...signal.level.map((level, i) => Math.abs(level - there.signal.level[i]!))),
      ).toBeLessThan(1e-9);
      expect(sorted.at(-1)).toBeCloseTo(there.sorted.at(-1)!, 9);
    }),
    { numRuns: 15 },
  );
});

it('the advised gain is the last that keeps every peak, when it is set', () => {
  const GAIN = 'car/steering/gain';
  for (const gain of [40, 50, 62]) {
    const facts = factsOf(kerbs, gain);
    const judgedAt = (own: number) => {
      const chain = chainOf({ ...facts, values: { ...facts.values, [GAIN]: own } });
      const { sorted } = judgeForce(ride.inputs, chain, ride.seed);
      return chain.title.gain * sortedQuantile(sorted, 0.9999);
    };
    const chain = chainOf(facts);
    const advice = gainAdvice(facts, chain, judgeForce(ride.inputs, chain, ride.seed), 'none')!;
    const { field } = forceField(facts.menus, facts.values, 'car', 'gain')!;
    expect(advice.key.layer).toBe('car');
    if (advice.to > field.min) expect(judgedAt(advice.to)).toBeLessThanOrEqual(1);
    if (advice.to < field.max) expect(judgedAt(advice.to + field.step)).toBeGreaterThan(1);
  }
});

it('a log that was driven at no gain tells nothing of it, whatever stood beside', () => {
  const gainOf = (menus: Menus, gain: number) =>
    gainThen(factsOf(menus, gain), { settings: factsOf(menus, gain).values });
  expect(gainOf(kerbs, 0)).toBe(0);
  expect(gainOf(plain, 0)).toBe(0);
  expect(gainOf(kerbs, 50)).toBe(gainOf(plain, 50));
});

it('is no coupling, and is not dead where the gain is none', () => {
  expect(effectsUnscaledByGain(kerbs).toSorted()).toEqual(['kerb', 'road']);
  expect(couplingsOf(plain).length - couplingsOf(kerbs).length).toBe(2);
  const { values } = factsOf(kerbs, 0);
  const dead = (menus: Menus) =>
    deadControls(
      ({ layer, parameter }) => forceField(menus, values, layer, parameter)?.canonical ?? null,
      couplingsOf(menus),
    ).map(({ dead: { parameter } }) => parameter);
  expect(dead(plain)).toEqual(expect.arrayContaining(['kerbEffect', 'roadEffect']));
  expect(dead(kerbs)).not.toContain('kerbEffect');
  expect(dead(kerbs)).not.toContain('roadEffect');
});

it('a file that says it of anything else is refused', () => {
  const dialect = (apart: object, of: string): MenuSchema & { format: string; version: number } => ({
    ...{ format: 'pebble-road/dialect', version: 1, name: 'Low Ferry', axis: 'steering' },
    fields: [
      {
        ...{ key: of, label: 'Shake', min: 0, max: 100, step: 1, neutral: 0 },
        maps: { kind: 'fraction', of, full: 100 },
        ...apart,
      },
    ],
  });
  const read = (...args: Parameters<typeof dialect>) => readDialectJson(JSON.stringify(dialect(...args)));
  expect(read({ apart: true }, 'kerbEffect')).toMatchObject({
    ok: true,
    value: { fields: [{ apart: true }] },
  });
  expect(read({ apart: true }, 'minForce')).toMatchObject({
    ok: false,
    problems: [{ code: 'not-an-effect', place: { column: 'fields[0].apart' } }],
  });
  expect(read({ apart: false }, 'kerbEffect').ok).toBe(false);
});
