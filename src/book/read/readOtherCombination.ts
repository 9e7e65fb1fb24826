import 'server-only';
import { setAxesOf } from '@/core/settings/transferSettings';
import { combinationText } from '@/core/settings/scope';
import { database } from '@/data/book';
import { listChanges } from '@/data/changes';
import { listCombinations } from '@/data/combination';
import { listTitles } from '@/data/ownTitles';
import type { BookView } from '../model/bookView';
import { combinationState } from './readCombinations';
import { listRigs } from '@/data/rigs';
import { originsOf } from './readBook';
import { hardwareOf } from '../judge/hardware';
import type { OtherCombination } from '../model/otherCombination';

/** A combination of the book beside the open one; `null` where there is none of that name. */
export async function otherCombination(view: BookView, text: string): Promise<OtherCombination | null> {
  const db = await database();
  const known = await listCombinations(db);
  const line = known.find((one) => combinationText(one) === text);
  const rig = (await listRigs(db)).find((r) => r.id === line?.rigId);
  if (!line || !rig) return null;
  const events = await listChanges(db, rig.id);
  const state = combinationState(line, rig, events, await listTitles(db));
  return {
    text,
    name: state.name,
    settings: state.settings,
    origins: originsOf(state.effective, events),
    set: setAxesOf(state.menus, state.settings),
    hardware: hardwareOf(rig.spec),
    isSameMenu: line.titleId === view.combination.titleId,
  };
}
