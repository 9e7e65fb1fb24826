import { cardPages, writtenValue, type CardLine } from '@/core/card/setupCard';
import { keyText } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import type { CarSide } from '../model/carSide';

/** What is set for each car alone: a row a car, a column a field of the car's own menu. */
export interface CarTable {
  fields: { key: string; label: string }[];
  cars: {
    name: string;
    isOpen: boolean;
    values: Record<string, Pick<CardLine, 'isNeutral'> & { text: string }>;
  }[];
}

/** Values per car as the title's own car menus write them; the open car first. `null` where the title has no car menu. */
export function carTable(view: BookView, sides: readonly CarSide[]): CarTable | null {
  const pages = view.title.pages.filter(({ layer }) => layer === 'car');
  const all = [
    { name: view.names.car, isOpen: true, menus: view.menus, settings: view.settings },
    ...sides.map(({ car, menus, settings }) => ({ name: car.name, isOpen: false, menus, settings })),
  ].map(({ menus, settings, ...car }) => ({
    ...car,
    lines: cardPages(pages, menus, settings).flatMap(({ lines }) => lines),
  }));
  const fields = new Map<string, string>();
  for (const { lines } of all)
    for (const line of lines)
      fields.set(keyText(line.key), several(line, lines) ? `${line.axis}: ${line.label}` : line.label);
  if (fields.size === 0) return null;
  return {
    fields: [...fields].map(([key, label]) => ({ key, label })),
    cars: all.map(({ lines, ...car }) => ({
      ...car,
      values: Object.fromEntries(
        lines.map((line) => [keyText(line.key), { text: writtenValue(line), isNeutral: line.isNeutral }]),
      ),
    })),
  };
}

/** Whether several axes have a field of one name. */
const several = (line: CardLine, lines: readonly CardLine[]) =>
  lines.some(({ label, axis }) => label === line.label && axis !== line.axis);
