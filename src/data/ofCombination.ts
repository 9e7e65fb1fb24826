import { and, eq } from 'drizzle-orm';
import type { Combination } from '@/core/settings/scope';
import type { combinations, experiments, rides } from './schema';

/** Rows of one combination. */
export const ofCombination = (
  table: typeof rides | typeof experiments | typeof combinations,
  scope: Combination,
) =>
  and(
    eq(table.rigId, scope.rigId),
    eq(table.titleId, scope.titleId),
    eq(table.carId, scope.carId),
    eq(table.driver, scope.driver),
    eq(table.branch, scope.branch),
  );
