import { CAUTIONS } from '@/catalog/cautions';
import { isForceField } from '@/core/force/forceParameters';
import { keyOfText } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';

/** The standing cautions where values of some settings are loaded: of the force alone, by what the base can. */
export function cautionsFor({ rig }: Pick<BookView, 'rig'>, keys: readonly string[]): string[] {
  if (!keys.some((key) => isForceField(keyOfText(key).field))) return [];
  // A base that nobody described may be any.
  const most = rig.spec.base.torqueNm ?? Infinity;
  return CAUTIONS.filter(({ fromNm }) => fromNm > 0 && fromNm <= most).map(({ text }) => text);
}
