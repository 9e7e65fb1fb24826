import type { RotationSetting } from '../rotation/matchRotation';
import { degreesField, type Menus } from './menus';
import type { Layer, SettingValues } from './setting';

/** Rotation of base, title and car as they are set, and which of the three can be set at all. */
export interface RotationInForce extends RotationSetting {
  /** The car's own lock, lock to lock, before any setting. */
  carOwnDeg: number;
}

const degreesSet = (
  menus: Menus,
  values: SettingValues,
  layer: Layer,
  of: 'rotation' | 'lock',
): number | null => {
  const field = degreesField(menus, layer, of);
  if (!field) return null;
  const value = values[`${layer}/steering/${field.key}`];
  return typeof value === 'number' ? value : field.neutral;
};

/**
 * What base, title and car turn, degrees lock to lock.
 * @param carOwnDeg the car's lock where its menu does not change it
 * @param isStretch whether the title stretches the base over the car's lock; then it has no rotation of its own
 */
export function rotationInForce(
  menus: Menus,
  values: SettingValues,
  carOwnDeg: number,
  isStretch: boolean,
): RotationInForce {
  const carDeg = degreesSet(menus, values, 'car', 'lock') ?? carOwnDeg;
  const baseDeg = degreesSet(menus, values, 'base', 'rotation') ?? carDeg;
  return {
    baseDeg,
    titleDeg: degreesSet(menus, values, 'title', 'rotation') ?? baseDeg,
    carDeg,
    carOwnDeg,
    isStretch,
  };
}
