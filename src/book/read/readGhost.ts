import 'server-only';
import { ghostOf, type Ghost } from '@/core/driving/ghost';
import { idSchema } from '@/core/text/line';
import { loadRide, ridesOf } from '@/data/rides';
import type { BookView } from '../model/bookView';
import type { RequestContext } from './requestContext';
import { memo } from './memo';

/** The quickest lap of an earlier ride on the road that is open, to drive along with; `null` where that ride has none. */
export async function readGhost(
  { book, combination }: RequestContext,
  { trackId }: Pick<BookView, 'trackId'>,
  asked: string | undefined,
): Promise<Ghost | null> {
  const id = idSchema.safeParse(asked);
  if (!id.success) return null;
  const [ride] = await ridesOf(book, combination, [id.data]);
  if (ride?.road.kind !== 'described' || ride.road.id !== trackId) return null;
  return memo(book, `ghost:${id.data}`, async () => {
    const log = await loadRide(book, id.data);
    const ghost = log && ghostOf(log);
    // A hand's breadth is finer than it is drawn.
    const short = (values: number[]) => values.map((value) => Math.round(10 * value) / 10);
    return ghost && { ...ghost, distanceM: short(ghost.distanceM), x: short(ghost.x), y: short(ghost.y) };
  });
}
