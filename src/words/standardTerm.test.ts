import { baseMenus } from '@/catalog/bases';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { TITLES } from '@/catalog/titles';
import { carById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { parameterOf } from '@/core/response/menuSchema';
import { LAYERS } from '@/core/settings/setting';
import { termBeside, termOf } from './standardTerm';

const fields = SIMULATED_RIGS.flatMap(({ spec }) =>
  TITLES.flatMap((title) =>
    title.carIds.flatMap((id) =>
      LAYERS.flatMap((layer) =>
        Object.values(menusFor(spec, title, carById(id))[layer]).flatMap(({ dialect }) => dialect.fields),
      ),
    ),
  ),
);

it('every field of every menu of the catalogue has a standard term', () => {
  for (const { key, maps } of fields)
    if (termOf(parameterOf(maps)) === null) throw new Error(`${key} has no standard term`);
});

it('stands beside a label that says something else, and not beside itself', () => {
  expect(termBeside({ label: 'Ebb', maps: { kind: 'deadzone-amount', full: 100 } })).toBe('dead zone');
  expect(termBeside({ label: 'Dead zone', maps: { kind: 'deadzone-amount', full: 100 } })).toBeNull();
  expect(termBeside({ label: 'Anything', maps: { kind: 'fraction', of: 'unheard', full: 1 } })).toBeNull();
});

it('no made-up title names the three rows of an axis as the field does, nor any base its bands by their hertz', () => {
  const labels = (menu: { label: string }[]) => menu.map(({ label }) => label.toLowerCase());
  for (const { dialects } of TITLES)
    for (const term of ['dead zone', 'deadzone', 'saturation', 'linearity'])
      expect(labels(dialects.brake.fields)).not.toContain(term);
  for (const { spec } of SIMULATED_RIGS)
    for (const menu of Object.values(baseMenus(spec)))
      expect(labels(menu.dialect.fields).join(' ')).not.toMatch(/\d+ hz|title damper|title spring/);
  // Each of Causeway's three has a scale of its own.
  const [a, b, c] = TITLES[0]!.dialects.brake.fields;
  expect(new Set([a!.max, b!.max, c!.max]).size).toBe(3);
});
