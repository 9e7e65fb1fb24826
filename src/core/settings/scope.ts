import { z } from 'zod';
import { idSchema, line } from '../text/line';
import type { Layer } from './setting';

/** The key to everything: which rig, in which title, with which car, under whose feet, on which branch. */
export interface Combination {
  rigId: string;
  titleId: string;
  carId: string;
  driver: string;
  /** Name of the branch; the main one has none. */
  branch: string;
}

export const driverSchema = line(40).min(1, 'a driver needs a name');
export const branchSchema = line(40);

export const combinationSchema = z.strictObject({
  rigId: idSchema,
  titleId: idSchema,
  carId: idSchema,
  driver: driverSchema,
  branch: branchSchema,
}) satisfies z.ZodType<Combination>;

/** Where a setting holds: `null` stands for every title, every car, every driver. */
export interface Scope {
  rigId: string;
  titleId: string | null;
  carId: string | null;
  driver: string | null;
  branch: string;
}

/** Whether what was set there holds in a combination. */
export function holdsIn(scope: Scope, combination: Combination): boolean {
  return (
    scope.rigId === combination.rigId &&
    scope.branch === combination.branch &&
    (scope.titleId ?? combination.titleId) === combination.titleId &&
    (scope.carId ?? combination.carId) === combination.carId &&
    (scope.driver ?? combination.driver) === combination.driver
  );
}

/** How narrowly something is set: the driver's own comes before the house's, one car before all, one title before all. */
export function narrowness(scope: Scope): number {
  return (scope.driver ? 4 : 0) + (scope.carId ? 2 : 0) + (scope.titleId ? 1 : 0);
}

/** A scope as a key: `null` and an empty name are told apart. */
export function scopeText({ rigId, titleId, carId, driver, branch }: Scope): string {
  return `${rigId}\u0000${titleId ?? '\u0001'}\u0000${carId ?? '\u0001'}\u0000${driver ?? '\u0001'}\u0000${branch}`;
}

/** Where a change lands that says nothing else: a base in every title, a title with every car, a car in its title. */
export function usualScope(layer: Layer, combination: Combination): Scope {
  const { rigId, titleId, carId, driver, branch } = combination;
  return {
    rigId,
    titleId: layer === 'base' ? null : titleId,
    carId: layer === 'car' ? carId : null,
    driver,
    branch,
  };
}

export function combinationText({ rigId, titleId, carId, driver, branch }: Combination): string {
  return [rigId, titleId, carId, driver, branch].join('/');
}

export interface KnownCombination extends Combination {
  openedAtMs: number;
}
