import { axesOf, type RigSpec } from '@/core/rig/rigSpec';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { Menu, Menus } from '@/core/settings/menus';
import { baseMenus } from './bases';
import type { ShapedAxis } from '@/core/formats/titleJson';
import type { Title } from './titles';

/** Everything that can be set on a rig, in a title, with a car. */
export function menusFor(spec: RigSpec, title: Title, car: CarSpec): Menus {
  const axes = axesOf(spec).filter((axis) => axis !== 'gear');
  const each = (menuOf: (axis: ShapedAxis) => Menu | undefined) =>
    Object.fromEntries(
      axes.flatMap((axis) => {
        const menu = menuOf(axis);
        return menu ? [[axis, menu]] : [];
      }),
    );
  const base = baseMenus(spec);
  return {
    base: each((axis) => base[axis]),
    title: each((axis) => ({ dialect: title.dialects[axis], drawsCurve: false })),
    car: each((axis) => {
      const dialect = title.carMenu[axis]?.(car.name, car.lockDeg);
      return dialect && { dialect, drawsCurve: false };
    }),
  };
}
