import { analyseClipping, type Clipping } from '../force/clipping';
import type { ResponseLayer } from '../response/layer';
import { measureRide, type RideMeasures } from './measureRide';
import type { RideColumn, RideLog } from './rideLog';
import { DRIVEN } from './road';
import { throttleSmoothness } from './throttleSmoothness';
import { travelHistogram } from './travelHistogram';

/** What is shown of a ride's clipping; the gains are factors on the one that it was ridden with. */
export type RideClipping = Pick<
  Clipping,
  'clipShare' | 'sustainedShare' | 'headroomDb' | 'gainKeepEveryPeak' | 'gainTradeBiggestHits'
>;

/** What a ride says by itself. */
export interface RideFigures {
  measures: RideMeasures;
  /** RMS rate of the throttle, 1/s; `null` where it was not recorded. */
  smoothness: number | null;
  /** How much of its force was clipped; `null` where no force was logged. */
  clipping: RideClipping | null;
  /** The file that it was taken from; `null` where it was simulated. */
  importedFrom: string | null;
  /** Driven here, by own hands and feet. */
  isDriven: boolean;
}

export function rideFigures(log: RideLog): RideFigures {
  return {
    measures: measureRide(log),
    smoothness: throttleSmoothness(log),
    clipping: clippingOf(log),
    importedFrom: log.notes['file'] ?? null,
    isDriven: log.notes['source'] === DRIVEN,
  };
}

const GAIN_STEP = 0.01;

function clippingOf(log: RideLog): RideClipping | null {
  const judged = analyseClipping(log, { gain: 1, step: GAIN_STEP });
  if (!judged.ok) return null;
  const { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits } = judged.value;
  return { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits };
}

/** How an axis was seen by the title on a ride: the value at full travel, and the responses that were in force. */
export interface Ridden {
  column: RideColumn;
  full: number;
  layers: ResponseLayer[];
}

/**
 * Where a ride lies on each of some axes, shares of its time over the travel; `null` where it did not record one or it did
 * not move.
 */
export function riddenTravel({ columns }: RideLog, axes: readonly Ridden[]): (number[] | null)[] {
  return axes.map(({ column, full, layers }) => {
    const seen = columns[column];
    return seen
      ? travelHistogram(
          seen.map((value) => value / full),
          layers,
        )
      : null;
  });
}
