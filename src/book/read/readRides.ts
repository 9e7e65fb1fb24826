import 'server-only';
import type { AxisName } from '@/core/axes/recording';
import { riddenTravel, rideFigures, type Ridden, type RideFigures } from '@/core/rides/rideFigures';
import type { RideColumn } from '@/core/rides/rideLog';
import { responseLayers, type Menus } from '@/core/settings/menus';
import type { Combination } from '@/core/settings/scope';
import { changedBetween, type SettingValues } from '@/core/settings/setting';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { breath } from '@/data/breath';
import type { Database } from '@/data/database';
import { listRides, rideOf, storedRide, type StoredRide } from '@/data/rides';
import type { RideRow } from '@/core/rides/rideRow';
import { askWorker, isLong } from '@/data/serverWorker';
import type { AxisView } from '../model/axisView';
import { memo } from './memo';
import type { RideView } from '../model/rideView';

/** Rides of a combination in time order, and what each says. */
export async function rideViews(db: Database, combination: Combination): Promise<RideView[]> {
  const rows = await listRides(db, combination);
  return Promise.all(
    rows.map(async (row, i) => ({
      ...row,
      ...(await measured(db, row.id)),
      changed: i === 0 ? [] : changedBetween(rows[i - 1]!.settings, row.settings),
    })),
  );
}

/** Works out everything that pages show of a ride before it is there: no page waits for it. */
export async function prepareRide(
  db: Database,
  { axes, menus, car }: { axes: readonly AxisView[]; menus: Menus; car: CarSpec },
  ride: Pick<RideRow, 'id' | 'settings'>,
  stored: StoredRide,
): Promise<void> {
  // One after the other: pages want a processor meanwhile.
  await measured(db, ride.id, stored);
  await riddenOn(db, ride, askedOf(axes, ride.settings, menus, car), stored);
}

/** What a ride says; it never changes, so it is worked out once. */
function measured(db: Database, id: string, known?: StoredRide): Promise<RideFigures> {
  return memo(db, `ride:${id}`, async () => {
    const stored = known ?? (await storedRide(db, id));
    if (!stored) throw new Error(`ride ${id} is gone`);
    if (isLong(stored.parts)) return askWorker<RideFigures>((worker) => worker.rideFigures(stored));
    await breath();
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
    await breath();
    return riddenTravel(rideOf(stored), asked);
  });
}

const RIDDEN: Partial<Record<AxisName, RideColumn>> = {
  steering: 'steer_deg',
  throttle: 'throttle',
  brake: 'brake',
};

const isRidden = ({ axis }: AxisView) => RIDDEN[axis] !== undefined;

function askedOf(axes: readonly AxisView[], settings: SettingValues, menus: Menus, car: CarSpec): Ridden[] {
  return axes.filter(isRidden).map(({ axis }) => ({
    column: RIDDEN[axis]!,
    full: axis === 'steering' ? car.lockDeg / 2 : 1,
    layers: responseLayers(menus, settings, axis),
  }));
}

/** Where the newest ride lies on every axis that it recorded. */
export async function withRide(
  db: Database,
  axes: AxisView[],
  ride: RideView | undefined,
  menus: Menus,
  car: CarSpec,
): Promise<AxisView[]> {
  if (!ride) return axes;
  const travels = await riddenOn(db, ride, askedOf(axes, ride.settings, menus, car));
  const ridden = axes.filter(isRidden);
  return axes.map((axis) => {
    const at = ridden.indexOf(axis);
    return at < 0 ? axis : { ...axis, ridden: travels[at] ?? null };
  });
}
