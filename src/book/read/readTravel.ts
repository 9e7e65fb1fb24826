import 'server-only';
import { newestRides } from '@/data/rides';
import { captureRow } from '@/data/captures';
import type { AxisTravel, AxisView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import type { RequestContext } from './requestContext';
import { readCapturePicture } from './readAxis';
import { travelOf } from './readRides';

/** Where an axis was on its newest capture and on the newest ride. */
export async function readTravel(
  { book, combination, rig }: RequestContext,
  view: BookView,
  { axis, capture }: AxisView,
): Promise<AxisTravel> {
  const [ride] = await newestRides(book, combination, 1);
  const row = capture && (await captureRow(book, rig.id, capture.id));
  const [travels, picture] = await Promise.all([
    ride ? travelOf(view, book, ride) : null,
    row ? readCapturePicture(book, row) : null,
  ]);
  return { ridden: travels?.get(axis) ?? null, pressed: picture?.pressed ?? null };
}
