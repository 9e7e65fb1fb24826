import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import type { SettingValues } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import { carTable } from './carTable';

const { spec } = simulatedRigById('tern');
const title = titleById('causeway');
const of = (carId: string, settings: SettingValues) => {
  const car = carById(carId);
  return { car, settings, menus: menusFor(spec, title, car), rotationDeg: null };
};
const viewOf = (titleId: string, settings: SettingValues) => {
  const own = titleById(titleId);
  const car = carById(own.carIds[0]!);
  return {
    title: own,
    names: { car: car.name },
    menus: menusFor(spec, own, car),
    settings,
  } as unknown as BookView;
};

it('has a row for each car, the open one first, with what is set for it alone in the title’s own numbers', () => {
  const view = viewOf('causeway', {});
  const field = Object.keys(view.menus.car.steering!.dialect.fields).length;
  expect(field).toBeGreaterThan(0);
  const key = `car/steering/${view.menus.car.steering!.dialect.fields[0]!.key}`;
  const { neutral, step } = view.menus.car.steering!.dialect.fields[0]!;
  const table = carTable(view, [of('spindrift-h4', { [key]: neutral - 2 * step })])!;
  expect(table.cars.map(({ name, isOpen }) => [name, isOpen])).toEqual([
    [view.names.car, true],
    ['Spindrift H4', false],
  ]);
  expect(table.fields.map((one) => one.key)).toContain(key);
  expect(table.cars[0]!.values[key]).toMatchObject({ isNeutral: true });
  expect(table.cars[1]!.values[key]).toMatchObject({ isNeutral: false });
});

it('a title without a menu for each car has no such table', () => {
  const view = viewOf('causeway', {});
  const plain = {
    ...view,
    title: { ...view.title, pages: view.title.pages.filter(({ layer }) => layer !== 'car') },
  };
  expect(carTable(plain, [])).toBeNull();
});
