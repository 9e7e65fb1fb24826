import { keyText } from '@/core/settings/setting';
import type { CardLine } from '@/core/card/setupCard';
import type { BookView } from '../model/bookView';
import { cardOf } from './card';

export interface LineToType extends CardLine {
  /** Where it is found in the menus. */
  path: string;
}

/**
 * The card as it is typed in: what changed since the title last held it (never typed in: what is away from its neutral), and
 * the rest, which stands as it was.
 */
export function cardToType(view: BookView): { changed: LineToType[]; rest: LineToType[] } {
  const lines = cardOf(view).pages.flatMap(({ path, lines }) => lines.map((line) => ({ ...line, path })));
  const changed = view.typedIn && new Set(view.typedIn.changed);
  const isChanged = (line: CardLine) => (changed ? changed.has(keyText(line.key)) : !line.isNeutral);
  return { changed: lines.filter(isChanged), rest: lines.filter((line) => !isChanged(line)) };
}
