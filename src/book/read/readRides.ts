import 'server-only';
import { AXES, type AxisName } from '@/core/axes/axes';
import { riddenTravel, rideFigures, type Ridden, type RideFigures } from '@/core/rides/rideFigures';
import { responseLayers, type Menus } from '@/core/settings/menus';
import type { Combination } from '@/core/settings/scope';
import { changedBetween, type SettingValues } from '@/core/settings/setting';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import type { Database } from '@/data/database';
import {
  countRides,
  newestLogs,
  newestRides,
  rideOf,
  ridesOf,
  ridesWithMark,
  settingsBefore,
  storedRide,
  type StoredRide,
} from '@/data/rides';
import type { RequestContext } from './requestContext';
import type { RideRow } from '@/core/rides/rideRow';
import { askWorker, isLong } from '@/data/serverWorker';
import type { AxisView } from '../model/axisView';
import { memo } from './memo';
import { RIDES_SHOWN, type CarLog, type RideView } from '../model/rideView';

/** The newest rides of a combination in time order, with those that are marked, wherever they lie; and how many there are. */
export async function ridesShown(
  book: Database,
  combination: Combination,
): Promise<{ rides: RideView[]; count: number }> {
  const [newest, marked, count] = await Promise.all([
    newestRides(book, combination, RIDES_SHOWN),
    ridesWithMark(book, combination),
    countRides(book, combination),
  ]);
  const older = marked.filter(({ id }) => !newest.some((row) => row.id === id));
  return { rides: await viewsOf(book, combination, [...older, ...newest]), count };
}

/** Rides that lie before those which are listed, in time order. */
export async function earlierRides({ book, combination }: RequestContext, skip: number): Promise<RideView[]> {
  return viewsOf(book, combination, await newestRides(book, combination, RIDES_SHOWN, skip));
}

/** Single rides of a combination by their names. */
export async function rideViewsOf(
  book: Database,
  combination: Combination,
  ids: readonly string[],
): Promise<ReadonlyMap<string, RideView>> {
  const rows = await ridesOf(book, combination, ids);
  return new Map((await viewsOf(book, combination, rows)).map((ride) => [ride.id, ride]));
}

/** So many logs of a car are looked at for one with its force. */
const LOGS_TRIED = 4;

/** The newest log that holds the force, of each of these cars that has one. */
export async function forceLogs(
  { book, combination }: RequestContext,
  carIds: readonly string[],
): Promise<CarLog[]> {
  const found = await Promise.all(
    carIds.map(async (carId) => {
      for (const { id, file, settings } of await newestLogs(book, { ...combination, carId }, LOGS_TRIED))
        if ((await measured(book, id)).clipping) return { carId, id, name: file, settings };
      return null;
    }),
  );
  return found.filter((one) => one !== null);
}

/** What each of some rides says, and what was changed before it. */
async function viewsOf(
  book: Database,
  combination: Combination,
  rows: readonly RideRow[],
): Promise<RideView[]> {
  const before = await settingsBefore(
    book,
    combination,
    rows.map(({ id }) => id),
  );
  return Promise.all(
    rows.map(async (row) => {
      const earlier = before.get(row.id);
      const changed = earlier ? changedBetween(earlier, row.settings) : [];
      return { ...row, ...(await measured(book, row.id)), changed };
    }),
  );
}

/** Works out everything that pages show of a ride before it is there: no page waits for it. */
export async function prepareRide(
  db: Database,
  { axes, menus, car }: { axes: readonly AxisView[]; menus: Menus; car: CarSpec },
  ride: Pick<RideRow, 'id' | 'settings'>,
  stored: StoredRide,
): Promise<void> {
  const asked = askedOf(axes, ride.settings, menus, car);
  if (isLong(stored.parts)) {
    const both = askWorker((worker) => worker.rideAtOnce(stored, asked));
    await Promise.all([
      memo(db, `ride:${ride.id}`, () => both.then(({ figures }) => figures)),
      memo(db, `ridden:${ride.id}`, () => both.then(({ travel }) => travel)),
    ]);
    return;
  }
  // One after the other: pages want a processor meanwhile.
  await measured(db, ride.id, stored);
  await riddenOn(db, ride, asked, stored);
}

/** What a ride says; it never changes, so it is worked out once. */
function measured(db: Database, id: string, known?: StoredRide): Promise<RideFigures> {
  return memo(db, `ride:${id}`, async () => {
    const stored = known ?? (await storedRide(db, id));
    if (!stored) throw new Error(`ride ${id} is gone`);
    if (isLong(stored.parts)) return askWorker<RideFigures>((worker) => worker.rideFigures(stored));
    await yieldToEventLoop();
    return rideFigures(rideOf(stored));
  });
}

type Travel = number[] | null;

/** Where a ride lies on some axes; worked out once. */
function riddenOn(
  db: Database,
  { id }: Pick<RideRow, 'id'>,
  asked: Ridden[],
  known?: StoredRide,
): Promise<Travel[]> {
  return memo(db, `ridden:${id}`, async () => {
    const stored = known ?? (await storedRide(db, id));
    if (!stored) return [];
    if (isLong(stored.parts)) return askWorker<Travel[]>((worker) => worker.riddenTravel(stored, asked));
    await yieldToEventLoop();
    return riddenTravel(rideOf(stored), asked);
  });
}

const isRidden = ({ axis }: AxisView) => AXES[axis].column !== null;

function askedOf(axes: readonly AxisView[], settings: SettingValues, menus: Menus, car: CarSpec): Ridden[] {
  return axes.filter(isRidden).map(({ axis }) => ({
    column: AXES[axis].column!,
    full: axis === 'steering' ? car.lockDeg / 2 : 1,
    layers: responseLayers(menus, settings, axis),
  }));
}

/** Where a ride lies on each axis that it recorded, shares of its time over the travel. */
export async function travelOf(
  { axes, menus, car }: { axes: readonly AxisView[]; menus: Menus; car: CarSpec },
  book: Database,
  ride: Pick<RideRow, 'id' | 'settings'>,
): Promise<ReadonlyMap<AxisName, number[] | null>> {
  const travels = await riddenOn(book, ride, askedOf(axes, ride.settings, menus, car));
  return new Map(axes.filter(isRidden).map(({ axis }, at) => [axis, travels[at] ?? null]));
}
