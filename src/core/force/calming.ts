import { gridCount, gridPoint } from '../response/menuSchema';
import type { Layer } from '../settings/setting';
import { keyText } from '../settings/setting';
import { chainOf, type ChainFacts } from './chainOf';
import { forceField, type ForceField, type ForceParameter } from './forceParameters';
import { FAST_MPS, ROLL_MPS, unrest, type ForceChain } from './handsOff';

/** Values of a menu that are tried in one direction. */
const MOST_TRIED = 8;

/** What one setting can do for a rim that moves by itself. */
export interface Calming {
  field: ForceField;
  to: number;
  /** Nothing moves with it; else only less does. */
  isCured: boolean;
}

/** How much a rim moves by itself, from a slow roll and at speed, from every release; 0 where nothing does. */
const unrestOf = (chain: ForceChain) => unrest(chain, ROLL_MPS) + unrest(chain, FAST_MPS);

/**
 * The nearest value of one setting with which nothing moves by itself, in one direction of its menu; where none is, the one
 * with the least movement. Tried one by one: less strength is not always calmer, nor is more damper.
 * @returns `null` where no menu has the setting, nothing moves now, or nothing that is tried moves less
 */
export function calming(
  facts: ChainFacts,
  layer: Layer,
  parameter: ForceParameter,
  direction: 'up' | 'down',
): Calming | null {
  const field = forceField(facts.menus, facts.values, layer, parameter);
  if (!field) return null;
  const now = unrestOf(chainOf(facts));
  if (now === 0) return null;
  let best: { to: number; left: number } | null = null;
  for (const to of pointsFrom(field, direction)) {
    const left = unrestOf(chainOf({ ...facts, values: { ...facts.values, [keyText(field.key)]: to } }));
    if (left < (best?.left ?? now)) best = { to, left };
    if (left === 0) break;
  }
  return best && { field, to: best.to, isCured: best.left === 0 };
}

/** Who takes more of the strength away calms a rim by doing without it. */
const LEAST_LEFT = 0.4;

/** Values of the menu beyond the present one, the nearest first, the end among them; downwards no further than is sensible. */
function pointsFrom({ field, value }: ForceField, direction: 'up' | 'down'): number[] {
  const all = Array.from({ length: gridCount(field) }, (_, i) => gridPoint(field, i));
  const beyond =
    direction === 'up'
      ? all.filter((v) => v > value)
      : all.filter((v) => v < value && v > field.min && v >= LEAST_LEFT * value).reverse();
  const count = Math.min(MOST_TRIED, beyond.length);
  return Array.from({ length: count }, (_, i) => beyond[Math.ceil(((i + 1) * beyond.length) / count) - 1]!);
}
