import fc from 'fast-check';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { readPackJson, writePackJson } from '../formats/packJson';
import { respond } from '../response/compose';
import { gridCount, gridPoint } from '../response/menuSchema';
import { transferSettings, hardwareDiffers, setAxesOf } from './transferSettings';
import { checkChange, responseLayers, type Menus } from './menus';
import { keyText, type SettingValues } from './setting';
import { tries } from '../testing/longRun';

const menusOf = (rig: string, title: string, car: string) =>
  menusFor(simulatedRigById(rig).spec, titleById(title), carById(car));
const GANNET = menusOf('gannet', 'hill-and-hollow', 'spindrift-h4');
const WREN = menusOf('wren', 'causeway', 'marl-850');

const TITLE_BRAKE = titleById('hill-and-hollow').dialects.brake!;

/** Legal values on the grid for the brake and the steering on every layer. */
const valuesFor = (menus: Menus) =>
  fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 8 }).map((picks) => {
    const fields = (['base', 'title', 'car'] as const).flatMap((layer) =>
      (['brake', 'steering'] as const).flatMap((axis) =>
        (menus[layer][axis]?.dialect.fields ?? []).map((field) => ({
          key: { layer, axis, field: field.key },
          field,
        })),
      ),
    );
    let values: SettingValues = {};
    for (const [which, index] of picks) {
      const { key, field } = fields[which % fields.length]!;
      const checked = checkChange(menus, values, key, gridPoint(field, index % gridCount(field)));
      if (checked.ok) values = checked.value;
    }
    return values;
  });

const taken = (values: SettingValues, carried: ReturnType<typeof transferSettings>) => ({
  ...values,
  ...Object.fromEntries(carried.flatMap(({ items }) => items.map((item) => [keyText(item.key), item.to]))),
});

it('into the same menus everything comes across exactly, and nothing is lost', () => {
  fc.assert(
    fc.property(valuesFor(GANNET), valuesFor(GANNET), (there, here) => {
      const carried = transferSettings(setAxesOf(GANNET, there), GANNET, here);
      expect(carried.flatMap((axis) => axis.notExpressible)).toEqual([]);
      expect(Math.max(...carried.map((axis) => axis.maxError))).toBe(0);
      const again = transferSettings(setAxesOf(GANNET, there), GANNET, taken(here, carried));
      expect(again.flatMap((axis) => axis.items)).toEqual([]);
    }),
    { numRuns: tries(12, 30) },
  );
});

it('into another title the curve of each layer is within the error that is reported', () => {
  fc.assert(
    fc.property(valuesFor(GANNET), (there) => {
      const carried = transferSettings(setAxesOf(GANNET, there), WREN, {});
      const brake = carried.find((axis) => axis.axis === 'brake' && axis.layer === 'title')!;
      const here = taken({}, [brake]);
      const [, source] = responseLayers(GANNET, there, 'brake');
      const [, target] = responseLayers(WREN, here, 'brake');
      for (let i = 0; i <= 200; i++)
        expect(Math.abs(respond([source!], i / 200) - respond([target!], i / 200))).toBeLessThanOrEqual(
          brake.maxError + 1e-12,
        );
    }),
    { numRuns: tries(5, 12) },
  );
});

it('what has no place here is named: a base without the menu, a car without it, a rotation beyond the end', () => {
  const there = {
    'base/brake/deadzone': 5,
    'base/throttle/points': [
      [0, 0],
      [0.5, 0.3],
      [1, 1],
    ] as [number, number][],
    'base/steering/rotation': 1800,
    'car/throttle/linearity': 0.5,
  };
  const carried = transferSettings(setAxesOf(GANNET, there), WREN, {});
  const lost = carried.flatMap(({ layer, axis, notExpressible }) =>
    notExpressible.map(({ parameter }) => `${layer} ${axis} ${parameter}`),
  );
  expect(lost.sort()).toEqual([
    'base brake all of it',
    'base steering rotation',
    'base throttle all of it',
    'car throttle all of it',
  ]);
  const rotation = carried.find((axis) => axis.layer === 'base' && axis.axis === 'steering')!;
  // 900 is the neutral there and the end of what the Wren turns: nothing needs to be set.
  expect(rotation.items).toEqual([]);
});

