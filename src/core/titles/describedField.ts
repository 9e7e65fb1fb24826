import type { FieldMap } from '../response/menuSchema';
import { guessRole } from './guessRole';
import type { PastedField } from './pastedMenu';
import { usualPlace, type Placed } from './place';
import { FACTORS, type Role } from './roles';

/** A field of a menu as it is described: what is not typed in yet is `null`. */
export interface DescribedField extends Placed {
  page: string;
  label: string;
  role: Role;
  min: number | null;
  max: number | null;
  step: number | null;
  neutral: number | null;
  unit: string;
  /** What its numbers mean; `null` for what they most likely do. */
  maps: FieldMap | null;
  /** Whether that was read off the title and not only said. */
  isMeasured: boolean;
  /** An effect that the title's gain does not scale. */
  isApart: boolean;
  /** What it is set to now; `null` where nobody says. */
  value: number | null;
}

/** At what a field of such a role usually comes: nothing added, nothing taken away. */
export function usualNeutral(role: Role, min: number, max: number, value: number | null = null): number {
  // An end point comes at its greatest, an amount at nothing; only an amount begins there.
  if (role === 'saturation') return min > 0 || value === max ? max : min;
  if (FACTORS.has(role) || role === 'strength') {
    if (min <= 100 && max >= 100) return 100;
    return min <= 1 && max >= 1 && max <= 5 ? 1 : max;
  }
  if (role === 'linearity')
    return min <= 1 && max >= 1 && max <= 5 && min >= 0 ? 1 : min < 0 && max > 0 ? 0 : min;
  if (role === 'rotation' || role === 'lock') return min <= 900 && max >= 900 ? 900 : max;
  if (role === 'torqueLimit' || role === 'damperChannel' || role === 'springChannel') return max;
  return min <= 0 && max >= 0 ? 0 : min;
}

/** The step of a range whose numbers are written with so many decimals. */
function usualStep(min: number, max: number, decimals: number): number {
  const step = 10 ** -decimals;
  // A coarse range of many values is still stepped by ones.
  return Number((max - min < step ? max - min : step).toPrecision(6));
}

/** Fields out of pasted lines: roles by their words, ranges as they stand there, the rest as it usually is. */
export function fieldsFromPaste(
  pasted: readonly PastedField[],
  of: 'title' | 'base',
  page: string,
): DescribedField[] {
  const used = new Set<Role>();
  return pasted.map(({ label, value, min, max, unit, decimals }) => {
    const guessed = guessRole(label, of);
    // At most one field sets one thing; a second is for the driver to say.
    const role = guessed !== 'other' && used.has(guessed) ? 'other' : guessed;
    used.add(role);
    const isRanged = min !== null && max !== null && max > min;
    return {
      page,
      ...usualPlace(role),
      label,
      role,
      min,
      max,
      step: isRanged ? usualStep(min, max, decimals) : null,
      neutral: isRanged ? usualNeutral(role, min, max, value) : null,
      unit,
      maps: null,
      isMeasured: false,
      isApart: false,
      value,
    };
  });
}
