import { SHAPED_AXES, type ShapedAxis } from '../formats/titleJson';
import { isResponseRole, type Role } from './roles';

/** Where a field stands, in a word: on every control, on the wheel, on the pedals and levers, or for one car alone. */
export const PLACES = ['every', 'wheel', 'pedals', 'car'] as const;
export type Place = (typeof PLACES)[number];

export interface Placed {
  /** Set for every car, or for one alone. */
  layer: 'title' | 'car';
  /** The controls that have it. */
  axes: ShapedAxis[];
}

const AXES: Record<Place, readonly ShapedAxis[]> = {
  every: SHAPED_AXES,
  wheel: ['steering'],
  pedals: SHAPED_AXES.filter((axis) => axis !== 'steering'),
  car: ['steering'],
};

export const placed = (place: Place): Placed => ({
  layer: place === 'car' ? 'car' : 'title',
  axes: [...AXES[place]],
});

/** The word for where a field stands; `null` where none of them says it. */
export function placeOf({ layer, axes }: Placed): Place | null {
  const isSame = (others: readonly ShapedAxis[]) =>
    axes.length === others.length && others.every((axis) => axes.includes(axis));
  return PLACES.find((place) => placed(place).layer === layer && isSame(AXES[place])) ?? null;
}

/** Where a role usually stands. */
export const usualPlace = (role: Role): Placed =>
  placed(isResponseRole(role) ? 'every' : role === 'lock' ? 'car' : 'wheel');

/** Whether two fields stand on one control of one layer. */
export const overlap = (one: Placed, other: Placed): boolean =>
  one.layer === other.layer && one.axes.some((axis) => other.axes.includes(axis));