it('a pack goes out and comes back as it was; one that is not sound is refused with its place', () => {
  const pack = {
    name: 'Late brakes',
    rig: 'Gannet',
    title: 'Hill & Hollow',
    car: 'Spindrift H4',
    driver: 'Noon shift',
    hardware: { drive: 'direct drive', torqueNm: 14, maxRotationDeg: 2520 },
    settings: setAxesOf(GANNET, { 'title/brake/deadzone': 0.05 }),
    provenance: [{ setting: 'title/brake/deadzone', value: '0.05', why: 'drags', atMs: 1 }],
    calibration: ['Brake: raw 1 to 2.'],
    notes: '',
  };
  const text = writePackJson(pack);
  expect(readPackJson(text)).toEqual({ ok: true, value: pack });
  const refused = (from: string, to: string) => {
    const read = readPackJson(text.replace(from, to));
    return read.ok ? '' : `${read.problems[0]!.code} ${read.problems[0]!.place.column ?? ''}`;
  };
  expect(refused('"version": 1', '"version": 9')).toBe('newer-version version');
  expect(refused('"notes"', '"note"')).toMatch(/^(unknown-key|missing-key) note/);
  expect(refused('"deadzone": 0.05', '"deadzone": 7')).toMatch(/^out-of-range settings\[\d+\]\.values/);
  expect(refused('"layer": "title"', '"layer": "roof"')).toMatch(/^invalid-value settings\[\d+\]\.layer/);
});

const hardwareOf = (rig: string) => {
  const { drive, torqueNm, maxRotationDeg } = simulatedRigById(rig).spec.base;
  return { drive, torqueNm, maxRotationDeg };
};
const itemsOf = (carried: ReturnType<typeof transferSettings>) =>
  Object.fromEntries(
    carried.flatMap(({ items }) =>
      items.map(({ key, to, doubt }) => [keyText(key), { to, isSure: doubt === null }]),
    ),
  );
const lostOf = (carried: ReturnType<typeof transferSettings>) =>
  carried.flatMap(({ notExpressible }) => notExpressible.map(({ why }) => why)).join(' ');

