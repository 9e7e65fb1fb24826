import 'server-only';
import { sidesOf } from '@/core/experiment/coinOrders';
import { ridden } from '@/core/experiment/course';
import { isPairPlan, settingsOf, type Side } from '@/core/experiment/plan';
import { chainOf } from '@/core/force/chainOf';
import { forceOfLog, type ForceOfLog } from '@/core/force/forceOfLog';
import { isForceDescribed, isForceField } from '@/core/force/forceParameters';
import { halfTurn } from '@/core/force/halfTurn';
import { FAST_MPS, handsOff, ROLL_MPS, type ForceChain } from '@/core/force/handsOff';
import { mean } from '@/core/numeric/moments';
import { keyOfText } from '@/core/settings/setting';
import { withDraft } from '@/core/settings/withDraft';
import { breath } from '@/data/breath';
import type { Database } from '@/data/database';
import { experimentOf } from '@/data/experiments';
import { rideOf, storedRide } from '@/data/rides';
import { askWorker, isLong } from '@/data/serverWorker';
import { isKeptBack } from '../judge/experiments';
import { forceFactsOf } from '../judge/force';
import type { BookView } from '../model/bookView';
import type { RideView } from '../model/rideView';
import type { SideForce, SidesForce } from '../model/sidesForce';
import type { Here } from './here';
import { memo } from './memo';
import { rideViewsOf } from './readRides';

/** Whether a question is about the force, so that the force of both sides says what it did. */
const asksForce = (keys: readonly string[]) => keys.some((key) => isForceField(keyOfText(key).field));

/**
 * The force of both sides of a question about the force, computed: of their logged rides through the base as it is known, and of
 * the rim that is let go.
 * @returns `null` where there is no such question, or its order may not be told
 */
export async function readSidesForce(
  { book, combination }: Here,
  view: BookView,
  id: string,
): Promise<{ force: SidesForce | null } | null> {
  const row = await experimentOf(book, combination, id);
  if (!row) return null;
  const { asked, orders, basis } = row.plan;
  const isAbout = isPairPlan(asked) && asksForce(settingsOf(asked)) && isForceDescribed(view.menus);
  if (!isAbout || !orders || isKeptBack(row)) return { force: null };
  const facts = forceFactsOf(view);
  const chainOfSide = (side: Side) => chainOf({ ...facts, values: withDraft(basis, side) });
  const sides = sidesOf(orders);
  const driven = ridden(row.trials).flatMap(({ place, rideId }) =>
    rideId ? { side: sides[place]!, rideId } : [],
  );
  const views = await rideViewsOf(
    book,
    combination,
    driven.map(({ rideId }) => rideId),
  );
  const side = async (of: 'A' | 'B', chain: ForceChain) => {
    const ids = driven.filter((one) => one.side === of).flatMap(({ rideId }) => views.get(rideId) ?? []);
    const logged = await Promise.all(ids.map(({ id: rideId }) => ofRide(book, rideId, chain)));
    return { ...sideForce(ids, logged, chain), logged: logged.filter((one) => one !== null) };
  };
  const [{ logged: ofA, ...a }, { logged: ofB, ...b }] = await Promise.all([
    side('A', chainOfSide(asked.a)),
    side('B', chainOfSide(asked.b)),
  ]);
  const all = [...ofA, ...ofB];
  return {
    force: {
      ...{ a, b },
      rides: all.length,
      rateHz: all.length > 0 ? Math.min(...all.map(({ rateHz }) => rateHz)) : null,
    },
  };
}

function sideForce(
  rides: readonly Pick<RideView, 'clipping'>[],
  logged: readonly (ForceOfLog | null)[],
  chain: ForceChain,
): SideForce {
  const over = <T>(all: readonly (T | null)[], value: (one: T) => number | null) => {
    const values = all.flatMap((one) => (one === null ? [] : (value(one) ?? [])));
    return values.length > 0 ? mean(values) : null;
  };
  const clipped = rides.map(({ clipping }) => clipping);
  return {
    clipShare: over(clipped, ({ clipShare }) => clipShare),
    sustainedShare: over(clipped, ({ sustainedShare }) => sustainedShare),
    cornerNm: over(logged, ({ cornerNm }) => cornerNm),
    detail: over(logged, ({ detail }) => detail),
    roughness: over(logged, ({ roughness }) => roughness),
    roll: handsOff(chain, ROLL_MPS).verdict,
    fast: handsOff(chain, FAST_MPS).verdict,
    halfTurnS: halfTurn(chain).nowS,
  };
}

/** A ride never changes: what a set of the force makes of it is worked out once. */
function ofRide(db: Database, rideId: string, chain: ForceChain): Promise<ForceOfLog | null> {
  return memo(db, `force:${rideId}:${JSON.stringify(chain)}`, async () => {
    const stored = await storedRide(db, rideId);
    if (!stored) return null;
    if (isLong(stored.parts))
      return askWorker<ForceOfLog | null>((worker) => worker.forceOfLog(stored, chain));
    await breath();
    return forceOfLog(rideOf(stored), chain);
  });
}
