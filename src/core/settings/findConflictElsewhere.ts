import type { Problem } from '../problem';
import { wrongTogether, type Menus } from './menus';
import { holdsIn, type Combination } from './scope';
import { effectiveSettings, fieldValues, valuesOf, type SetEvent, type TrailEvent } from './trail';

interface Elsewhere {
  /** What is on the trail now, and what would be. */
  before: readonly TrailEvent[];
  after: readonly TrailEvent[];
  changed: readonly Pick<SetEvent, 'key' | 'scope'>[];
  /** The combinations that are known beside the open one. */
  others: readonly Combination[];
  menusOf(combination: Combination): Menus;
  nameOf(combination: Combination): string;
}

/**
 * What a change would spoil in another combination: set for everyone or in every title, it meets there what is set more
 * narrowly, and the axis is left without travel. `null` where it spoils nothing.
 */
export function findConflictElsewhere({
  before,
  after,
  changed,
  others,
  menusOf,
  nameOf,
}: Elsewhere): Problem | null {
  for (const { key, scope } of changed)
    for (const other of others) {
      if (!holdsIn(scope, other)) continue;
      const menu = menusOf(other)[key.layer][key.axis];
      if (!menu) continue;
      const wrongAt = (events: readonly TrailEvent[]) =>
        wrongTogether(menu, fieldValues(valuesOf(effectiveSettings(events, other)), key.layer, key.axis));
      const then = wrongAt(after);
      // What was not sound before is not spoilt by this change.
      if (!then || wrongAt(before)) continue;
      return {
        ...then,
        message: `${nameOf(other)}: ${then.message}`,
        remedy: 'Set it for the open one alone, or change first what is set for that one.',
      };
    }
  return null;
}
