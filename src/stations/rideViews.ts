import 'server-only';
import type { AxisName } from '@/core/axes/recording';
import { analyseClipping, type Clipping } from '@/core/force/clipping';
import { measureRide, type RideMeasures } from '@/core/rides/measureRide';
import type { RideColumn, RideLog } from '@/core/rides/rideLog';
import { throttleSmoothness } from '@/core/rides/throttleSmoothness';
import { travelHistogram } from '@/core/rides/travelHistogram';
import { responseLayers, type Menus } from '@/core/settings/menus';
import { changedBetween } from '@/core/settings/setting';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { Combination } from '@/core/settings/scope';
import type { Database } from '@/data/openBook';
import { listRides, loadRide, type RideRow } from '@/data/rides';
import type { AxisView } from './axisView';
import { breath } from '@/data/breath';
import { memo } from './memo';

/** What is shown of a ride's clipping; the gains are factors on the one that it was ridden with. */
export type RideClipping = Pick<
  Clipping,
  'clipShare' | 'sustainedShare' | 'headroomDb' | 'gainKeepEveryPeak' | 'gainTradeBiggestHits'
>;

export interface RideView extends RideRow {
  measures: RideMeasures;
  /** RMS rate of the throttle, 1/s; `null` where it was not recorded. */
  smoothness: number | null;
  /** How much of its force was clipped; `null` where no force was logged. */
  clipping: RideClipping | null;
  /** The file that it was taken from; `null` where it was simulated. */
  importedFrom: string | null;
  /** Settings that changed since the ride before; more than one makes this ride confounded. */
  changed: string[];
}

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

/** What a ride says; it never changes, so it is worked out once. */
function measured(
  db: Database,
  id: string,
): Promise<Pick<RideView, 'measures' | 'smoothness' | 'clipping' | 'importedFrom'>> {
  return memo(db, `ride:${id}`, async () => {
    await breath();
    const log = await loadRide(db, id);
    if (!log) throw new Error(`ride ${id} is gone`);
    await breath();
    return {
      measures: measureRide(log),
      smoothness: throttleSmoothness(log),
      clipping: clippingOf(log),
      importedFrom: log.notes['file'] ?? null,
    };
  });
}

const GAIN_STEP = 0.01;

function clippingOf(log: RideLog): RideClipping | null {
  const judged = analyseClipping(log, { gain: 1, step: GAIN_STEP });
  if (!judged.ok) return null;
  const { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits } = judged.value;
  return { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits };
}

const RIDDEN: Partial<Record<AxisName, RideColumn>> = {
  steering: 'steer_deg',
  throttle: 'throttle',
  brake: 'brake',
};

/** Where the newest ride lies on every axis that it recorded. */
export function withRide(
  db: Database,
  axes: AxisView[],
  ride: RideView | undefined,
  menus: Menus,
  car: CarSpec,
): Promise<AxisView[]> {
  return Promise.all(
    axes.map(async (axis) => {
      const column = RIDDEN[axis.axis];
      if (!ride || !column) return axis;
      const ridden = await memo(db, `ridden:${ride.id}:${axis.axis}`, async () => {
        await breath();
        const seen = (await loadRide(db, ride.id))?.columns[column];
        const full = axis.axis === 'steering' ? car.lockDeg / 2 : 1;
        return seen
          ? travelHistogram(
              seen.map((value) => value / full),
              responseLayers(menus, ride.settings, axis.axis),
            )
          : null;
      });
      return { ...axis, ridden };
    }),
  );
}
