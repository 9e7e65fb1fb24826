import { gridPoint, type MenuField } from '../response/menuSchema';

/** More of these is more force in the hands: what is loaded in between is the least of it. */
const PULLS: readonly string[] = ['gain', 'strength', 'torqueLimit'];

/**
 * What a helper loads before a ride's own value, every time: the neutral value (of what pulls at the rim the least), unless that is
 * what one of the sides has. Loaded first, that side would be heard to change nothing.
 * @param sides values of A and of B
 */
export function loadFirst(field: MenuField, sides: readonly [number, number]): number {
  const middle = gridPoint(field, Math.floor(((sides[0] + sides[1]) / 2 - field.min) / field.step));
  const wanted = PULLS.includes(field.key) ? [field.min, middle] : [field.neutral, field.min, field.max];
  return wanted.find((value) => !sides.includes(value)) ?? wanted[0]!;
}
