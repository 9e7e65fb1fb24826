import { CAUTIONS } from '@/catalog/cautions';
import { isForceSetting } from '@/core/force/forceParameters';
import type { BookView } from '../model/bookView';

/** The standing cautions where values of some settings are loaded: of the force alone, by what the base can. */
export function cautionsFor({ rig }: Pick<BookView, 'rig'>, keys: readonly string[]): string[] {
  if (!keys.some(isForceSetting)) return [];
  // A base that nobody described may be any.
  const most = rig.spec.base.torqueNm ?? Infinity;
  return CAUTIONS.filter(({ fromNm }) => fromNm > 0 && fromNm <= most).map(({ text }) => text);
}
