import fc from 'fast-check';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { readPackJson, writePackJson } from '../formats/packJson';
import { respond } from '../response/compose';
import { gridCount, gridPoint } from '../response/dialect';
import { transferSettings, hardwareDiffers, setAxesOf } from './transferSettings';
import { checkChange, responseLayers, type Menus } from './menus';
import { keyText, type SettingValues } from './setting';

const menusOf = (rig: string, title: string, car: string) =>
  menusFor(simulatedRigById(rig).spec, titleById(title), carById(car));
const GANNET = menusOf('gannet', 'hill-and-hollow', 'spindrift-h4');
const WREN = menusOf('wren', 'causeway', 'marl-850');

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
    { numRuns: 30 },
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
    { numRuns: 12 },
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

it('says for which hardware numbers were made', () => {
  const wren = { drive: 'gear driven', torqueNm: 2.2, maxRotationDeg: 900 };
  const gannet = { drive: 'direct drive', torqueNm: 14, maxRotationDeg: null };
  expect(hardwareDiffers(gannet, wren)).toBe(
    'made on 14 N·m direct drive; yours is 2.2 N·m gear driven up to 900°',
  );
  expect(hardwareDiffers(wren, wren)).toBeNull();
});