describe('onto another base', () => {
  const transfer = { from: hardwareOf('gannet'), to: hardwareOf('tern'), isWhole: true };
  const TERN = menusOf('tern', 'hill-and-hollow', 'spindrift-h4');

  it('the torque at the rim is what is kept: strength times rated torque, to half a step', () => {
    for (let percent = 1; percent <= 100; percent++) {
      const carried = transferSettings(
        setAxesOf(GANNET, { 'base/steering/strength': percent }),
        TERN,
        {},
        transfer,
      );
      const nm = (percent / 100) * 14;
      const to = itemsOf(carried)['base/steering/strength'];
      if (nm > 5.5) {
        expect(to).toBeUndefined();
        expect(lostOf(carried)).toContain(`gave ${nm.toFixed(1)} N·m there; yours ends at 5.5`);
        continue;
      }
      const here = typeof to?.to === 'number' ? to.to : 100;
      // The Tern begins at a tenth of its power, and goes in steps of a twentieth.
      if (nm >= 0.55) expect(Math.abs((here / 100) * 5.5 - nm)).toBeLessThanOrEqual(0.025 * 5.5 + 1e-9);
    }
  });

  it('between any two bases that were described it is kept to half a step, where it can be said at all', () => {
    const scale = fc.record({
      torqueNm: fc.double({ min: 1, max: 30, noNaN: true }),
      full: fc.constantFrom(1, 10, 20, 100, 200),
      steps: fc.integer({ min: 5, max: 100 }),
      first: fc.integer({ min: 0, max: 3 }),
    });
    const described = ({
      torqueNm,
      full,
      steps,
      first,
    }: {
      torqueNm: number;
      full: number;
      steps: number;
      first: number;
    }) => {
      const step = full / steps;
      const field = {
        ...{ key: 'strength', label: 'Power', min: first * step, max: full, step, neutral: full },
        maps: { kind: 'fraction' as const, of: 'strength', full },
      };
      const { spec } = simulatedRigById('tern');
      const program = { name: 'Own', steering: [field], axes: [], fields: [] };
      const own = { ...spec, base: { ...spec.base, torqueNm, program } };
      const menus = menusFor(own, titleById('hill-and-hollow'), carById('spindrift-h4'));
      return { field, menus, torqueNm, hardware: { drive: 'x', torqueNm, maxRotationDeg: null } };
    };
    fc.assert(
      fc.property(scale, scale, fc.nat(), (a, b, pick) => {
        const [there, here] = [described(a), described(b)];
        const value = gridPoint(there.field, pick % gridCount(there.field));
        const nm = (value / a.full) * a.torqueNm;
        const carried = transferSettings(
          setAxesOf(there.menus, { 'base/steering/strength': value }),
          here.menus,
          {},
          { from: there.hardware, to: here.hardware, isWhole: true },
        );
        const to = itemsOf(carried)['base/steering/strength']?.to;
        if (nm > b.torqueNm) return expect(to).toBeUndefined();
        if (nm < (here.field.min / b.full) * b.torqueNm) return;
        const found = ((typeof to === 'number' ? to : here.field.neutral) / b.full) * b.torqueNm;
        expect(Math.abs(found - nm)).toBeLessThanOrEqual((0.5 * b.torqueNm) / b.steps + 1e-9);
      }),
    );
  });

  it('friction decides the minimum force: it is never carried, and one that was found here never overwritten', () => {
    const there = setAxesOf(GANNET, { 'title/steering/minForce': 0.05, 'title/steering/gain': 1.2 });
    const carried = transferSettings(there, TERN, { 'title/steering/minForce': 0.03 }, transfer);
    expect(itemsOf(carried)).not.toHaveProperty('title/steering/minForce');
    expect(lostOf(carried)).toContain('Lift lifts over the friction of that base');
    // On the same base it can be, but nobody has ticked it.
    const same = { from: transfer.to, to: transfer.to, isWhole: true };
    const within = itemsOf(transferSettings(there, TERN, { 'title/steering/minForce': 0.03 }, same));
    expect(within['title/steering/minForce']).toMatchObject({ isSure: false });
    expect(itemsOf(transferSettings(there, TERN, {}, same))['title/steering/minForce']).toMatchObject({
      isSure: true,
    });
  });

  it('nothing is sure whose effect depends on the base', () => {
    const there = {
      'title/steering/gain': 1.2,
      'title/steering/titleDamper': 0.5,
      'title/steering/roadEffect': 0.8,
    };
    const items = itemsOf(transferSettings(setAxesOf(GANNET, there), TERN, {}, transfer));
    expect(items['title/steering/gain']).toMatchObject({ isSure: false });
    expect(items['title/steering/titleDamper']).toMatchObject({ isSure: false });
    // A share of the signal is one anywhere.
    expect(items['title/steering/roadEffect']).toMatchObject({ isSure: true });
  });
});

it('what nobody typed is not known, and stays as it is here', () => {
  const dialect = TITLE_BRAKE;
  const typed = {
    layer: 'title' as const,
    axis: 'brake' as const,
    dialect,
    values: { deadzone: 0.05 },
    points: null,
  };
  const here = { 'title/brake/linearity': 30, 'title/brake/saturation': 12 };
  const transfer = { from: hardwareOf('gannet'), to: hardwareOf('wren'), isWhole: false };
  const items = itemsOf(transferSettings([typed], WREN, here, transfer));
  expect(Object.keys(items)).toEqual(['title/brake/deadzone']);
  // From a whole book the rest is known to be neutral.
  const whole = itemsOf(transferSettings([typed], WREN, here, { ...transfer, isWhole: true }));
  expect(Object.keys(whole).sort()).toEqual([
    'title/brake/deadzone',
    'title/brake/linearity',
    'title/brake/saturation',
  ]);
});

it('says for which hardware numbers were made', () => {
  const wren = { drive: 'gear driven', torqueNm: 2.2, maxRotationDeg: 900 };
  const gannet = { drive: 'direct drive', torqueNm: 14, maxRotationDeg: null };
  expect(hardwareDiffers(gannet, wren)).toBe(
    'made on 14 N·m direct drive; yours is 2.2 N·m gear driven up to 900°',
  );
  expect(hardwareDiffers(wren, wren)).toBeNull();
});
