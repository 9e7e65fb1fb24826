import 'server-only';
import { sidesOf } from '@/core/experiment/randomizedOrders';
import { ridden } from '@/core/experiment/trial';
import type { Side } from '@/core/experiment/planParts';
import { isPairPlan, settingsOf } from '@/core/experiment/questions';
import { chainOf } from '@/core/force/chainOf';
import { actsOnLog, forceOfLog, type ForceOfLog } from '@/core/force/forceOfLog';
import { isForceDescribed, isForceSetting } from '@/core/force/forceParameters';
import { halfTurn } from '@/core/force/halfTurn';
import { FAST_MPS, handsOff, ROLL_MPS, type ForceChain } from '@/core/force/handsOff';
import { mean } from '@/core/numeric/moments';
import { keyOfText } from '@/core/settings/setting';
import { withDraft } from '@/core/settings/withDraft';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import type { Database } from '@/data/database';
import { experimentOf } from '@/data/experiments';
import { rideOf, storedRide } from '@/data/rides';
import { sha256 } from '@/data/sha256';
import { askWorker, isLong } from '@/data/serverWorker';
import { isKeptBack } from '../judge/experiments';
import { forceFactsOf } from '../judge/force';
import type { BookView } from '../model/bookView';
import type { SideForce, SidesForce } from '../model/sidesForce';
import type { RequestContext } from './requestContext';
import { memo } from './memo';

/**
 * The force of both sides of a question about the force, computed: of its logged rides through both sides' settings, and of the rim
 * that is let go. What acts before the logged force no log tells of other settings: then each side is told of its own rides.
 * @returns `null` where there is no such question, or its order may not be told
 */
export async function readSidesForce(
  { book, combination }: RequestContext,
  view: BookView,
  id: string,
): Promise<{ force: SidesForce | null } | null> {
  const row = await experimentOf(book, combination, id);
  if (!row) return null;
  const { asked, orders, basis } = row.plan;
  const keys = settingsOf(asked);
  const isAbout = isPairPlan(asked) && keys.some(isForceSetting) && isForceDescribed(view.menus);
  if (!isAbout || !orders || isKeptBack(row)) return { force: null };
  const facts = forceFactsOf(view);
  const chainOfSide = (side: Side) => chainOf({ ...facts, values: withDraft(basis, side) });
  const chains = { A: chainOfSide(asked.a), B: chainOfSide(asked.b) };
  const sides = sidesOf(orders);
  const driven = ridden(row.trials).flatMap(({ place, rideId }) =>
    rideId ? [{ side: sides[place]!, rideId }] : [],
  );
  const isSameLaps = keys.every((key) => actsOnLog(keyOfText(key)));
  const through = async (side: 'A' | 'B') => {
    const rides = driven.filter((ride) => isSameLaps || ride.side === side);
    const told = await Promise.all(
      rides.map((ride) => ofRide(book, ride.rideId, chains[side], chains[ride.side].title.gain)),
    );
    return told.filter((one) => one !== null);
  };
  const [ofA, ofB] = await Promise.all([through('A'), through('B')]);
  const all = [...ofA, ...ofB];
  return {
    force: {
      a: sideForce(ofA, chains.A),
      b: sideForce(ofB, chains.B),
      isSameLaps,
      rides: isSameLaps ? ofA.length : all.length,
      rateHz: all.length > 0 ? Math.min(...all.map(({ rateHz }) => rateHz)) : null,
    },
  };
}

function sideForce(rides: readonly ForceOfLog[], chain: ForceChain): SideForce {
  const over = (value: (one: ForceOfLog) => number | null) => {
    const values = rides.flatMap((one) => value(one) ?? []);
    return values.length > 0 ? mean(values) : null;
  };
  return {
    clipShare: over(({ clipShare }) => clipShare),
    sustainedShare: over(({ sustainedShare }) => sustainedShare),
    cornerNm: over(({ cornerNm }) => cornerNm),
    detail: over(({ detail }) => detail),
    roughness: over(({ roughness }) => roughness),
    roll: handsOff(chain, ROLL_MPS).verdict,
    fast: handsOff(chain, FAST_MPS).verdict,
    halfTurnS: halfTurn(chain).nowS,
  };
}

/** A ride never changes: what a set of the force makes of it is worked out once. */
function ofRide(
  db: Database,
  rideId: string,
  chain: ForceChain,
  loggedGain: number,
): Promise<ForceOfLog | null> {
  return memo(db, `force:${rideId}:${sha256(JSON.stringify([chain, loggedGain]))}`, async () => {
    const stored = await storedRide(db, rideId);
    if (!stored) return null;
    if (isLong(stored.parts))
      return askWorker<ForceOfLog | null>((worker) => worker.forceOfLog(stored, chain, loggedGain));
    await yieldToEventLoop();
    return forceOfLog(rideOf(stored), chain, loggedGain);
  });
}
