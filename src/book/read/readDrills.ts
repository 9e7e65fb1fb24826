import 'server-only';
import { trackById } from '@/catalog/find';
import { layTrack } from '@/core/vehicle/track';
import { DRILL_TRACK, drillOptions } from '@/core/drills/course';
import { DRILL_NAMES, drillOf, measureDrill, type DrillName } from '@/core/drills/measureDrill';
import type { CarSpec } from '@/core/vehicle/carSpec';
import { yieldToEventLoop } from '@/data/yieldToEventLoop';
import { drillAttempts, loadRide } from '@/data/rides';
import { drillsOf } from '../judge/drills';
import type { BookView } from '../model/bookView';
import type { Attempt, DrillsView } from '../model/drillsView';
import type { RequestContext } from './requestContext';
import { memo } from './memo';

/** So many of the newest attempts are looked at: some ten of each drill. */
const LOOKED_AT = 90;

const place = layTrack(trackById(DRILL_TRACK));

/** Drills as this driver has driven them in this car, and what to practise next. */
export async function readDrills({ book, combination }: RequestContext, view: BookView): Promise<DrillsView> {
  const rows = await drillAttempts(book, combination, LOOKED_AT);
  const attempts: Attempt[] = [];
  for (const { id, atMs, drill } of rows) {
    const name = DRILL_NAMES.find((one) => one === drill);
    if (name) attempts.push({ id, atMs, drill: name, ...(await shownOf(book, id, name, view.car)) });
  }
  return {
    ...drillsOf(view, attempts, Date.now()),
    hasPlace: view.roads.some(({ id }) => id === DRILL_TRACK),
  };
}

type Shown = Pick<Attempt, 'measures' | 'work'>;

/** What an attempt shows; it never changes, so it is worked out once. An attempt without the drill in it shows nothing. */
function shownOf(book: RequestContext['book'], id: string, name: DrillName, car: CarSpec): Promise<Shown> {
  return memo(book, `drill:${id}:${car.steeringRatio}/${car.lockDeg}`, async () => {
    await yieldToEventLoop();
    const log = await loadRide(book, id);
    const shown = log && measureDrill(name, log, drillOptions(place, car));
    if (!log || !shown?.ok) return { measures: {}, work: null };
    return {
      measures: shown.value.measures,
      work: drillOf(name).foot?.worksAt(log, shown.value.measures) ?? null,
    };
  });
}
