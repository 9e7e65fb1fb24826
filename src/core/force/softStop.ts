import { gridValue, toCanonical, type MenuField } from '../response/menuSchema';

/** A stop is an end and no corner from so many times the weight of corners on. */
const OVER_CORNERS = 1.5;

/** The least hardness of a soft stop that is felt as an end. */
export interface SoftStop {
  /** The menu's number; `null` where even its end is weaker than that. */
  to: number | null;
  /** What the stop has to push with, and what the base can, N·m. */
  wantedNm: number;
  mostNm: number;
}

/**
 * A soft stop that cannot be taken for a heavy corner, and is no harder than that: a strong base throws the hands back from a hard one.
 * That all of the field is all of what the base gives is assumed.
 * @param cornerNm median torque in corners, @param mostNm what the base gives at most; both N·m, above 0
 */
export function softStop(field: MenuField, cornerNm: number, mostNm: number): SoftStop {
  const wantedNm = OVER_CORNERS * cornerNm;
  const to = gridValue(field, wantedNm / mostNm, 'atLeast');
  return { to: toCanonical(field, to) * mostNm < wantedNm ? null : to, wantedNm, mostNm };
}
